import { boundsOf, listMarks, listRows } from '@marginalis/core/derived';
import { type DocState, inOrder, marksOn } from '@marginalis/core/document';
import { type Box, displayMatrix, displaySize, transformBox } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import type { PageId } from '@marginalis/core/marks';
import { lineOf, nextPlace, type WindowOnPage, type WritingLine } from '@marginalis/core/print';
import type { DocumentSession } from '@/session';
import { printedRulesOn, type StageController } from '@/stage';

/** The window moves on when the pen has been away for so long, ms. */
const AWAY = 550;
/** Between the window's edge and where a line begins, points. */
const LEAD = 10;

const topmost = (document: DocState, page: PageId): Mark | null =>
  inOrder(marksOn(document, page)).at(-1) ?? null;

/** Leads a writing window along the line and to the next one, and shows on the page where it is. */
export class WindowGuide {
  /** Where the line one writes on began, points; null until something is written on it. */
  private began: number | null = null;
  private waiting: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly session: DocumentSession,
    /** The window's own stage, and that of the page. */
    private readonly stage: StageController,
    private readonly main: StageController,
  ) {}

  /** Begins to lead; gives what ends it. */
  start(): () => void {
    this.showFrame();
    const unfollow = this.stage.subscribe(this.showFrame);
    const unsubscribe = this.session.store.subscribe((now, before) => {
      if (now.document !== before.document) this.look(now.document, before.document);
    });
    return () => {
      clearTimeout(this.waiting);
      unsubscribe();
      unfollow();
      this.main.endFrame();
    };
  }

  toNextLine = (): void => {
    const { document } = this.session.store.getState();
    const { page, top } = this.shown();
    const last = topmost(document, page);
    if (!last) return this.stage.pan(0, -this.stage.getView().height / 3);
    const { from, pitch } = this.lineFor(document, page, this.boxOf(last));
    this.began = null;
    this.goTo({ left: from - LEAD, top: top + pitch });
  };

  /** Moves on a while after something new was written. */
  private look(now: DocState, before: DocState): void {
    const { page } = this.shown();
    const mark = topmost(now, page);
    if (!mark || marksOn(before, page).has(mark.id)) return;
    const written = this.boxOf(mark);
    this.began = Math.min(this.began ?? Infinity, written.minX);
    clearTimeout(this.waiting);
    this.waiting = setTimeout(() => this.moveOn(page, written), AWAY);
  }

  private moveOn(page: PageId, written: Box): void {
    // The pen is down again: when it is lifted it is asked anew.
    if (this.session.strokeInHand.isBusy) return;
    const window = this.shown();
    if (window.page !== page) return;
    const line = this.lineFor(this.session.store.getState().document, page, written);
    const place = nextPlace(window, written, line);
    if (!place) return;
    if (place.top === window.top) return this.goTo(place);
    this.began = null;
    this.goTo({ ...place, left: place.left - LEAD });
  }

  private goTo({ left, top }: Pick<WindowOnPage, 'left' | 'top'>): void {
    const at = { x: Math.max(0, left), y: Math.max(0, top) };
    this.stage.goToPlace({ ...this.stage.getPlace(), at });
  }

  private shown(): WindowOnPage & { readonly page: PageId } {
    const { page, at, zoom } = this.stage.getPlace();
    const { width, height } = this.stage.getView();
    return { page, left: at.x, top: at.y, width: width / zoom, height: height / zoom };
  }

  private readonly showFrame = (): void => {
    const { page, left, top, width, height } = this.shown();
    const index = this.main.indexOf(page);
    const area = { minX: left, minY: top, maxX: left + width, maxY: top + height };
    if (index >= 0) this.main.frameArea(index, area);
  };

  /** Around a mark as its page is seen, points from the page's upper left corner. */
  private boxOf(mark: Mark): Box {
    const page = this.stage.pages[this.stage.indexOf(mark.page)];
    return transformBox(displayMatrix(page), boundsOf(mark));
  }

  private lineFor(document: DocState, page: PageId, written: Box): WritingLine {
    const index = this.stage.indexOf(page);
    const rows = listRows(listMarks(document).filter((row) => row.page === index));
    const lines = rows.flatMap((row) => ('line' in row ? [row.line.box] : []));
    const { width } = displaySize(this.stage.pages[index]);
    const began = this.began ?? written.minX;
    return lineOf(written, began, width, printedRulesOn(this.stage, index), lines);
  }
}
