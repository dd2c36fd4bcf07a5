import { type Box, boxCentre, type Vec } from '../geometry/index.ts';

/** Dashes that follow each other at one height, and no farther apart, are one line, points. */
const LEVEL = 0.4;
const GAP = 6;
/** Of so many at least. */
const FEWEST = 4;

/** Joins dashes and small dots that a page draws one after the other into the lines that they make. */
export class Dashes {
  private run: { from: Vec; to: Vec; count: number } | null = null;

  constructor(private readonly found: (from: Vec, to: Vec) => void) {}

  /** @param bounds of one dash, in the page's user space */
  take(bounds: Box): void {
    const { minX, minY, maxX, maxY } = bounds;
    const middle = boxCentre(bounds);
    const { run } = this;
    if (run) {
      const isLevel =
        Math.abs(middle.y - run.to.y) < LEVEL && Math.abs(run.from.y - run.to.y) < LEVEL;
      if (isLevel && minX > run.from.x && minX - run.to.x < GAP && maxX > run.to.x) {
        this.run = { ...run, to: { x: maxX, y: run.to.y }, count: run.count + 1 };
        return;
      }
      const isUpright =
        Math.abs(middle.x - run.to.x) < LEVEL && Math.abs(run.from.x - run.to.x) < LEVEL;
      if (isUpright && minY > run.from.y && minY - run.to.y < GAP && maxY > run.to.y) {
        this.run = { ...run, to: { x: run.to.x, y: maxY }, count: run.count + 1 };
        return;
      }
      this.finish();
    }
    const isLong = maxX - minX >= maxY - minY;
    const from = isLong ? { x: minX, y: middle.y } : { x: middle.x, y: minY };
    const to = isLong ? { x: maxX, y: middle.y } : { x: middle.x, y: maxY };
    this.run = { from, to, count: 1 };
  }

  /** No more of the run that was begun. */
  finish(): void {
    const { run } = this;
    this.run = null;
    if (run && run.count >= FEWEST) this.found(run.from, run.to);
  }
}
