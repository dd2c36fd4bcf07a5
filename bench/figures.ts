import * as hershey from 'hersheytext';
import { findFigure } from '@marginalis/core/editing';
import { type FigureKind, READ_KINDS, readFigure } from '@marginalis/core/figures';
import type { Vec } from '@marginalis/core/geometry';
import type { InkSample } from '@marginalis/core/ink';
import { type DrawnFigure, drawnFigure, ORDINARY, STRONG } from '../core/testing/drawnFigures';
import {
  OTHER_KINDS,
  otherFigure,
  scribble,
  STEADY_OTHER,
  UNSTEADY_OTHER,
} from '../core/testing/otherFigures';
import { alongCorners, writeAlong } from '../core/testing/hand';
import { characterTable, roughTable } from './figureData';
import { realGestureLine } from './realGestures';
import { realHandLine } from './realHand';

/** How often ink is read as what was meant, how often writing is left alone, and how long it takes. */

/** Seeds that nothing was tuned on: the tests and the tuning use others. */
const FIRST_SEED = 100_001;
const FIGURES = 400;
/** Sure enough to be offered when asked, and to be taken unasked; see `core/src/editing/offerTidy.ts`. */
const ASK = 0.55;
const ALWAYS = 0.62;
/** What writing may be taken for: strokes of letters are lines, ticks and crosses. */
const EVERYDAY: ReadonlySet<FigureKind> = new Set(['line', 'tick', 'cross']);
/** Heights of capital letters, points: 4, 6, 8 and 10 mm. */
const HEIGHTS = [11.3, 17, 22.7, 28.3];
/** From one letter to the next, points; and the strokes that are looked at together. */
const LETTER = 30;
const MOST_STROKES = 5;
/** Sets of the letters' package that are signs rather than letters. */
const SIGNS = /astrology|markers|math|meteorology|music|symbolic/;
const LONG = [500, 2000] as const;
/** Another process may have the processor in one of them. */
const TURNS = 3;

const percent = (part: number, whole: number): string => `${((100 * part) / whole).toFixed(2)} %`;

interface Row {
  readonly right: number;
  readonly taken: ReadonlyMap<string, number>;
}

/** How often {@link FIGURES} drawings of a kind are read as it; `draw` makes one from a seed. */
function readAll(kind: FigureKind, draw: (seed: number) => DrawnFigure): Row {
  const taken = new Map<string, number>();
  let right = 0;
  for (let i = 0; i < FIGURES; i++) {
    const reading = readFigure(draw(FIRST_SEED + i).strokes);
    const name = reading && reading.confidence >= ASK ? reading.kind : 'none';
    if (name === kind) right++;
    else taken.set(name, (taken.get(name) ?? 0) + 1);
  }
  return { right, taken };
}

/** Kind by kind, and what the others were taken for; then writing, and time. */
export function figureTable(): string {
  const parts = [
    `${FIGURES} of each kind.`,
    kindTable(READ_KINDS, [ORDINARY, STRONG], drawnFigure),
    'Drawn by the second hand:',
    kindTable(OTHER_KINDS, [STEADY_OTHER, UNSTEADY_OTHER], otherFigure),
    scribbleLine(),
    roughTable(),
    writingTable(),
    characterTable(),
    realHandLine(),
    realGestureLine(),
    ...LONG.map(timeLine),
  ];
  return parts.join('\n\n');
}

/** What each kind is read as, drawn by two hands; `draw` draws one of a kind from a seed. */
function kindTable<K extends FigureKind, H>(
  kinds: readonly K[],
  hands: readonly H[],
  draw: (kind: K, seed: number, hand: H) => DrawnFigure,
): string {
  const all = hands.map(() => 0);
  const lines = [
    '| kind | ordinary wobble | taken for | strong wobble | taken for |',
    '|---|---:|---|---:|---|',
  ];
  for (const kind of kinds) {
    const cells = hands.map((hand, k) => {
      const { right, taken } = readAll(kind, (seed) => draw(kind, seed, hand));
      all[k] += right;
      const others = [...taken].sort((a, b) => b[1] - a[1]).map(([name, n]) => `${name} ${n}`);
      return `${percent(right, FIGURES)} | ${others.join(', ')}`;
    });
    lines.push(`| ${kind} | ${cells.join(' | ')} |`);
  }
  const whole = FIGURES * kinds.length;
  lines.push(`| **all** | ${all.map((right) => `**${percent(right, whole)}** | `).join('| ')}|`);
  return lines.join('\n');
}

function scribbleLine(): string {
  const offered = Array.from({ length: FIGURES }, (_, i) => readFigure([scribble(i + 1)])).filter(
    (reading) => reading && reading.confidence >= ASK,
  ).length;
  return `Scribbles of eight and more corners that are offered as a figure: ${percent(offered, FIGURES)}.`;
}

