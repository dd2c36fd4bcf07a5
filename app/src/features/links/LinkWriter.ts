import { boundsOf } from '@marginalis/core/derived';
import { marksAt } from '@marginalis/core/editing';
import { outlineFigure } from '@marginalis/core/figures';
import {
  boxOfPoints,
  displayMatrix,
  distance,
  invertMatrix,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { linkAt, linksOnPage } from '@marginalis/core/links';
import { placeNear, wordAround } from '@marginalis/core/print';
import {
  GUIDE_INK,
  type Hit,
  type InstrumentWriter,
  type Reader,
  type WritingTools,
  knownFileLinks,
} from '@/shell';
import { askAboutLink, askForLinks } from './asked';
import { placesOfWords } from './placesOf';

/** A contact that moves no farther is a tap, CSS pixels; what is tapped within so much of a link or a mark is meant. */
const TAP_REACH = 8;
const NEAR = 6;
/** Farther from any word than this, points, none is meant. */
const WORD_REACH = 4;
/** The guide's line, CSS pixels. */
const LINE = 1.4;

interface Going {
  readonly hit: Hit;
  readonly from: Vec;
  to: Vec;
  moved: boolean;
}

/** Puts a link over the area that is dragged, or over the mark or the word that is tapped; a link that is tapped is changed. */
export class LinkWriter implements InstrumentWriter {
  readonly bare = true;
  private going: Going | null = null;

  constructor(
    private readonly reader: Reader,
    private readonly tools: WritingTools,
  ) {}

  start(_event: PointerEvent, hit: Hit): void {
    this.tools.lookLike({ opacity: 1, multiplied: false });
    this.going = { hit, from: hit.user, to: hit.user, moved: false };
  }

  move(event: PointerEvent): void {
    const { going } = this;
    if (!going) return;
    going.to = this.tools.userAt(going.hit.index, event);
    const { zoom } = this.reader.stage.getCamera();
    going.moved ||= distance(going.from, going.to) * zoom > TAP_REACH;
    this.fit();
  }

  end(event: PointerEvent): void {
    const { going } = this;
    if (!going) return;
    this.move(event);
    this.cancel();
    if (!going.moved) return void this.tap(going.hit);
    const area = boxOfPoints([going.from, going.to]);
    askForLinks(this.reader, [{ page: going.hit.pageId, area }]);
  }

  cancel(): void {
    this.going = null;
    this.tools.tiles.clear('tip');
  }

  fit(): void {
    const { going } = this;
    this.tools.tiles.clear('tip');
    if (!going?.moved) return;
    const { index } = going.hit;
    const display = displayMatrix(this.reader.stage.pages[index]);
    const [a, b] = [going.from, going.to].map((p) => transform(display, p));
    const back = invertMatrix(display);
    const corners = [a, { x: b.x, y: a.y }, b, { x: a.x, y: b.y }].map((p) => transform(back, p));
    const width = LINE / this.reader.stage.getCamera().zoom;
    const path = outlineFigure({ kind: 'polygon', corners }, width, 'dashed');
    this.tools.tiles.fill('tip', path, this.tools.matrix(index), GUIDE_INK);
  }

  private async tap({ index, pageId, user }: Hit): Promise<void> {
    const { reader } = this;
    const { session, stage, pictures } = reader;
    const { document } = session.store.getState();
    const page = document.pages[index];
    const reach = NEAR / stage.getCamera().zoom;
    const link = linkAt(linksOnPage(document, page, knownFileLinks(pictures, page)), user, reach);
    if (link) return askAboutLink(reader, link);
    const [mark] = marksAt(document, pageId, user, reach);
    if (mark) return askForLinks(reader, [{ page: pageId, area: boundsOf(mark), mark: mark.id }]);
    try {
      const print = session.print.known(page) ?? (await session.print.of(page));
      const place = placeNear(print, user, WORD_REACH);
      const range = place === null ? null : wordAround(print, place);
      if (range) askForLinks(reader, placesOfWords([{ page: pageId, print, range }]));
    } catch (e) {
      session.notices.tell(e instanceof Error ? e.message : String(e));
    }
  }
}
