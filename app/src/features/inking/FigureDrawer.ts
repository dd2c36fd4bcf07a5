import { drawFigure, settleOn } from '@marginalis/core/editing';
import {
  type DragManners,
  draggedCloud,
  draggedFigure,
  type Figure,
  isDragged,
  outlineFigure,
  tappedCorner,
  tappedFigure,
} from '@marginalis/core/figures';
import { distance, type Vec } from '@marginalis/core/geometry';
import { type FigurePen, instrumentStyle } from '@marginalis/core/marks';
import { useSettings } from '@/session';
import { printedOn, readPrinted } from './printedOn';
import type { Hit, Reader, WritingTools } from '@/shell';
import { paintGuides } from './CornerGuides';
import { watchBegun } from './watchBegun';

/** What is dragged farther is no tap, CSS pixels. */
const DRAGGED = 18;

const FINISHING = {
  id: 'finish-corners',
  text: 'Tap the first corner to close the figure, or the last one again to end it. Undo takes a corner back, Escape all. Another instrument, another page or leaving ends it where it is.',
};

/** Taps nearer to a corner than this mean the corner, CSS pixels; a finger is no finer. */
const NEAR = 14;

interface Drawing {
  readonly page: number;
  readonly pageId: string;
  readonly instrument: FigurePen;
  /** Where the drag began; the corners tapped so far. */
  readonly corners: Vec[];
  /** Where the pointer is, and where it came down last. */
  at: Vec;
  from: Vec;
  isDown: boolean;
  manners: DragManners;
}

/** Figures that are drawn outright: dragged from one place to another, or tapped corner by corner. */
export class FigureDrawer {
  private drawing: Drawing | null = null;
  private ended: () => void = () => undefined;

  constructor(
    private readonly reader: Reader,
    private readonly tools: WritingTools,
  ) {}

  /** Corners have been tapped and more may come. */
  get isTapping(): boolean {
    return this.drawing !== null && !isDragged(this.drawing.instrument.shape);
  }

  start(event: PointerEvent, hit: Hit, instrument: FigurePen): void {
    readPrinted(this.reader, hit.index);
    const goesOn = this.isTapping && this.drawing?.page === hit.index;
    if (!goesOn) {
      this.finish();
      const unwatch = watchBegun(this.reader, instrument, () => this.finish(), this.onKey);
      this.ended = () => {
        unwatch();
        this.reader.session.inHand.begin(null);
      };
      this.drawing = {
        page: hit.index,
        pageId: hit.pageId,
        instrument,
        corners: isDragged(instrument.shape) ? [hit.user] : [],
        at: hit.user,
        from: hit.user,
        isDown: true,
        manners: {},
      };
    }
    if (this.drawing) Object.assign(this.drawing, { from: hit.user, isDown: true });
    this.move(event);
  }

  move(event: PointerEvent): void {
    const { drawing } = this;
    if (!drawing) return;
    const { even, fromCentre, shape } = drawing.instrument;
    // The keys stand the instrument's manner on its head.
    drawing.manners = {
      even: even !== event.shiftKey,
      fromCentre: fromCentre !== event.altKey,
    };
    const at = this.tools.userAt(drawing.page, event);
    const before = drawing.corners[drawing.corners.length - 1];
    drawing.at = isDragged(shape) ? at : tappedCorner(before, at, drawing.manners.even === true);
    this.paint();
  }

  /** The pointer was lifted: a drag ends, a tap sets a corner. */
  end(): void {
    const { drawing } = this;
    if (!drawing) return;
    if (!this.isTapping || this.isCloudDragged(drawing)) return this.finish();
    drawing.isDown = false;
    const { corners, at } = drawing;
    const isNear = (p: Vec): boolean => this.seen(distance(p, at)) < NEAR;
    if (corners.length > 2 && isNear(corners[0])) return this.finish(true);
    if (corners.length > 1 && isNear(corners[corners.length - 1])) return this.finish();
    corners.push(at);
    const { inHand, hints } = this.reader.session;
    inHand.begin({ takeBack: this.takeBack, finish: () => this.finish() });
    if (corners.length === 1) hints.teach(FINISHING);
    this.paint();
  }

