import type { PageCounts } from '@marginalis/core/about';
import {
  type DrawnShapes,
  type FindOptions,
  type FoundOn,
  paragraphsOf,
  type PlacedHeading,
  type Print,
  type Told,
} from '@marginalis/core/print';
import { createPrintWorker } from './createWorker';

export interface SearchAsk {
  readonly is: 'search';
  readonly term: string;
  readonly how: FindOptions;
  /** The page it begins with, from 0. */
  readonly first: number;
}

/** How far a search has come: what it has found since it told last, and how many pages of how many it has read. */
export interface SearchNews {
  readonly found: readonly FoundOn[];
  readonly read: number;
  readonly of: number;
  readonly done?: boolean;
}

export interface PrintRequest {
  readonly id: number;
  readonly ask:
    | { readonly is: 'open'; readonly bytes: Uint8Array; readonly password?: string }
    /** From 0. */
    | { readonly is: 'page'; readonly page: number }
    | { readonly is: 'shapes'; readonly page: number }
    /** How a page of a tagged file is told. */
    | { readonly is: 'told'; readonly page: number }
    /** What headings it has; every page is read for it. Answered as {@link SearchAsk} is. */
    | { readonly is: 'headings' }
    /** What stands on its pages, counted; every page is read for it. Answered as {@link SearchAsk} is. */
    | { readonly is: 'counts' }
    /** Ends a search before. Answered as it goes on; the last answer says that it is done. */
    | SearchAsk;
}

export interface PrintReply {
  readonly id: number;
  readonly answer:
    | { readonly ok: true; readonly pageCount: number; readonly isTagged: boolean }
    | { readonly ok: true; readonly print: Print }
    | ({ readonly ok: true } & SearchNews)
    | { readonly ok: true; readonly headings: readonly PlacedHeading[] }
    | { readonly ok: true; readonly counts: PageCounts }
    | { readonly ok: true; readonly shapes: DrawnShapes }
    | { readonly ok: true; readonly told: readonly Told[] }
    | { readonly ok: false; readonly message: string };
}

/** Where the bytes of a source come from; null when they are gone. */
export type SourceBytes = () => Promise<Uint8Array | null>;

/** Pages whose print is kept at a time. */
const KEPT = 40;
/** What says nothing for so long is taken for dead, ms: a page takes a hundredth of a second, and some are made to take for ever. */
const SILENCE = 20_000;
const BROKE_OFF = 'Reading the print broke off. This file may be too large or too damaged.';
const CLOSED = 'The document was closed.';

/** Thrown when the print of a document cannot be read; the message is for people. */
export class PrintError extends Error {
  override readonly name = 'PrintError';
}

/** Reads the print of one source in a worker, which is started when the first page is asked for. */
export class PrintReader {
  private worker: Worker | null = null;
  private opening: Promise<void> | null = null;
  private isTagged = false;
  private closed = false;
  private count = 0;
  private readonly waiting = new Map<number, (answer: PrintReply['answer']) => void>();
  /** The page asked for last is the last of these. */
  private readonly pages = new Map<number, Promise<Print>>();
  private readonly read = new Map<number, Print>();
  private readonly drawn = new Map<number, DrawnShapes>();

  constructor(
    private readonly bytes: SourceBytes,
    private readonly password?: string,
  ) {}

  /** The print of a page (from 0). @throws PrintError when it cannot be read */
  page(index: number): Promise<Print> {
    const known = this.pages.get(index);
    const print = known ?? this.ask(index);
    this.pages.delete(index);
    this.pages.set(index, print);
    for (const old of this.pages.keys()) {
      if (this.pages.size <= KEPT) break;
      this.pages.delete(old);
      this.read.delete(old);
    }
    return print;
  }

  /** A page (from 0) as it is told to those who do not see it: as its file's tags say, else as it is printed. @throws PrintError when it cannot be read */
  async told(index: number): Promise<readonly Told[]> {
    const print = await this.page(index);
    if (!this.isTagged) return paragraphsOf(print);
    const answer = await this.send({ is: 'told', page: index });
    if (!answer.ok) throw new PrintError(answer.message);
    if (!('told' in answer)) throw new PrintError('The page’s text did not come.');
    return answer.told;
  }

  /** The rules and dots that a page (from 0) draws. @throws PrintError when it cannot be read */
  async shapes(index: number): Promise<DrawnShapes> {
    const known = this.drawn.get(index);
    if (known) return known;
    await this.opened();
    const answer = await this.send({ is: 'shapes', page: index });
    if (!answer.ok) throw new PrintError(answer.message);
    if (!('shapes' in answer)) throw new PrintError('What the page draws did not come.');
    this.drawn.set(index, answer.shapes);
    for (const old of this.drawn.keys()) {
      if (this.drawn.size <= KEPT) break;
      this.drawn.delete(old);
    }
    return answer.shapes;
  }

