import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import rough from 'roughjs';
import { type FigureKind, readFigure } from '@marginalis/core/figures';
import type { Vec } from '@marginalis/core/geometry';
import type { InkSample } from '@marginalis/core/ink';
import { alongCorners, writeAlong } from '../core/testing/hand';

/** Figures and writing that others made, read. */

/** Sure enough to be offered when asked; see `core/src/editing/offerTidy.ts`. */
const ASK = 0.55;
const SEEDS = 200;
/** Chords for each curve of a rough figure. */
const CHORDS = 24;
/** One in so many of the 9,574 characters. */
const EVERY = 40;
const CHARACTER_MM = [6, 10, 15];
const POINTS_PER_MM = 72 / 25.4;
const CACHE = join(import.meta.dirname, '..', '.cache', 'references');

const nameOf = (strokes: readonly (readonly InkSample[])[]): FigureKind | 'none' => {
  const reading = strokes.length <= 5 ? readFigure(strokes) : null;
  return reading && reading.confidence >= ASK ? reading.kind : 'none';
};
const listed = (counts: ReadonlyMap<string, number>): string =>
  [...counts]
    .sort((a, b) => b[1] - a[1])
    .map(([name, n]) => `${name} ${n}`)
    .join(', ');
const count = (counts: Map<string, number>, name: string): void => {
  counts.set(name, (counts.get(name) ?? 0) + 1);
};

type Drawn = ReturnType<ReturnType<typeof rough.generator>['line']>;

/** Each edge as a stroke of its own, as the package draws it. */
function edgesOf(drawn: Drawn): Vec[][] {
  const edges: Vec[][] = [];
  const at = (x: number, y: number): Vec => ({ x, y: 400 - y });
  for (const { op, data } of drawn.sets.filter((s) => s.type === 'path').flatMap((s) => s.ops)) {
    if (op === 'move') edges.push([at(data[0], data[1])]);
    const edge = edges[edges.length - 1];
    if (op === 'lineTo') edge.push(at(data[0], data[1]));
    if (op !== 'bcurveTo') continue;
    const from = edge[edge.length - 1];
    const [b, c, d] = [at(data[0], data[1]), at(data[2], data[3]), at(data[4], data[5])];
    for (let k = 1; k <= CHORDS; k++) {
      const [t, s] = [k / CHORDS, 1 - k / CHORDS];
      const w = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
      const along = (axis: 'x' | 'y'): number =>
        w[0] * from[axis] + w[1] * b[axis] + w[2] * c[axis] + w[3] * d[axis];
      edge.push({ x: along('x'), y: along('y') });
    }
  }
  return edges;
}

/** Seeded rough figures of an independent package (roughjs, MIT), a stroke an edge. */
export function roughTable(): string {
  const make = rough.generator();
  const kinds: Record<string, (options: object) => Drawn> = {
    line: (o) => make.line(50, 50, 200, 120, o),
    circle: (o) => make.circle(150, 120, 110, o),
    ellipse: (o) => make.ellipse(150, 120, 180, 90, o),
    triangle: (o) => make.polygon([[50, 50], [180, 70], [90, 190]], o), // prettier-ignore
    rectangle: (o) => make.rectangle(50, 50, 160, 90, o),
    polygon: (o) => make.polygon([[50, 50], [180, 70], [200, 160], [90, 190], [40, 120]], o), // prettier-ignore
  };
  const rows = Object.entries(kinds).map(([kind, draw]) => {
    const cells = [1, 2].map((roughness) => {
      const counts = new Map<string, number>();
      for (let seed = 1; seed <= SEEDS; seed++) {
        const drawn = draw({ seed, roughness, disableMultiStroke: true });
        const strokes = edgesOf(drawn).map((edge, k) => writeAlong(edge, { seed: seed + k }));
        count(counts, nameOf(strokes));
      }
      return listed(counts);
    });
    return `| ${kind} | ${cells.join(' | ')} |`;
  });
  return [
    `| drawn by roughjs, ${SEEDS} seeds | roughness 1 | roughness 2 |`,
    '|---|---|---|',
    ...rows,
  ].join('\n');
}

/** Character medians (npm hanzi-writer-data, fetched into the cache), stroke by stroke. */
export function characterTable(): string {
  const folder = join(CACHE, 'hanzi-writer-data', 'package');
  if (!existsSync(folder)) {
    const into = join(CACHE, 'hanzi-writer-data');
    mkdirSync(into, { recursive: true });
    const packed = execFileSync('npm', ['pack', 'hanzi-writer-data@2.0.1', '--silent'], {
      cwd: into,
    });
    execFileSync('tar', ['xzf', packed.toString().trim()], { cwd: into });
  }
  const files = readdirSync(folder).filter((f) => f.endsWith('.json') && f.length < 8);
  const some = files
    .filter((_, i) => i % EVERY === 0)
    .map((f) => JSON.parse(readFileSync(join(folder, f), 'utf8')) as { medians: number[][][] });
  const rows = CHARACTER_MM.map((mm) => {
    const scale = (mm * POINTS_PER_MM) / 1024;
    const counts = new Map<string, number>();
    let strokes = 0;
    for (const { medians } of some)
      for (const median of medians) {
        const path = median.map(([x, y]) => ({ x: 200 + x * scale, y: 300 + y * scale }));
        count(counts, nameOf([writeAlong(alongCorners(path), { seed: ++strokes })]));
      }
    counts.delete('none');
    return `| ${mm} mm | ${strokes} | ${listed(counts)} |`;
  });
  return ['| characters so large | strokes | sure enough to ask |', '|---|---:|---|', ...rows].join(
    '\n',
  );
}
