import { boundsOf } from '@marginalis/core/derived';
import { marksAt } from '@marginalis/core/editing';
import { boxOfPoints } from '@marginalis/core/geometry';
import { linkAt, linksOnPage } from '@marginalis/core/links';
import { placeNear, wordAround } from '@marginalis/core/print';
import {
  AreaDrag,
  type Hit,
  type InstrumentWriter,
  type Reader,
  type WritingTools,
  knownFileLinks,
} from '@/shell';
import { askAboutLink, askForLinks } from './asked';
import { placesOfWords } from './placesOf';

/** What is tapped within so much of a link or a mark is meant, CSS pixels. */
const NEAR = 6;
/** Farther from any word than this, points, none is meant. */
const WORD_REACH = 4;

/** Puts a link over the area that is dragged, or over the mark or the word that is tapped; a link that is tapped is changed. */
export class LinkWriter implements InstrumentWriter {
  readonly bare = true;
  private readonly drag: AreaDrag;

  constructor(
    private readonly reader: Reader,
    tools: WritingTools,
  ) {
    this.drag = new AreaDrag(reader, tools);
  }

  start(_event: PointerEvent, hit: Hit): void {
    this.drag.start(hit);
  }

  move(event: PointerEvent): void {
    this.drag.move(event);
  }

  end(event: PointerEvent): void {
    const dragged = this.drag.end(event);
    if (!dragged) return;
    const { hit, to } = dragged;
    if (!to) return void this.tap(hit);
    askForLinks(this.reader, [{ page: hit.pageId, area: boxOfPoints([hit.user, to]) }]);
  }

  cancel(): void {
    this.drag.cancel();
  }

  fit(): void {
    this.drag.fit();
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
