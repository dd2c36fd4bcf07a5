import { type Box, boxCentre, type Vec } from '../geometry/index.ts';

/** Dashes that follow each other at one height, and no farther apart, are one line, points. */
const LEVEL = 0.4;
const GAP = 6;
/** Of so many at least. */
const FEWEST = 4;

/** Where a run of dashes begins and ends so far. */
interface Run {
  readonly from: Vec;
  readonly to: Vec;
  readonly count: number;
}

/** Joins dashes and small dots that a page draws one after the other, from the left or from below, into the lines that they make. */
export class Dashes {
  private run: Run | null = null;

  constructor(private readonly found: (from: Vec, to: Vec) => void) {}

  /** @param bounds of one dash, in the page's user space */
  take(bounds: Box): void {
    const { run } = this;
    const to = run && (goingOn(run, bounds, 'x', 'y') ?? goingOn(run, bounds, 'y', 'x'));
    if (run && to) {
      this.run = { from: run.from, to, count: run.count + 1 };
      return;
    }
    this.finish();
    const { minX, minY, maxX, maxY } = bounds;
    const { x, y } = boxCentre(bounds);
    this.run =
      maxX - minX >= maxY - minY
        ? { from: { x: minX, y }, to: { x: maxX, y }, count: 1 }
        : { from: { x, y: minY }, to: { x, y: maxY }, count: 1 };
  }

  /** No more of the run that was begun. */
  finish(): void {
    const { run } = this;
    this.run = null;
    if (run && run.count >= FEWEST) this.found(run.from, run.to);
  }
}

/** Where a run ends with a dash that continues it in one direction; null where it does not. */
function goingOn({ from, to }: Run, dash: Box, along: 'x' | 'y', across: 'x' | 'y'): Vec | null {
  const [begin, end] = along === 'x' ? [dash.minX, dash.maxX] : [dash.minY, dash.maxY];
  const off = Math.abs(boxCentre(dash)[across] - to[across]);
  const isStraight = off < LEVEL && Math.abs(from[across] - to[across]) < LEVEL;
  const isNext = begin > from[along] && begin - to[along] < GAP && end > to[along];
  return isStraight && isNext ? { ...to, [along]: end } : null;
}
