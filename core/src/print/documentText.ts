import type { Vec } from '../geometry/index.ts';
import { findInPrint, type FindOptions, makeReady } from './find.ts';
import { type HeadingsOn, headingsOf, headingsOn, type PlacedHeading } from './headings.ts';
import type { PageText, Print, TextRange } from './print.ts';
import { type Quote, quoteOf } from './quote.ts';

/** So many hits of one search are listed; what is beyond them is counted. */
export const MOST_HITS = 5_000;

/** A place where a term is printed, and what a list shows of it. */
export interface PrintedHit extends TextRange {
  readonly quote: Quote;
  /** The middle of the line it begins on, in user space. */
  readonly at: Vec;
}

/** What a search found on one page. */
export interface FoundOn {
  /** From 0. */
  readonly page: number;
  readonly hits: readonly PrintedHit[];
  /** Hits that are counted only. */
  readonly more: number;
  /** Nothing can be read on the page: it is empty, or a picture of print. */
  readonly wordless: boolean;
}

/** What is kept of a page: a book has hundreds of thousands of lines. */
interface KeptText extends PageText {
  /** Where its lines end, and their middles in user space: x and y in turn. */
  readonly ends: Uint32Array;
  readonly middles: Float32Array;
  readonly headings: HeadingsOn;
}

const NONE: HeadingsOn = { may: [], sizes: new Map() };

/** The text of a whole document, read page by page as it is asked for, and kept without the places of its characters. */
export class DocumentText {
  private readonly texts = new Map<number, KeptText>();

  constructor(
    readonly pageCount: number,
    private readonly read: (page: number) => Print,
  ) {}

  /** The text of a page, from 0. */
  page(index: number): PageText {
    return this.kept(index);
  }

  private kept(index: number): KeptText {
    return this.texts.get(index) ?? this.keep(index, this.read(index));
  }

  /** Keeps what has been read of a page in any case. */
  keep(index: number, print: Print): KeptText {
    const { text, breaks, lines } = print;
    const ends = new Uint32Array(lines.length);
    const middles = new Float32Array(2 * lines.length);
    lines.forEach(({ box, to }, k) => {
      ends[k] = to;
      middles[2 * k] = (box.minX + box.maxX) / 2;
      middles[2 * k + 1] = (box.minY + box.maxY) / 2;
    });
    const kept = { text, breaks, ends, middles, headings: headingsOn(print) };
    makeReady(kept);
    this.texts.set(index, kept);
    return kept;
  }

  /** Looks for a term, one page a step: from page `first` to the last, then from the beginning. */
  *search(term: string, how: FindOptions = {}, first = 0): Generator<FoundOn> {
    let room = MOST_HITS;
    for (let k = 0; k < this.pageCount; k++) {
      const page = (first + k) % this.pageCount;
      const text = this.kept(page);
      const ranges = findInPrint(text, term, how);
      const hits = ranges.slice(0, room).map((range) => hitAt(text, range));
      room -= hits.length;
      yield { page, hits, more: ranges.length - hits.length, wordless: text.text === '' };
    }
  }

  /** The headings of the document, once every page has been asked for; those of pages that have not are not among them. */
  headings(): PlacedHeading[] {
    return headingsOf(
      Array.from({ length: this.pageCount }, (_, k) => this.texts.get(k)?.headings ?? NONE),
    );
  }
}

function hitAt(text: KeptText, range: TextRange): PrintedHit {
  const line = text.ends.findIndex((to) => to > range.from);
  const at = { x: text.middles[2 * line], y: text.middles[2 * line + 1] };
  return { ...range, quote: quoteOf(text, range), at };
}
