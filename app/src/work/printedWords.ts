import type { PrintedWord } from '@marginalis/core/derived';
import { boxOfPoints } from '@marginalis/core/geometry';

/** A run of print as pdf.js gives it. */
export interface TextRun {
  readonly str: string;
  /** From the run's own space to user space. */
  readonly transform: readonly number[];
  /** Along the writing, user space. */
  readonly width: number;
}

/** How far letters reach below the line they stand on, and above, in shares of the type's size. */
const BELOW = 0.22;
const ABOVE = 0.78;

/** The words of a run with their boxes; letters are taken to be equally wide, which places words well enough to name. */
export function wordsOfRun({ str, transform, width }: TextRun): PrintedWord[] {
  const [a, b, c, d, e, f] = transform;
  const along = Math.hypot(a, b) || 1;
  const step = width / Math.max(1, str.length) / along;
  return [...str.matchAll(/\S+/g)].map(({ 0: text, index }) => {
    const [from, to] = [index * step, (index + text.length) * step];
    const corners = [from, to].flatMap((u) =>
      [-BELOW, ABOVE].map((v) => ({ x: e + u * a + v * c, y: f + u * b + v * d })),
    );
    return { text, ...boxOfPoints(corners) };
  });
}
