import { markWords } from '@marginalis/core/editing';
import { applyTransaction, type Change, type Page } from '@marginalis/core/document';
import { distance, type Vec } from '@marginalis/core/geometry';
import { kindFor, type Mark, stripsOf, type WordsMark } from '@marginalis/core/kinds';
import { type Instrument, instrumentStyle, type WordMarker } from '@marginalis/core/marks';
import {
  bodyOf,
  placeNear,
  type Print,
  type TextRange,
  wordsBetween,
} from '@marginalis/core/print';
import { useSettings } from '@/session';
import { type Hit, type InstrumentWriter, type Reader, type WritingTools } from '@/shell';

/** Farther from any word than this, points, nothing is meant by a touch. */
const REACH = 24;
/** A contact that moves no farther is a tap on one word, CSS pixels. */
const TAP_REACH = 6;

/** A place of a contact: a page of the document (from 0), and where on it, in user space. */
interface Place {
  readonly page: number;
  readonly at: Vec;
}

interface Going {
  readonly marker: WordMarker;
  readonly from: Place;
  /** Where it came down, CSS pixels of the window. */
  readonly came: Vec;
  to: Place;
  moved: boolean;
}

/** Words of one page. */
interface Part {
  readonly page: Page;
  readonly index: number;
  readonly print: Print;
  readonly range: TextRange;
}

/** Marks the words that a contact goes over, from the one it came down on to the one it is lifted from, over lines, columns and pages. */
export class WordWriter implements InstrumentWriter {
  readonly bare = true;
  private going: Going | null = null;

  constructor(
    private readonly reader: Reader,
    private readonly tools: WritingTools,
  ) {}

  start(event: PointerEvent, { index, user }: Hit, instrument: Instrument): void {
    if (instrument.kind !== 'word-marker') return;
    this.reader.session.inHand.pick([]);
    const { opacity, manner } = instrument;
    this.tools.lookLike({ opacity, multiplied: manner === 'highlight' });
    const place = { page: index, at: user };
    const came = this.reader.stage.fromClient(event.clientX, event.clientY);
    const going: Going = { marker: instrument, from: place, came, to: place, moved: false };
    this.going = going;
    this.read(going);
  }

  move(event: PointerEvent): void {
    const { going } = this;
    if (!going) return;
    const { stage } = this.reader;
    const here = stage.fromClient(event.clientX, event.clientY);
    going.moved ||= distance(going.came, here) > TAP_REACH;
    const hit = stage.pageAt(here);
    if (hit && hit.index !== going.to.page) {
      going.to = { page: hit.index, at: hit.user };
      this.read(going);
    } else going.to = { page: going.to.page, at: this.tools.userAt(going.to.page, event) };
    this.fit();
  }

  end(event: PointerEvent): void {
    const { going } = this;
    if (!going) return;
    this.move(event);
    this.cancel();
    void this.mark(going);
  }

  cancel(): void {
    this.going = null;
    this.tools.tiles.clear('tip');
  }

  hover(event: PointerEvent): void {
    // The print is there when the first word is touched.
    const { stage, session } = this.reader;
    const hit = stage.pageAt(stage.fromClient(event.clientX, event.clientY));
    const page = hit && session.store.getState().document.pages[hit.index];
    if (page) session.print.of(page).catch(() => undefined);
  }

  /** What is marked so far, as it will look. */
  fit(): void {
    const { going } = this;
    this.tools.tiles.clear('tip');
    if (!going) return;
    for (const part of this.partsOf(going, (page) => this.reader.session.print.known(page))) {
      const mark = asMark(going.marker, part);
      const [item] = mark ? kindFor(mark).draw(mark) : [];
      if (item?.is === 'fill')
        this.tools.tiles.fill('tip', item.path, this.tools.matrix(part.index), going.marker.colour);
    }
  }

  /** Reads the print of the pages it goes over, and shows what it marks when that has come. */
  private read(going: Going): void {
    const { session } = this.reader;
    const all = pagesOf(going).map((index) => session.print.of(this.pages[index]));
    Promise.all(all).then(
      () => this.going === going && this.fit(),
      // Said when it is lifted.
      () => undefined,
    );
  }

  private get pages(): readonly Page[] {
    return this.reader.session.store.getState().document.pages;
  }

  private async mark(going: Going): Promise<void> {
    const { session } = this.reader;
    const prints = new Map<Page, Print>();
    try {
      for (const index of pagesOf(going)) {
        const page = this.pages[index];
        prints.set(page, await session.print.of(page));
      }
    } catch (e) {
      session.notices.tell(e instanceof Error ? e.message : String(e));
      return;
    }
    const parts = this.partsOf(going, (page) => prints.get(page) ?? null);
    if (parts.length === 0) {
      if ([...prints.values()].every((print) => print.words.length === 0))
        session.notices.tell('No words can be read on this page: it may be a picture of print.');
      return;
    }
    const { author } = useSettings.getState();
    const changes: Change[] = [];
    let state = session.store.getState().document;
    for (const { page, print, range } of parts) {
      const transaction = markWords(state, {
        id: crypto.randomUUID(),
        page: page.id,
        marker: going.marker,
        print,
        range,
        madeAt: Date.now(),
        author,
      });
      if (!transaction) continue;
      const applied = applyTransaction(state, transaction);
      if (!applied.ok) continue;
      state = applied.state;
      changes.push(...transaction.changes);
    }
    if (changes.length > 0) session.dispatch({ label: 'Mark words', changes });
  }

  /** The words it goes over, page by page; none where it came down beside the print. */
  private partsOf(going: Going, printOf: (page: Page) => Print | null): Part[] {
    const [first, last] =
      going.from.page <= going.to.page ? [going.from, going.to] : [going.to, going.from];
    const startPrint = printOf(this.pages[going.from.page]);
    if (!startPrint || placeNear(startPrint, going.from.at, REACH) === null) return [];
    return pagesOf(going).flatMap((index): Part[] => {
      const page = this.pages[index];
      const print = printOf(page);
      if (!print || print.words.length === 0) return [];
      // What goes on over the end of a page leaves out what stands at its foot.
      const body = bodyOf(print);
      const from = index === first.page ? placeNear(print, first.at) : body.from;
      const to = index === last.page ? placeNear(print, last.at) : body.to;
      if (from === null || to === null) return [];
      return [{ page, index, print, range: wordsBetween(print, from, going.moved ? to : from) }];
    });
  }
}

/** The pages a contact goes over, from the first to the last. */
function pagesOf({ from, to }: Going): number[] {
  const first = Math.min(from.page, to.page);
  return Array.from({ length: Math.abs(from.page - to.page) + 1 }, (_, k) => first + k);
}

/** What will be marked, before it is. */
function asMark(marker: WordMarker, { page, print, range }: Part): Mark | null {
  const strips = stripsOf(print, range);
  const { manner } = marker;
  const style = instrumentStyle(marker);
  const base = { id: '', page: page.id, order: 0, madeAt: 0, before: '', after: '' };
  const mark: WordsMark = { kind: 'words', ...base, style, manner, strips };
  return strips.length > 0 ? mark : null;
}