  private seen = (points: number): number => points * this.reader.stage.getCamera().zoom;

  /** A cloud that is not tapped but dragged out. */
  private isCloudDragged({ instrument, corners, isDown, from, at }: Drawing): boolean {
    const isFirst = instrument.shape === 'cloud' && corners.length === 0 && isDown;
    return isFirst && this.seen(distance(from, at)) > DRAGGED;
  }

  /** The last corner goes. */
  private readonly takeBack = (): void => {
    const { drawing } = this;
    if (!drawing) return;
    drawing.corners.pop();
    const last = drawing.corners.at(-1);
    if (!last) return this.cancel();
    drawing.at = last;
    this.paint();
  };

  /** Draws what is there so far onto the page; `close` makes a polyline a polygon. */
  finish(close = false): void {
    const { drawing } = this;
    const { session } = this.reader;
    const figure = drawing && this.figureOf(drawing);
    this.cancel();
    if (!drawing || !figure) return;
    const { document } = session.store.getState();
    const closed: Figure =
      close && figure.kind === 'polyline' ? { kind: 'polygon', corners: figure.corners } : figure;
    const { meet } = useSettings.getState().settle;
    const manners = { upright: false, meet };
    const printed = printedOn(this.reader, drawing.page);
    const settled = settleOn(document, drawing.pageId, new Set(), closed, manners, printed);
    const id = crypto.randomUUID();
    const done = session.dispatch(
      drawFigure(document, {
        id,
        page: drawing.pageId,
        figure: settled.figure,
        style: instrumentStyle(drawing.instrument),
        madeAt: Date.now(),
        author: useSettings.getState().author,
      }),
    );
    if (done) session.inHand.pick([id]);
  }

  /** The pointer turned out to mean something else: a drag is given up, corners tapped before stay. */
  callOff(): void {
    const { drawing } = this;
    if (!drawing || !this.isTapping || drawing.corners.length === 0) return this.cancel();
    drawing.at = drawing.corners[drawing.corners.length - 1];
    drawing.isDown = false;
    this.paint();
  }

  cancel(): void {
    if (!this.drawing) return;
    this.drawing = null;
    this.ended();
    this.tools.tiles.clear('tip');
  }

  paint(): void {
    const { drawing } = this;
    this.tools.tiles.clear('tip');
    if (!drawing) return;
    // What ends by itself when the page is out of sight: nothing is begun where nobody sees it.
    if (!this.reader.stage.shows(drawing.page, null)) return this.finish();
    const { colour, width } = instrumentStyle(drawing.instrument);
    const { page, corners, at, instrument } = drawing;
    const isPolygon = instrument.shape === 'polygon';
    const figure = (isPolygon ? null : this.figureOf(drawing)) ?? openPart(corners);
    if (figure)
      this.tools.tiles.fill('tip', outlineFigure(figure, width), this.tools.matrix(page), colour);
    if (this.isTapping && !this.isCloudDragged(drawing))
      paintGuides(this.tools, page, corners, at, instrument.shape !== 'polyline');
  }

  /** The figure as it would be drawn now; null while there is too little of it. */
  private figureOf(drawing: Drawing): Figure | null {
    const { corners, at, from, manners, instrument } = drawing;
    const { shape } = instrument;
    if (shape === 'freehand') return null;
    if (isDragged(shape)) return draggedFigure(shape, corners[0], at, manners);
    return this.isCloudDragged(drawing)
      ? draggedCloud(from, at, manners)
      : tappedFigure(shape, corners);
  }

  private readonly onKey = (e: KeyboardEvent): void => {
    const { drawing } = this;
    if (!drawing) return;
    if (e.key === 'Enter') this.finish();
    else if (e.key === 'Escape') this.cancel();
    else if (e.key === 'Backspace' && this.isTapping) this.takeBack();
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
}

/** The sides of a figure that has too few corners yet. */
const openPart = (corners: readonly Vec[]): Figure | null => tappedFigure('polyline', corners);
