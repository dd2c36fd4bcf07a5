import type { Vec } from '../../geometry/index.ts';
import { rounded } from '../content/textPass.ts';
import type { Segment, Subpath } from './cutPath.ts';

/** The operators that begin and go on with paths (ISO 32000-1 §8.5.2), and those that paint them (§8.5.3). */
export const CONSTRUCTS = new Set(['m', 'l', 'c', 'v', 'y', 'h', 're']);
export const PAINTS: ReadonlyMap<string, { fill?: 'f' | 'f*'; stroke?: true; closes?: true }> =
  new Map([
    ['S', { stroke: true }],
    ['s', { stroke: true, closes: true }],
    ['f', { fill: 'f' }],
    ['F', { fill: 'f' }],
    ['f*', { fill: 'f*' }],
    ['B', { fill: 'f', stroke: true }],
    ['B*', { fill: 'f*', stroke: true }],
    ['b', { fill: 'f', stroke: true, closes: true }],
    ['b*', { fill: 'f*', stroke: true, closes: true }],
    ['n', {}],
  ]);

/** A path as its operators make it, in the space of the content. */
export class PathReader {
  private readonly done: { segments: Segment[]; isClosed: boolean }[] = [];
  private at: Vec = { x: 0, y: 0 };
  private start: Vec = { x: 0, y: 0 };

  take(operator: string, numbers: readonly number[]): void {
    const points = Array.from({ length: Math.floor(numbers.length / 2) }, (_, k) => ({
      x: numbers[2 * k],
      y: numbers[2 * k + 1],
    }));
    const [a, b, c] = points;
    switch (operator) {
      case 'm':
        if (a) this.begin(a);
        return;
      case 'l':
        if (a) this.add([this.at, a]);
        return;
      case 'c':
        if (c) this.add([this.at, a, b, c]);
        return;
      case 'v':
        if (b) this.add([this.at, this.at, a, b]);
        return;
      case 'y':
        if (b) this.add([this.at, a, b, b]);
        return;
      case 'h':
        return this.close();
      case 're': {
        if (!b) return;
        const [far, high] = [a.x + b.x, a.y + b.y];
        this.begin(a);
        this.add([a, { x: far, y: a.y }]);
        this.add([this.at, { x: far, y: high }]);
        this.add([this.at, { x: a.x, y: high }]);
        return this.close();
      }
    }
  }

  close(): void {
    const last = this.done.at(-1);
    if (last) last.isClosed = true;
    this.at = this.start;
  }

  /** Those that have a line. */
  get subpaths(): readonly Subpath[] {
    return this.done.filter(({ segments }) => segments.length > 0);
  }

  private begin(at: Vec): void {
    this.done.push({ segments: [], isClosed: false });
    this.at = this.start = at;
  }

  private add(segment: Segment): void {
    if (this.done.length === 0 || this.done[this.done.length - 1].isClosed) this.begin(this.at);
    this.done[this.done.length - 1].segments.push(segment);
    this.at = segment[segment.length - 1];
  }
}

const written = (points: readonly Vec[], operator: string): string =>
  `${points.map(({ x, y }) => `${rounded(x)} ${rounded(y)}`).join(' ')} ${operator}`;

/** The operators that make a path. */
export const pathOperators = (path: readonly Subpath[]): string =>
  path
    .flatMap(({ segments, isClosed }) => [
      written([segments[0][0]], 'm'),
      ...segments.map((one) => written(one.slice(1), one.length === 2 ? 'l' : 'c')),
      ...(isClosed ? ['h'] : []),
    ])
    .join(' ');
