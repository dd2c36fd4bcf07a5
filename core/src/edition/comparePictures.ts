import { type Matrix, thenMatrix, transform } from '../geometry/index.ts';
import { type InkPicture, inkAt, narrowed, turned } from './inkPicture.ts';
import { fitMost, type Pair } from './similarity.ts';

/** Where one picture lies on another: `map` carries pixels of the first, at its full width, to those of the second. */
export interface LiesOn {
  readonly map: Matrix;
  /** Of what is inked the share that is found there, by how clearly, 0–1. */
  readonly alike: number;
}

/** Pixels across at which pages are compared first. */
const COARSE = 56;
/** Then pieces of them are looked for: at how many pixels across, and how far from where they are thought to be, pixels. */
const FINER = [
  { width: 180, far: 6 },
  { width: 360, far: 3 },
] as const;
/** Pixels across at which it is told which page is which. */
const SMALL = 28;
/** Less alike than this at first sight pages are not looked at closely. */
const ROUGHLY = 0.3;
/** As clear as this it is the same page, and no other way round is tried. */
export const CLEAR = 0.5;
/** Turns that are tried, radians, and shifts, of the width. */
const DEGREE = Math.PI / 180;
const TURNS = [-4, -3, -2, -1, 0, 1, 2, 3, 4].map((degrees) => degrees * DEGREE);
const ROUGH = [-2.5, 0, 2.5].map((degrees) => degrees * DEGREE);
const SHIFT = 0.1;
/** Pieces of a page, across and down, and how alike they must be. */
const [ACROSS, DOWN] = [7, 9];
const PIECE_ALIKE = 0.6;
/** Of a piece, so much is to be inked that it can be found. */
const INKED = 0.02;
/** Pieces agree with a map to within this, pixels. */
const AGREE = 1.6;

/** The same picture in the quarter turns, clockwise, and what carries its pixels there. */
function quarters(picture: InkPicture): { readonly picture: InkPicture; readonly map: Matrix }[] {
  const all = [{ picture, map: [1, 0, 0, 1, 0, 0] as Matrix }];
  for (let k = 1; k < 4; k++) {
    const { picture: last, map } = all[k - 1];
    const turn: Matrix = [0, 1, -1, 0, last.height - 1, 0];
    all.push({ picture: turned(last), map: thenMatrix(map, turn) });
  }
  return all;
}

/** The quarter turns in which one page may lie on another: on its side it is as wide as the other is high. */
function waysRound(a: InkPicture, b: InkPicture): ReturnType<typeof quarters> {
  const isUpright = (one: InkPicture): boolean => one.height >= one.width;
  const same = isUpright(a) === isUpright(b);
  return quarters(a).filter((_, k) => (k % 2 === 0) === same);
}

/** How alike two pages are, roughly, whatever way round and a little askew; for telling which page is which. */
export function roughlyAlike(a: InkPicture, b: InkPicture): number {
  const isUpright = (one: InkPicture): boolean => one.height >= one.width;
  const same = isUpright(a) === isUpright(b);
  // A page on its side is as wide as the other is high.
  const ways = quarters(narrowed(a, SMALL)).filter((_, k) => (k % 2 === 0) === same);
  return Math.max(
    ...ways.map(({ picture }) => coarse(narrowed(picture, SMALL), b, ROUGH)[0].alike),
  );
}

/** Where a page lies on another one, however it is turned; null where they have nothing in common. */
export function liesOn(a: InkPicture, b: InkPicture): LiesOn | null {
  const closely = ({ picture, map }: ReturnType<typeof quarters>[number]): LiesOn | null => {
    const { alike, map: whole } = bestWay(picture, b, coarse(narrowed(picture, COARSE), b));
    if (alike < ROUGHLY) return null;
    const finer = refine(picture, b, whole);
    return { map: thenMatrix(map, finer.map), alike: finer.alike };
  };
  const [upright, ...others] = waysRound(a, b);
  let best = closely(upright);
  // Forms look much the same upside down: what is clear is not questioned.
  if (best && best.alike >= CLEAR) return best;
  for (const one of others) {
    const found = closely(one);
    if (found && found.alike > (best?.alike ?? 0)) best = found;
  }
  return best && best.alike > 0 ? best : null;
}

