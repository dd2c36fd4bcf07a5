declare module 'quadprog' {
  /** Minimises ½xᵀDx − dᵀx under Aᵀx ≥ b, the first `meq` of these as equations; arrays count from 1. */
  export function solveQP(
    D: number[][],
    d: number[],
    A: number[][],
    b: number[],
    meq: number,
  ): { readonly solution: number[]; readonly message: string };
}
