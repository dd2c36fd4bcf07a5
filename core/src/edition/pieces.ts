import { type Matrix, thenMatrix, transform } from '../geometry/index.ts';
import { type InkPicture, narrowed, scaled } from './inkPicture.ts';
import { fitMost, type Pair } from './similarity.ts';

/** Where one picture lies on another: `map` carries pixels of the first, at its full width, to those of the second. */
export interface LiesOn {
  readonly map: Matrix;
  /** Of what is inked the share that is found there, by how clearly, 0–1. */
  readonly alike: number;
}

/** At how many pixels across pieces of a page are looked for, and how far from where they are thought to be, pixels. */
const FINER = [
  { width: 180, far: 6 },
  { width: 360, far: 3 },
] as const;
/** Pieces of a page, across and down, and how alike they must be. */
const [ACROSS, DOWN] = [7, 9];
const PIECE_ALIKE = 0.6;
/** Of a piece, so much is to be inked that it can be found. */
const INKED = 0.02;
/** Pieces agree with a map to within this, pixels. */
const AGREE = 1.6;

/** Looks for pieces of a page near where they are thought to be, and fits what carries most of them. */
export function fittedByPieces(a: InkPicture, b: InkPicture, guess: Matrix): LiesOn {
  let map = guess;
  let alike = 0;
  for (const { width, far } of FINER) {
    const [fa, fb] = [narrowed(a, width), narrowed(b, width)];
    const [ka, kb] = [fa.width / a.width, fb.width / b.width];
    const there = thenMatrix(thenMatrix(scaled(1 / ka), map), scaled(kb));
    const { pairs, sought } = pieces(fa, fb, there, far);
    const fit = fitMost(pairs, AGREE);
    if (!fit || fit.agreeing.length < 3) return { map, alike: 0 };
    const clear = fit.agreeing.reduce((sum, k) => sum + pairs[k].alike, 0);
    alike = clear / Math.max(1, sought);
    map = thenMatrix(thenMatrix(scaled(ka), fit.map), scaled(1 / kb));
  }
  return { map, alike };
}

function pieces(
  a: InkPicture,
  b: InkPicture,
  map: Matrix,
  far: number,
): { pairs: (Pair & { readonly alike: number })[]; sought: number } {
  const pairs: (Pair & { readonly alike: number })[] = [];
  const [w, h] = [Math.floor(a.width / ACROSS), Math.floor(a.height / DOWN)];
  let sought = 0;
  for (let row = 0; row < DOWN; row++)
    for (let column = 0; column < ACROSS; column++) {
      const [left, top] = [column * w, row * h];
      let inked = 0;
      for (let y = 0; y < h; y++)
        for (let x = 0; x < w; x++) if (a.ink[(top + y) * a.width + left + x] > 0.1) inked++;
      if (inked < INKED * w * h) continue;
      sought++;
      const was = { x: left + w / 2, y: top + h / 2 };
      const found = pieceAt(a, b, { left, top, w, h }, map, far);
      if (found && found.alike >= PIECE_ALIKE) {
        const there = transform(map, was);
        const is = { x: there.x + found.dx, y: there.y + found.dy };
        pairs.push({ was, is, alike: found.alike });
      }
    }
  return { pairs, sought };
}

function pieceAt(
  a: InkPicture,
  b: InkPicture,
  { left, top, w, h }: { left: number; top: number; w: number; h: number },
  map: Matrix,
  far: number,
): { readonly dx: number; readonly dy: number; readonly alike: number } | null {
  const size = 2 * far + 1;
  const scores = new Float32Array(size * size);
  const points: { p: number; x: number; y: number }[] = [];
  let own = 0;
  // Every other pixel, in a chequered way.
  for (let y = 0; y < h; y++)
    for (let x = y % 2; x < w; x += 2) {
      const p = a.ink[(top + y) * a.width + left + x];
      const to = transform(map, { x: left + x, y: top + y });
      points.push({ p, x: to.x, y: to.y });
      own += p * p;
    }
  let best = 0;
  for (let dy = -far; dy <= far; dy++)
    for (let dx = -far; dx <= far; dx++) {
      let [both, other] = [0, 0];
      for (const { p, x, y } of points) {
        const [px, py] = [Math.round(x + dx), Math.round(y + dy)];
        const q =
          px < 0 || py < 0 || px >= b.width || py >= b.height ? 0 : b.ink[py * b.width + px];
        both += p * q;
        other += q * q;
      }
      const k = (dy + far) * size + dx + far;
      scores[k] = both / (Math.sqrt(own * other) || 1);
      if (scores[k] > scores[best]) best = k;
    }
  const [bx, by] = [best % size, Math.floor(best / size)];
  // At the edge of what was looked at it may lie beyond.
  if (bx === 0 || by === 0 || bx === size - 1 || by === size - 1) return null;
  const between = (before: number, here: number, after: number): number => {
    const bend = before - 2 * here + after;
    return bend < 0 ? (0.5 * (before - after)) / bend : 0;
  };
  return {
    dx: bx - far + between(scores[best - 1], scores[best], scores[best + 1]),
    dy: by - far + between(scores[best - size], scores[best], scores[best + size]),
    alike: scores[best],
  };
}
