import { type Path, VERB, VERB_COORDS } from '../../geometry/index.ts';

/** A path on the grid: whole hundredths of a point. */
export interface GridPath {
  readonly verbs: readonly number[];
  readonly coords: readonly number[];
}

/** A point that lies no farther than this beside the line through its neighbours tells nothing, hundredths of a point. */
const BESIDE = 2;
/** A line is drawn over so many points at most. */
const LONGEST = 12;

const toGrid = (x: number): number => Math.round(x * 100);

/** Whether points `from` + 1 … `to` - 1 of a row of x, y lie on the line between its ends, and between them. */
function liesOnLine(coords: ArrayLike<number>, from: number, to: number): boolean {
  const [ax, ay] = [coords[2 * from], coords[2 * from + 1]];
  const [dx, dy] = [coords[2 * to] - ax, coords[2 * to + 1] - ay];
  const long = Math.hypot(dx, dy);
  if (long === 0) return false;
  for (let i = from + 1; i < to; i++) {
    const [px, py] = [coords[2 * i] - ax, coords[2 * i + 1] - ay];
    const along = (px * dx + py * dy) / long;
    if (along < 0 || along > long || Math.abs(px * dy - py * dx) / long > BESIDE) return false;
  }
  return true;
}

/**
 * A path on the grid, without the points that its neighbours tell as well: seven thousandths of a millimetre are less than
 * any printer's dot, and a good tenth of the points of ink. Curves stay as they are.
 */
export function toGridPath({ verbs, coords }: Path): GridPath {
  const row = Array.from(coords, toGrid);
  const out: { verbs: number[]; coords: number[] } = { verbs: [], coords: [] };
  let at = 0;
  for (let v = 0; v < verbs.length;) {
    const verb = verbs[v];
    if (verb !== VERB.L) {
      const count = VERB_COORDS[verb];
      out.verbs.push(verb);
      for (let k = 0; k < count; k++) out.coords.push(row[at + k]);
      at += count;
      v++;
      continue;
    }
    // As many lines as one line can stand for.
    const start = at / 2 - 1;
    let lines = 1;
    while (
      lines < LONGEST &&
      verbs[v + lines] === VERB.L &&
      start >= 0 &&
      liesOnLine(row, start, start + lines + 1)
    )
      lines++;
    out.verbs.push(VERB.L);
    out.coords.push(row[at + 2 * (lines - 1)], row[at + 2 * (lines - 1) + 1]);
    at += 2 * lines;
    v += lines;
  }
  return out;
}

/** The corner of the box around a path, below and to the left. */
export function cornerOf({ coords }: GridPath): { readonly x: number; readonly y: number } {
  let [x, y] = [Infinity, Infinity];
  for (let i = 0; i < coords.length; i += 2) {
    x = Math.min(x, coords[i]);
    y = Math.min(y, coords[i + 1]);
  }
  return { x, y };
}
