import type { Vec } from '../geometry/index.ts';

/** The sides of a corner are taken between these distances from it, points. */
const NEAR = 1.5;
const FAR = 5;
/** A corner is never drawn out farther than this, points. */
const MOST = 1.5;
/** Angles between the sides that are corners: less is a bend, more a reversal (40° to 155°). */
const LEAST_ANGLE = 0.7;
const MOST_ANGLE = 2.7;
/** A bend that sharp over arms of {@link ARM} points may be a corner that smoothing has rounded (69°). */
const BEND = 1.2;
const ARM = 2;
/** Walks along the stroke end after so many samples. */
const LONGEST_WALK = 60;
/** Some sample must lie so near the corner, in shares of how far it would be drawn out. */
const SUPPORT = { turn: 0.9, bend: 0.6 };
const SUPPORT_REACH = 8;

/**
 * Draws out the corners that smoothing cut: each goes where its two sides would meet, if the pen was seen near
 * there. `turns` are samples at which the hand is known to have turned. Changes `line` in place.
 */
export function sharpenCorners(
  line: { x: number; y: number }[],
  samples: readonly Vec[],
  turns: ReadonlySet<number>,
): void {
  const smooth = line.map(({ x, y }) => ({ x, y }));
  for (const i of new Set([...turns, ...bendsOf(smooth)])) {
    const corner = cornerAt(smooth, i);
    if (!corner) continue;
    const drawnOut = Math.hypot(corner.x - smooth[i].x, corner.y - smooth[i].y);
    const seen = samples.slice(Math.max(0, i - SUPPORT_REACH), i + SUPPORT_REACH + 1);
    const off = seen.reduce(
      (d, p) => Math.min(d, Math.hypot(p.x - corner.x, p.y - corner.y)),
      MOST,
    );
    if (off > (turns.has(i) ? SUPPORT.turn : SUPPORT.bend) * drawnOut) continue;
    line[i].x = corner.x;
    line[i].y = corner.y;
  }
}

/** The first place at least `distance` from place `i`, going by `step`; null when there is none near. */
function walk(line: readonly Vec[], i: number, step: 1 | -1, distance: number): Vec | null {
  const { x, y } = line[i];
  for (let n = 1, j = i + step; n <= LONGEST_WALK && j >= 0 && j < line.length; n++, j += step)
    if (Math.hypot(line[j].x - x, line[j].y - y) >= distance) return line[j];
  return null;
}

/** Where the two sides of the corner at `i` meet; null where there is no corner. */
function cornerAt(line: readonly Vec[], i: number): Vec | null {
  const a = walk(line, i, -1, FAR);
  const b = walk(line, i, -1, NEAR);
  const c = walk(line, i, 1, NEAR);
  const d = walk(line, i, 1, FAR);
  if (!a || !b || !c || !d) return null;
  const [ux, uy, vx, vy] = [b.x - a.x, b.y - a.y, c.x - d.x, c.y - d.y];
  const sine = ux * vy - uy * vx;
  const angle = Math.atan2(Math.abs(sine), -(ux * vx + uy * vy));
  if (angle < LEAST_ANGLE || angle > MOST_ANGLE) return null;
  const along = ((c.x - b.x) * vy - (c.y - b.y) * vx) / sine;
  const corner = { x: b.x + along * ux, y: b.y + along * uy };
  const drawnOut = Math.hypot(corner.x - line[i].x, corner.y - line[i].y);
  return along >= 0 && drawnOut <= MOST ? corner : null;
}

/** The places where the line bends most sharply. */
function bendsOf(line: readonly Vec[]): number[] {
  const bend = line.map((c, i) => {
    const a = walk(line, i, -1, ARM);
    const b = walk(line, i, 1, ARM);
    if (!a || !b) return 0;
    const [ux, uy, vx, vy] = [c.x - a.x, c.y - a.y, b.x - c.x, b.y - c.y];
    return Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy));
  });
  const sharpest = (i: number): boolean => {
    for (const step of [-1, 1] as const)
      for (
        let n = 1, j = i + step;
        n <= LONGEST_WALK && j >= 0 && j < line.length;
        n++, j += step
      ) {
        if (Math.hypot(line[j].x - line[i].x, line[j].y - line[i].y) > NEAR + ARM) break;
        if (bend[j] > bend[i] || (step < 0 && bend[j] === bend[i])) return false;
      }
    return true;
  };
  return bend.flatMap((b, i) => (b > BEND && sharpest(i) ? [i] : []));
}
