import { writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { encodeSamples, type InkSample } from '@marginalis/core/ink';
import type { Vec } from '@marginalis/core/geometry';
import { alongCorners, ellipsePath, type Hand, wavePath, writeAlong } from '../core/testing/hand';

/** Records what the practice hand writes: `tsx demo/makePracticeStrokes.ts`. The same bytes each time. */

const zigzag = [0, 1, 2, 3, 4, 5, 6].map((i) => ({ x: 250 + 14 * i, y: i % 2 === 0 ? 20 : 44 }));
const loops: Vec[] = Array.from({ length: 900 }, (_, i) => {
  const a = (2 * Math.PI * 6 * i) / 900;
  return { x: 12 + 0.19 * i + 8 * Math.sin(a), y: 82 + 11 * Math.cos(a) };
});

const STROKES: [string, readonly Vec[], Partial<Hand>][] = [
  ['a line that swells', wavePath({ x: 4, y: 30 }, 200, 6, 2), { seed: 1 }],
  ['sharp corners', alongCorners(zigzag), { seed: 2 }],
  ['loops', loops, { seed: 3 }],
  ['a trembling line', wavePath({ x: 210, y: 86 }, 140, 5, 1.5), { seed: 4, tremor: 0.5 }],
  ['a circle', ellipsePath({ x: 385, y: 60 }, 24, 24, 0, 1.03), { seed: 5 }],
];

/** Pressure that swells and dies away, and a pen that leans as the hand moves across. */
const held = (samples: readonly InkSample[]): InkSample[] =>
  samples.map((s, i) => {
    const u = i / Math.max(1, samples.length - 1);
    return { ...s, pressure: 0.15 + 0.7 * Math.sin(Math.PI * u), tiltX: 20 + 25 * u, tiltY: -15 };
  });

const lines = STROKES.map(([what, path, hand]) => {
  const bytes = encodeSamples(held(writeAlong(path, { rate: 120, noise: 0.08, ...hand })));
  return `  // ${what}\n  '${Buffer.from(bytes).toString('base64')}',`;
});
const to = join(dirname(fileURLToPath(import.meta.url)), '../app/src/features/practice/strokes.ts');
writeFileSync(
  to,
  `/** Recorded strokes in a frame of 420 × 110 points, y down; made by demo/makePracticeStrokes.ts. */
export const PRACTICE_STROKES: readonly string[] = [
${lines.join('\n')}
];
`,
);
