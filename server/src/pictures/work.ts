import type { PageSize, PictureAsk } from './artist.ts';

/** What the process that draws can be asked for, and what it answers. */
export interface Work {
  sizes: { ask: { readonly file: string }; answer: readonly PageSize[] };
  picture: { ask: PictureAsk; answer: Uint8Array | null };
  words: { ask: { readonly file: string; readonly index: number }; answer: string | null };
}

export type Job = {
  [K in keyof Work]: { readonly id: number; readonly what: K; readonly ask: Work[K]['ask'] };
}[keyof Work];

/** What comes back; one that is worn has taken so much memory that another is to go on in its place. */
export type Done =
  | { readonly id: number; readonly answer: Work[keyof Work]['answer']; readonly isWorn: boolean }
  /** Why it could not be done. */
  | { readonly id: number; readonly trouble: string; readonly isWorn: boolean };
