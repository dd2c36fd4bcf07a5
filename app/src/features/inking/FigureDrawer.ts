import { drawFigure, settleOn } from '@marginalis/core/editing';
import {
  type DragManners,
  draggedFigure,
  type Figure,
  isDragged,
  outlineFigure,
  tappedCorner,
  tappedFigure,
} from '@marginalis/core/figures';
import { distance, type Vec } from '@marginalis/core/geometry';
import { type FigurePen, instrumentStyle } from '@marginalis/core/marks';
import { usePenRoll } from '@/session';
import { printedDotOn } from '@/stage';
import type { Hit, Reader, WritingTools } from '@/shell';

/** Taps nearer to a corner than this mean the corner, CSS pixels; a finger is no finer. */
const NEAR = 14;

interface Drawing {
  readonly page: number;
  readonly pageId: string;
  readonly instrument: FigurePen;
  /** Where the drag began; the corners tapped so far. */
  readonly corners: Vec[];
  /** Where the pointer is. */
  at: Vec;
  manners: DragManners;
}

/** Figures that are drawn outright: dragged from one place to another, or tapped corner by corner. */
export class FigureDrawer {
  private drawing: Drawing | null = null;

  constructor(
    private readonly reader: Reader,
    private readonly tools: WritingTools,
  ) {}

  /** Corners have been tapped and more may come. */
  get isTapping(): boolean {
    return this.drawing !== null && !isDragged(this.drawing.instrument.shape);
  }

  start(event: PointerEvent, hit: Hit, instrument: FigurePen): void {
    const goesOn = this.isTapping && this.drawing?.page === hit.index;
    if (!goesOn) {
      this.finish();
      window.addEventListener('keydown', this.onKey, true);
      this.drawing = {
        page: hit.index,
        pageId: hit.pageId,
        instrument,
        corners: isDragged(instrument.shape) ? [hit.user] : [],
        at: hit.user,
        manners: {},
      };
    }
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
    if (!this.isTapping) return this.finish();
    const { corners, at } = drawing;
    const isNear = (p: Vec): boolean => distance(p, at) * this.reader.stage.getCamera().zoom < NEAR;
    if (corners.length > 2 && isNear(corners[0])) return this.finish(true);
    if (corners.length > 1 && isNear(corners[corners.length - 1])) return this.finish();
    corners.push(at);
    this.paint();
  }

  /** Draws what is there so far onto the page; `close` makes a polyline a polygon. */
  finish(close = false): void {
    const { drawing } = this;
    const { session } = this.reader;
    const figure = drawing && this.figureOf(drawing, false);
    this.cancel();
    if (!drawing || !figure) return;
    const { document } = session.store.getState();
    const closed: Figure =
      close && figure.kind === 'polyline' ? { kind: 'polygon', corners: figure.corners } : figure;
    const { meet } = usePenRoll.getState().settle;
    const manners = { upright: false, meet };
    const printed = printedDotOn(this.reader.stage, drawing.page);
    const settled = settleOn(document, drawing.pageId, new Set(), closed, manners, printed);
    const id = crypto.randomUUID();
    const done = session.dispatch(
      drawFigure(document, {
        id,
        page: drawing.pageId,
        figure: settled.figure,
        style: instrumentStyle(drawing.instrument),
        madeAt: Date.now(),
        author: usePenRoll.getState().author,
      }),
    );
    if (done) session.inHand.pick([id]);
  }

  /** The pointer turned out to mean something else: a drag is given up, corners tapped before stay. */
  callOff(): void {
    const { drawing } = this;
    if (!drawing || !this.isTapping || drawing.corners.length === 0) return this.cancel();
    drawing.at = drawing.corners[drawing.corners.length - 1];
    this.paint();
  }

  cancel(): void {
    if (!this.drawing) return;
    window.removeEventListener('keydown', this.onKey, true);
    this.drawing = null;
    this.tools.tiles.clear('tip');
  }

  paint(): void {
    const { drawing } = this;
    this.tools.tiles.clear('tip');
    const figure = drawing && this.figureOf(drawing, true);
    if (!drawing || !figure) return;
    const { colour, width } = instrumentStyle(drawing.instrument);
    this.tools.tiles.fill(
      'tip',
      outlineFigure(figure, width),
      this.tools.matrix(drawing.page),
      colour,
    );
  }

  /** The figure as far as it goes; `withNext` counts the place of the pointer as a corner. */
  private figureOf(drawing: Drawing, withNext: boolean): Figure | null {
    const { corners, at, manners } = drawing;
    const { shape } = drawing.instrument;
    if (shape === 'freehand') return null;
    if (isDragged(shape)) return draggedFigure(shape, corners[0], at, manners);
    const all = withNext ? [...corners, at] : corners;
    return tappedFigure(shape, all) ?? (withNext ? tappedFigure('polyline', all) : null);
  }

  private readonly onKey = (e: KeyboardEvent): void => {
    const { drawing } = this;
    if (!drawing) return;
    if (e.key === 'Enter') this.finish();
    else if (e.key === 'Escape') this.cancel();
    else if (e.key === 'Backspace' && this.isTapping) {
      drawing.corners.pop();
      if (drawing.corners.length === 0) this.cancel();
      else this.paint();
    } else return;
    e.preventDefault();
    e.stopPropagation();
  };
}
