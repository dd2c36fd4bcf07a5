import type { Vec } from '@marginalis/core/geometry';
import type { InkSample } from '@marginalis/core/ink';

/** Cutoff of the derivative's own filter, Hz. */
const DERIVATIVE_CUTOFF = 1;

/** α = 1/(1 + τ/Te), τ = 1/(2πfc). */
export function alpha(cutoff: number, seconds: number): number {
  const tau = 1 / (2 * Math.PI * cutoff);
  return 1 / (1 + tau / seconds);
}

/**
 * The 1 € filter, written from the paper (Casiez, Roussel & Vogel, CHI 2012; from memory): an exponential
 * filter whose cutoff, Hz, grows with the speed: fc = minCutoff + β·|dx̂|.
 */
export function oneEuro(
  samples: readonly InkSample[],
  { minCutoff, beta }: { minCutoff: number; beta: number },
): Vec[] {
  const channel = (pick: (s: InkSample) => number): number[] => {
    let value = pick(samples[0]);
    let slope = 0;
    return samples.map((s, i) => {
      if (i === 0) return value;
      const seconds = Math.max(1e-3, (s.t - samples[i - 1].t) / 1000);
      const raw = (pick(s) - value) / seconds;
      slope += alpha(DERIVATIVE_CUTOFF, seconds) * (raw - slope);
      value += alpha(minCutoff + beta * Math.abs(slope), seconds) * (pick(s) - value);
      return value;
    });
  };
  const x = channel((s) => s.x);
  const y = channel((s) => s.y);
  return x.map((v, i) => ({ x: v, y: y[i] }));
}