  /** The same if they have been read already. */
  knownShapes(index: number): DrawnShapes | null {
    return this.drawn.get(index) ?? null;
  }

  /** The print of a page if it has been read already. */
  known(index: number): Print | null {
    return this.read.get(index) ?? null;
  }

  /**
   * Looks for a term in the whole document, telling as it goes on; a search before is ended.
   * @throws PrintError when the document cannot be read
   */
  async search(ask: Omit<SearchAsk, 'is'>, tell: (news: SearchNews) => void): Promise<void> {
    await this.opened();
    const answer = await this.send({ is: 'search', ...ask }, [], (news) => {
      if ('read' in news) tell(news);
    });
    if (!answer.ok) throw new PrintError(answer.message);
    if ('read' in answer) tell(answer);
  }

  /**
   * The headings of the document, from all of its pages; `tell` hears how many have been read.
   * @throws PrintError when the document cannot be read
   */
  async headings(tell: (news: SearchNews) => void): Promise<readonly PlacedHeading[]> {
    await this.opened();
    const answer = await this.send({ is: 'headings' }, [], (news) => {
      if ('read' in news) tell(news);
    });
    if (!answer.ok) throw new PrintError(answer.message);
    return 'headings' in answer ? answer.headings : [];
  }

  /**
   * What stands on the pages of the document, counted; `tell` hears how many have been read.
   * @throws PrintError when the document cannot be read
   */
  async pageCounts(tell: (news: SearchNews) => void): Promise<PageCounts> {
    await this.opened();
    const answer = await this.send({ is: 'counts' }, [], (news) => {
      if ('read' in news) tell(news);
    });
    if (!answer.ok) throw new PrintError(answer.message);
    if (!('counts' in answer)) throw new PrintError('What stands on the pages did not come.');
    return answer.counts;
  }

  close(): void {
    this.closed = true;
    this.end(CLOSED);
    this.pages.clear();
    this.read.clear();
    this.drawn.clear();
  }

  private async ask(page: number): Promise<Print> {
    try {
      await this.opened();
      const answer = await this.send({ is: 'page', page });
      if (!answer.ok) throw new PrintError(answer.message);
      if (!('print' in answer)) throw new PrintError('The page’s print did not come.');
      if (this.pages.has(page)) this.read.set(page, answer.print);
      return answer.print;
    } catch (e) {
      // Asked for again it is tried again.
      this.pages.delete(page);
      throw e;
    }
  }

  private opened(): Promise<void> {
    return (this.opening ??= this.open().catch((e: unknown) => {
      this.end(BROKE_OFF);
      throw e;
    }));
  }

  private async open(): Promise<void> {
    const bytes = await this.bytes();
    if (!bytes)
      throw new PrintError('The document’s bytes are no longer in the browser’s storage.');
    if (this.closed) throw new PrintError(CLOSED);
    const worker = createPrintWorker();
    worker.onmessage = ({ data }: MessageEvent<PrintReply>) => {
      this.waiting.get(data.id)?.(data.answer);
    };
    worker.onerror = (e) => {
      e.preventDefault();
      this.end(BROKE_OFF);
    };
    this.worker = worker;
    const { password } = this;
    const answer = await this.send({ is: 'open', bytes, ...(password ? { password } : {}) }, [
      bytes.buffer as ArrayBuffer,
    ]);
    if (!answer.ok) throw new PrintError(answer.message);
    this.isTagged = 'isTagged' in answer && answer.isTagged;
  }

  /** Asks the worker; `meanwhile` hears what it answers before its last answer. */
  private send(
    ask: PrintRequest['ask'],
    transfer: Transferable[] = [],
    meanwhile: (answer: PrintReply['answer']) => void = () => undefined,
  ): Promise<PrintReply['answer']> {
    const id = ++this.count;
    return new Promise((resolve) => {
      if (!this.worker) return resolve({ ok: false, message: this.closed ? CLOSED : BROKE_OFF });
      const endIfSilent = () => setTimeout(() => this.end(BROKE_OFF), SILENCE);
      let silent = endIfSilent();
      this.waiting.set(id, (answer) => {
        clearTimeout(silent);
        const goesOn = answer.ok && 'read' in answer && !answer.done;
        if (goesOn) {
          silent = endIfSilent();
          return meanwhile(answer);
        }
        this.waiting.delete(id);
        resolve(answer);
      });
      this.worker.postMessage({ id, ask } satisfies PrintRequest, transfer);
    });
  }

  /** Ends the worker; who waits is told. What is asked next starts another. */
  private end(message: string): void {
    this.worker?.terminate();
    this.worker = this.opening = null;
    for (const answer of this.waiting.values()) answer({ ok: false, message });
    this.waiting.clear();
  }
}
