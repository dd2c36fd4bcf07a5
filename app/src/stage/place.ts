import { type Arrangement, CONTINUOUS, type Vec } from '@marginalis/core/geometry';
import type { PageId } from '@marginalis/core/marks';

/** `width` and `page` follow the window's size. */
export type Fit = 'width' | 'page' | 'free';

/** How the pages lie, and how far the reader has turned them, clockwise, degrees. */
export interface StageView extends Arrangement {
  readonly turn: 0 | 90 | 180 | 270;
}

/** Pages one below the other, as they came; facing, the first would lie by itself. */
export const PLAIN_VIEW: StageView = { ...CONTINUOUS, cover: true, turn: 0 };

/** What one sees of a document, whatever the window's size. */
export interface StagePlace {
  readonly page: PageId;
  /** Where in the page the window's upper left corner lies, points from the page's own as seen. */
  readonly at: Vec;
  /** CSS pixels a point; where the page is fitted, the window says. */
  readonly zoom: number;
  readonly fit: Fit;
}

/** Jumps that follow each other so soon are one: keys held, the fore-edge dragged, ms. */
const ONE_JUMP = 1_500;

/** Places that one went on from; more are not remembered. */
const MOST = 100;

/** The places one jumped away from: back through them, and forward again. */
export class Visited {
  private last = -Infinity;
  private readonly back: StagePlace[] = [];
  private forward: StagePlace[] = [];

  /** Where going back leads; null without. */
  get before(): StagePlace | null {
    return this.back[this.back.length - 1] ?? null;
  }

  /** Where going forward leads; null unless one has gone back. */
  get after(): StagePlace | null {
    return this.forward[this.forward.length - 1] ?? null;
  }

  /** One jumps away from a place at a time, ms; what was chosen is a jump of its own. */
  leave(place: StagePlace, now: number, chosen: boolean): void {
    if (chosen || !this.before || now - this.last > ONE_JUMP) this.back.push(place);
    if (this.back.length > MOST) this.back.shift();
    this.forward = [];
    this.last = now;
  }

  /** Steps from a place back or forward; where that leads, or null. */
  step(way: 'back' | 'forward', here: StagePlace): StagePlace | null {
    const [from, to] = way === 'back' ? [this.back, this.forward] : [this.forward, this.back];
    const place = from.pop();
    if (place) to.push(here);
    // What follows is a jump of its own.
    this.last = -Infinity;
    return place ?? null;
  }

  /** One is there again: going back to where one is would lead nowhere. */
  forgetNear(isNear: (place: StagePlace) => boolean): void {
    while (this.before && isNear(this.before)) this.back.pop();
  }
}
