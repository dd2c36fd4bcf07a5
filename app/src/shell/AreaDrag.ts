import { type Figure, outlineFigure } from '@marginalis/core/figures';
import { areaAsSeen, distance, type Vec } from '@marginalis/core/geometry';
import type { Reader } from './feature';
import { GUIDE_INK, type Hit, type WritingTools } from './writing';

/** A contact that moves no farther is a tap, CSS pixels; a finger is no finer than this. */
const TAP_REACH = 8;
/** The guide's line, CSS pixels. */
const LINE = 1.3;

/** Where a contact came down, and where it was lifted; null where it was a tap. */
export interface Dragged {
  readonly hit: Hit;
  readonly to: Vec | null;
}

/** Follows a contact that taps a place or drags an area of a page, and shows the area meanwhile. */
export class AreaDrag {
  private going: {
    readonly hit: Hit;
    readonly guide: (from: Vec, to: Vec) => Figure;
    to: Vec;
    moved: boolean;
  } | null = null;

  constructor(
    private readonly reader: Reader,
    private readonly tools: WritingTools,
  ) {}

  /** @param guide what is shown of it; its area, as the page is seen, without */
  start(hit: Hit, guide = (from: Vec, to: Vec): Figure => this.area(hit.index, from, to)): void {
    this.tools.lookLike({ opacity: 1, multiplied: false });
    this.going = { hit, guide, to: hit.user, moved: false };
  }

  move(event: PointerEvent): void {
    const { going } = this;
    if (!going) return;
    going.to = this.tools.userAt(going.hit.index, event);
    const { zoom } = this.reader.stage.getCamera();
    going.moved ||= distance(going.hit.user, going.to) * zoom > TAP_REACH;
    this.fit();
  }

  /** What it was; null where nothing had begun. */
  end(event: PointerEvent): Dragged | null {
    this.move(event);
    const { going } = this;
    this.cancel();
    return going && { hit: going.hit, to: going.moved ? going.to : null };
  }

  cancel(): void {
    this.going = null;
    this.tools.tiles.clear('tip');
  }

  fit(): void {
    const { going } = this;
    this.tools.tiles.clear('tip');
    if (!going?.moved) return;
    const { zoom } = this.reader.stage.getCamera();
    const path = outlineFigure(going.guide(going.hit.user, going.to), LINE / zoom, 'dashed');
    this.tools.tiles.fill('tip', path, this.tools.matrix(going.hit.index), GUIDE_INK);
  }

  private area(index: number, from: Vec, to: Vec): Figure {
    const corners = areaAsSeen(this.reader.stage.pages[index], [from, to]);
    return { kind: 'polygon', corners: [...corners] };
  }
}