/** Letters as strokes of a hand, capitals `height` points high. */
function letters(height: number): InkSample[][][] {
  const { fonts } = hershey as unknown as {
    fonts: Record<string, { chars?: readonly ({ d: string } | null)[] }>;
  };
  const scale = height / 21;
  const pathsOf = (d: string): Vec[][] =>
    d
      .split('M')
      .map((part) =>
        [...part.matchAll(/(-?\d+)[, ](-?\d+)/g)].map(([, x, y]): Vec => ({
          x: 200 + Number(x) * scale,
          y: 300 - Number(y) * scale,
        })),
      )
      .filter((path) => path.length > 1);
  return Object.entries(fonts)
    .filter(([name]) => !SIGNS.test(name))
    .flatMap(([, font]) => font.chars ?? [])
    .map((glyph) => pathsOf(glyph?.d ?? ''))
    .filter((paths) => paths.length > 0)
    .map((paths, n) => paths.map((path, k) => writeAlong(alongCorners(path), { seed: n + k + 1 })));
}

/** What is asked about while words are written: each stroke beside those just before it, letter after letter. */
function askedInWords(glyphs: readonly (readonly InkSample[][])[]): string {
  let asked = 0;
  let all = 0;
  glyphs.slice(1).forEach((glyph, n) => {
    const before = glyphs[n].map((stroke) => stroke.map((s) => ({ ...s, x: s.x - LETTER })));
    glyph.forEach((_, k) => {
      const group = [...before, ...glyph.slice(0, k + 1)]
        .slice(-MOST_STROKES)
        .map((stroke) => [stroke]);
      all++;
      const found = findFigure(group, 'ask');
      if (found && !EVERYDAY.has(found.reading.kind)) asked++;
    });
  });
  return percent(asked, all);
}

function writingTable(): string {
  const lines = [
    '| letters, capitals so high | strokes | offered at ask | at always | asked in words | letters of 2–5 strokes | at ask | at always |',
    '|---|---:|---:|---:|---:|---:|---:|---:|',
  ];
  for (const height of HEIGHTS) {
    const glyphs = letters(height);
    const single = glyphs.flat().map((stroke) => [stroke]);
    const several = glyphs.filter(
      (strokes) => strokes.length > 1 && strokes.length <= MOST_STROKES,
    );
    const cells = [single, several].flatMap((all) => {
      const sure = all
        .map((strokes) => readFigure(strokes))
        .map((reading) => (reading && !EVERYDAY.has(reading.kind) ? reading.confidence : 0));
      const offered = (least: number): string =>
        percent(sure.filter((c) => c >= least).length, all.length);
      const shares = [String(all.length), offered(ASK), offered(ALWAYS)];
      return all === single ? [...shares, askedInWords(glyphs)] : shares;
    });
    lines.push(`| ${(height / 2.8346).toFixed(0)} mm | ${cells.join(' | ')} |`);
  }
  return lines.join('\n');
}

/** Time to read strokes of so many samples: for each the median of {@link TURNS}, when all have been read once. */
function timeLine(count: number): string {
  const strokes = READ_KINDS.flatMap((kind) =>
    Array.from({ length: 60 }, (_, i) => {
      const drawn = drawnFigure(kind, FIRST_SEED + i).strokes;
      return resampled(
        drawn.reduce((a, b) => (b.length > a.length ? b : a)),
        count,
      );
    }),
  );
  const timesOf = (stroke: InkSample[]): number => {
    const began = performance.now();
    readFigure([stroke]);
    return performance.now() - began;
  };
  for (const stroke of strokes) timesOf(stroke);
  const times = strokes
    .map((stroke) => Array.from({ length: TURNS }, () => timesOf(stroke)).sort((a, b) => a - b))
    .map((turns) => turns[Math.floor(TURNS / 2)])
    .sort((a, b) => a - b);
  const at = (u: number): string => `${times[Math.floor(u * times.length)].toFixed(2)} ms`;
  return `Reading a stroke of ${count.toLocaleString('en')} samples: median ${at(0.5)}, 99th percentile ${at(0.99)}.`;
}

function resampled(stroke: readonly InkSample[], count: number): InkSample[] {
  return Array.from({ length: count }, (_, i) => {
    const at = (i * (stroke.length - 1)) / (count - 1);
    const [a, b] = [stroke[Math.floor(at)], stroke[Math.ceil(at)]];
    const u = at - Math.floor(at);
    return { ...a, x: a.x + (b.x - a.x) * u, y: a.y + (b.y - a.y) * u };
  });
}
