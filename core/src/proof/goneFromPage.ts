import { boundsOf } from '../derived/index.ts';
import {
  type Box,
  boxCorners,
  boxesMeet,
  boxHeight,
  boxHolds,
  type Convex,
  convexArea,
  convexMeet,
  growBox,
  isWithin,
  narrower,
  type Vec,
} from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import { areasOfQuads, type Quad } from '../print/index.ts';

/** A letter whose middle lies so far within an area is gone; of one that lies nearer to its border either may be, points. */
const SURE = 0.5;
/** Where the middle of small letters is, of the height of their face from below. */
const MIDDLE = 0.4;

/** What of a page is to be gone: all that lies beneath bars, the letters of lines that are taken out, and what lies beyond all that is seen. */
export class GoneFromPage {
  private readonly bars: readonly Convex[];
  private readonly surely: readonly Convex[];
  private readonly lines: readonly Convex[];

  /** @param seen null where nothing beyond it is to be gone */
  constructor(
    bars: readonly Quad[],
    lines: readonly Quad[],
    private readonly seen: Box | null,
  ) {
    this.bars = areasOfQuads(bars);
    const taken = areasOfQuads(lines);
    this.surely = [...this.bars, ...taken].map((area) => narrower(area, SURE));
    this.lines = taken.map((area) => narrower(area, -SURE));
  }

  get some(): boolean {
    return this.surely.length > 0 || this.seen !== null;
  }

  /** Whether a letter, by its box, is to be gone. */
  readonly isSurely = (box: Box): boolean =>
    this.surely.some((area) => isWithin(area, middleOf(box))) ||
    (this.seen !== null && !boxesMeet(growBox(box, boxHeight(box)), this.seen));

  /** Whether it may be gone: a bar touches it, its middle is about where one of a line is, or it is not seen whole. */
  readonly mayBe = (box: Box): boolean =>
    this.isTouched(box) ||
    this.lines.some((area) => isWithin(area, middleOf(box))) ||
    !this.isSeen(box);

  /** Marks that no bar touches, and that are seen whole. */
  beside(marks: readonly Mark[]): readonly Mark[] {
    return marks.filter((mark) => {
      const bounds = boundsOf(mark);
      return !this.isTouched(bounds) && this.isSeen(bounds);
    });
  }

  private isSeen(box: Box): boolean {
    return this.seen === null || boxHolds(this.seen, box);
  }

  /** Whether a bar reaches into it. */
  isTouched(box: Box): boolean {
    const own = convexArea(boxCorners(box));
    return own !== null && this.bars.some((area) => convexMeet(area, own));
  }
}

const middleOf = ({ minX, minY, maxX, maxY }: Box): Vec => ({
  x: (minX + maxX) / 2,
  y: minY + MIDDLE * (maxY - minY),
});