/** The turns and shifts of a small picture on another one, the best first. */
function coarse(small: InkPicture, b: InkPicture, turns = TURNS): Laid[] {
  const other = narrowed(b, small.width);
  const reach = Math.round(SHIFT * small.width);
  const laidSo: Laid[] = [];
  for (const angle of turns) {
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const [ox, oy] = [small.width / 2, small.height / 2];
    const [px, py] = [other.width / 2, other.height / 2];
    const laid = new Float32Array(other.width * other.height);
    for (let y = 0; y < other.height; y++)
      for (let x = 0; x < other.width; x++) {
        const [dx, dy] = [x - px, y - py];
        laid[y * other.width + x] = inkAt(small, ox + c * dx + s * dy, oy - s * dx + c * dy);
      }
    for (let sy = -reach; sy <= reach; sy++)
      for (let sx = -reach; sx <= reach; sx++) {
        // From the small picture: about its middle, then moved.
        const onto: Matrix = [c, s, -s, c, px + sx - c * ox + s * oy, py + sy - s * ox - c * oy];
        laidSo.push({ alike: correlation(laid, other, sx, sy), onto, sx, sy, angle });
      }
  }
  return laidSo.sort((one, two) => two.alike - one.alike);
}

/** A way a small picture may lie on another one. */
interface Laid {
  readonly alike: number;
  readonly onto: Matrix;
  readonly sx: number;
  readonly sy: number;
  readonly angle: number;
}

/** Rows of tables look alike a row farther on: of so many ways that differ, the one is taken that is best when looked at more closely. */
const WAYS = 8;
/** Pixels across at which that is looked at, and how far to either side. */
const CLOSER = 128;
const ASIDE = 2;

function bestWay(
  a: InkPicture,
  b: InkPicture,
  all: readonly Laid[],
): { alike: number; map: Matrix } {
  const ways: Laid[] = [];
  for (const one of all) {
    if (ways.length === WAYS) break;
    const isOther = ways.every(
      ({ sx, sy, angle }) =>
        Math.hypot(sx - one.sx, sy - one.sy) >= 2 || Math.abs(angle - one.angle) > 1.5 * DEGREE,
    );
    if (isOther) ways.push(one);
  }
  const [fa, fb] = [narrowed(a, CLOSER), narrowed(b, CLOSER)];
  const [ka, kb] = [fa.width / COARSE, fb.width / COARSE];
  let best = { alike: -1, map: ways[0].onto };
  for (const { onto } of ways) {
    const map = thenMatrix(thenMatrix(scaled(1 / ka), onto), scaled(kb));
    for (let dy = -ASIDE; dy <= ASIDE; dy++)
      for (let dx = -ASIDE; dx <= ASIDE; dx++) {
        const moved: Matrix = [map[0], map[1], map[2], map[3], map[4] + dx, map[5] + dy];
        const alike = likeness(fa, fb, moved);
        if (alike <= best.alike) continue;
        const whole = thenMatrix(scaled(fa.width / a.width), moved);
        best = { alike, map: thenMatrix(whole, scaled(b.width / fb.width)) };
      }
  }
  return best;
}

/** How alike what is inked is where a map lays one picture on another. */
function likeness(a: InkPicture, b: InkPicture, map: Matrix): number {
  let [both, first, second] = [0, 0, 0];
  const [ma, mb, mc, md, me, mf] = map;
  for (let y = 0; y < a.height; y++)
    for (let x = 0; x < a.width; x++) {
      const p = a.ink[y * a.width + x];
      const bx = Math.round(ma * x + mc * y + me);
      const by = Math.round(mb * x + md * y + mf);
      const isOn = bx >= 0 && by >= 0 && bx < b.width && by < b.height;
      const q = isOn ? b.ink[by * b.width + bx] : 0;
      both += p * q;
      first += p * p;
      second += q * q;
    }
  return both / (Math.sqrt(first * second) || 1);
}

/** Of what is inked (normalised cross-correlation without the mean: white paper is no likeness). */
function correlation(
  laid: Float32Array,
  { width, height, ink }: InkPicture,
  sx: number,
  sy: number,
): number {
  let [both, first, second] = [0, 0, 0];
  for (let y = 0; y < height; y++) {
    const from = y - sy;
    if (from < 0 || from >= height) continue;
    for (let x = 0; x < width; x++) {
      const there = x - sx;
      if (there < 0 || there >= width) continue;
      const [p, q] = [laid[from * width + there], ink[y * width + x]];
      both += p * q;
      first += p * p;
      second += q * q;
    }
  }
  return both / (Math.sqrt(first * second) || 1);
}

/** Looks for pieces of a page near where they are thought to be, and fits what carries most of them. */
function refine(a: InkPicture, b: InkPicture, guess: Matrix): LiesOn {
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

const scaled = (by: number): Matrix => [by, 0, 0, by, 0, 0];

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
