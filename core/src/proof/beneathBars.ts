import { boundsOf } from '../derived/index.ts';
import {
  type Box,
  boxCorners,
  type Convex,
  convexArea,
  convexMeet,
  isWithin,
  narrower,
} from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import { aroundQuad, type Quad } from '../print/index.ts';

/** A letter whose middle lies so far within a bar is beneath it; one that a bar does not touch is not. Of those between either may be, points. */
const SURE = 0.5;
/** Where the middle of small letters is, of the height of their face from below. */
const MIDDLE = 0.4;

/** What lies beneath the bars of a page, and what does not. */
export class BeneathBars {
  private readonly areas: readonly Convex[];
  private readonly inner: readonly Convex[];

  constructor(bars: readonly Quad[]) {
    this.areas = bars.flatMap((quad) => convexArea(aroundQuad(quad)) ?? []);
    this.inner = this.areas.map((area) => narrower(area, SURE));
  }

  get some(): boolean {
    return this.areas.length > 0;
  }

  /** Whether a letter, by its box, lies beneath. */
  readonly isSurely = ({ minX, minY, maxX, maxY }: Box): boolean => {
    const middle = { x: (minX + maxX) / 2, y: minY + MIDDLE * (maxY - minY) };
    return this.inner.some((area) => isWithin(area, middle));
  };

  /** Whether a bar touches it. */
  readonly mayBe = (box: Box): boolean => {
    const own = convexArea(boxCorners(box));
    return own !== null && this.areas.some((area) => convexMeet(area, own));
  };

  /** Marks that no bar touches. */
  beside(marks: readonly Mark[]): readonly Mark[] {
    return this.some ? marks.filter((mark) => !this.mayBe(boundsOf(mark))) : marks;
  }
}
