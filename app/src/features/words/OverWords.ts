import type { Page } from '@marginalis/core/document';
import { distance, type Path, type Vec } from '@marginalis/core/geometry';
import type { Instrument } from '@marginalis/core/marks';
import { placeNear, type Print } from '@marginalis/core/print';
import type { WordEnd } from '@/session';
import type { Hit, InstrumentWriter, Reader, WritingTools } from '@/shell';
import type { LiveLook } from '@/stage';
import { type PagePart, pagesBetween, partsBetween } from './partsBetween';

/** Farther from any word than this, points, nothing is meant by a touch. */
const REACH = 24;
/** A contact that moves no farther is a tap, CSS pixels. */
const TAP_REACH = 6;

const NO_WORDS = 'No words can be read on this page: it may be a picture of print.';

/** A place of a contact: a page of the document (from 0), and where on it, in user space. */
interface Place {
  readonly page: number;
  readonly at: Vec;
}

/** A contact that goes over words. */
export interface Going<I extends Instrument = Instrument> {
  readonly instrument: I;
  readonly from: Place;
  /** Where it came down, and where it is by now, CSS pixels of the window. */
  readonly came: Vec;
  here: Vec;
  to: Place;
  moved: boolean;
}

/** Follows a contact from the word it came down on to the one it is lifted from, over lines, columns and pages. */
export abstract class OverWords<I extends Instrument> implements InstrumentWriter {
  readonly bare = true;
  private going: Going<I> | null = null;

  constructor(
    protected readonly reader: Reader,
    private readonly tools: WritingTools,
  ) {}

  /** The instrument, where this is what it does. */
  protected abstract own(instrument: Instrument): I | null;
  /** How what is gone over is shown meanwhile. */
  protected abstract lookOf(instrument: I): LiveLook;
  protected abstract show(instrument: I, part: PagePart): { path: Path; colour: string } | null;
  /** The contact was lifted; no parts where it came down beside the print. */
  protected abstract done(going: Going<I>, parts: readonly PagePart[], event: PointerEvent): void;

  start(event: PointerEvent, { index, user }: Hit, instrument: Instrument): void {
    const own = this.own(instrument);
    if (!own) return;
    const { session, stage } = this.reader;
    session.inHand.pick([]);
    this.tools.lookLike(this.lookOf(own));
    const place = { page: index, at: user };
    const came = stage.fromClient(event.clientX, event.clientY);
    this.going = { instrument: own, from: place, came, here: came, to: place, moved: false };
    this.read(this.going);
  }

  move(event: PointerEvent): void {
    const { going } = this;
    if (!going) return;
    const { stage } = this.reader;
    const here = stage.fromClient(event.clientX, event.clientY);
    going.here = here;
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
    void this.finish(going, event);
  }

  /** How an area that it goes over is shown, where no words can be read; null where it marks none. */
  protected showArea(_going: Going<I>): { path: Path; colour: string } | null {
    return null;
  }

  /** The contact was lifted where no words can be read. */
  protected wordless(_going: Going<I>): void {
    this.reader.session.notices.tell(NO_WORDS);
  }

  cancel(): void {
    this.going = null;
    this.tools.tiles.clear('tip');
  }

  hover(event: PointerEvent): void {
    // The print is there when the first word is touched.
    const { stage, session } = this.reader;
    const hit = stage.pageAt(stage.fromClient(event.clientX, event.clientY));
    const page = hit && this.pages[hit.index];
    if (page) session.print.of(page).catch(() => undefined);
  }

  fit(): void {
    const { going } = this;
    this.tools.tiles.clear('tip');
    if (!going?.moved) return;
    const known = this.reader.session.print.known(this.pages[going.from.page]);
    const area = known?.words.length === 0 && this.showArea(going);
    if (area)
      this.tools.tiles.fill('tip', area.path, this.tools.matrix(going.from.page), area.colour);
    for (const part of this.partsOf(going, (page) => this.reader.session.print.known(page))) {
      const shown = this.show(going.instrument, part);
      if (shown)
        this.tools.tiles.fill('tip', shown.path, this.tools.matrix(part.index), shown.colour);
    }
  }

  /** Reads the print of the pages it goes over, and shows what it covers when that has come. */
  private read(going: Going<I>): void {
    const all = pagesOf(going).map((index) => this.reader.session.print.of(this.pages[index]));
    Promise.all(all).then(
      () => this.going === going && this.fit(),
      // Said when it is lifted.
      () => undefined,
    );
  }

  private get pages(): readonly Page[] {
    return this.reader.session.store.getState().document.pages;
  }

  private async finish(going: Going<I>, event: PointerEvent): Promise<void> {
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
    if ([...prints.values()].every((print) => print.words.length === 0)) this.wordless(going);
    else
      this.done(
        going,
        this.partsOf(going, (page) => prints.get(page) ?? null),
        event,
      );
  }

  /** The words it goes over, page by page; none where it came down beside the print. */
  private partsOf(going: Going<I>, printOf: (page: Page) => Print | null): PagePart[] {
    const start = this.endAt(going.from, printOf, REACH);
    if (!start) return [];
    const end = going.moved ? this.endAt(going.to, printOf) : start;
    // Where the other page says nothing, what is gone over ends with the words of those that do.
    return partsBetween(this.pages, printOf, start, end ?? { page: going.to.page, place: 0 });
  }

  private endAt(
    { page, at }: Place,
    printOf: (page: Page) => Print | null,
    reach = Infinity,
  ): WordEnd | null {
    const print = printOf(this.pages[page]);
    const place = print && placeNear(print, at, reach);
    return place === null ? null : { page, place };
  }
}

const pagesOf = ({ from, to }: Going): number[] => pagesBetween(from.page, to.page);
