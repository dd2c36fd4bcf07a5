import type { Matrix } from './matrix.ts';
import { transform } from './matrix.ts';
import { type Path, PathBuilder, type PathSink, VERB_COORDS } from './path.ts';

/** A path as it is stored: letters and whole numbers. */
export interface PackedPath {
  /** What to do, a letter each: M and L take a point, C three, Z none. */
  readonly verbs: string;
  /** In turn x and y, so many units to one. */
  readonly coords: readonly number[];
}

const LETTERS = 'MLCZ';

/** A path from what is stored of it, under a map that carries its own space to where it is drawn. */
export function unpackPath({ verbs, coords }: PackedPath, units: number, map: Matrix): Path {
  const builder = new PathBuilder();
  let at = 0;
  const next = () => transform(map, { x: coords[at++] / units, y: coords[at++] / units });
  for (const letter of verbs) {
    const points = Array.from({ length: VERB_COORDS[LETTERS.indexOf(letter)] / 2 }, next);
    if (letter === 'M') builder.moveTo(points[0].x, points[0].y);
    else if (letter === 'L') builder.lineTo(points[0].x, points[0].y);
    else if (letter === 'C') {
      const [a, b, c] = points;
      builder.bezierCurveTo(a.x, a.y, b.x, b.y, c.x, c.y);
    } else builder.closePath();
  }
  return builder.build();
}

/** Gathers a path as it is stored. */
export class PathPacker implements PathSink {
  private readonly letters: string[] = [];
  private readonly numbers: number[] = [];

  /** @param put what becomes of each point; what it throws goes through */
  constructor(private readonly put: (x: number, y: number) => readonly [number, number]) {}

  moveTo(x: number, y: number): void {
    this.add('M', x, y);
  }

  lineTo(x: number, y: number): void {
    this.add('L', x, y);
  }

  bezierCurveTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void {
    this.add('C', x1, y1, x2, y2, x, y);
  }

  closePath(): void {
    this.letters.push('Z');
  }

  packed(): PackedPath {
    return { verbs: this.letters.join(''), coords: this.numbers };
  }

  private add(letter: string, ...coords: readonly number[]): void {
    this.letters.push(letter);
    for (let k = 0; k < coords.length; k += 2)
      this.numbers.push(...this.put(coords[k], coords[k + 1]));
  }
}

const TAKES: Readonly<Record<string, number>> = {
  M: VERB_COORDS[0],
  L: VERB_COORDS[1],
  C: VERB_COORDS[2],
  Z: VERB_COORDS[3],
};

/** How a packed path begins and goes on. */
export const PACKED_VERBS = /^M[MLCZ]*$/;

/** Whether it has as many coordinates as its letters take. */
export const isWellPacked = ({ verbs, coords }: PackedPath): boolean =>
  PACKED_VERBS.test(verbs) &&
  [...verbs].reduce((sum, letter) => sum + TAKES[letter], 0) === coords.length;
