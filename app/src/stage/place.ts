import type { Vec } from '@marginalis/core/geometry';
import type { PageId } from '@marginalis/core/marks';

/** `width` and `page` follow the window's size. */
export type Fit = 'width' | 'page' | 'free';

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

/** Remembers where one was before a jump. */
export class Jumps {
  private last = -Infinity;
  from: StagePlace | null = null;

  /** One jumps away from a place at a time, ms. */
  leave(place: StagePlace, now: number): void {
    if (!this.from || now - this.last > ONE_JUMP) this.from = place;
    this.last = now;
  }

  forget(): void {
    this.from = null;
  }
}
