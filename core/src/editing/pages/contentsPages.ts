import {
  type Change,
  changeOf,
  type DocState,
  markChange,
  type OwnLink,
  type Page,
  paperPage,
  type Transaction,
} from '../../document/index.ts';
import { displaySize, type Vec } from '../../geometry/index.ts';
import type { PageId } from '../../marks/index.ts';
import { usualRuling } from '../../paper/index.ts';
import { type TextLine, textLine } from '../textLine.ts';
import { placesAfter } from './places.ts';

/** A line of a contents page. */
export interface ContentsEntry {
  readonly title: string;
  /** From 0. */
  readonly depth: number;
  readonly page: PageId;
  /** In user space; null for the page as a whole. */
  readonly at: Vec | null;
}

export interface NewContents {
  readonly heading: string;
  readonly entries: readonly ContentsEntry[];
  /** What pages in this order are called. */
  namesOf(pages: readonly Page[]): readonly string[];
  newId(): string;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  readonly author?: string;
}

/** A4, points. */
const USUAL = { width: 595.28, height: 841.89 };
/** Around the lines; as much of a small page as fits, points. */
const MARGIN = 54;
const HEADING = 20;
const SIZE = 11;
/** From line to line, and what the heading takes, points. */
const [ROW, HEAD] = [21, 44];
/** Of the column of page names, between it and the titles, and how far in the next level stands, points. */
const [NAMES, GAP, STEP] = [40, 14, 14];
/** Deeper levels stand no farther in. */
const DEEPEST = 5;

/**
 * Puts pages before all others that list places of the document: the name of its page first, then its title, each line a link. Lines that are too long are set
 * smaller. Null where there is nothing to list.
 */
export function makeContents(state: DocState, contents: NewContents): Transaction | null {
  const { entries, newId, namesOf } = contents;
  if (entries.length === 0) return null;
  const [first] = state.pages;
  const { width, height } = first ? displaySize(first) : USUAL;
  const margin = Math.min(MARGIN, width / 8);
  const most = Math.max(1, Math.floor((height - 2 * margin - HEAD) / ROW));
  const count = Math.ceil(entries.length / most);
  const { orders, moved } = placesAfter(state.pages, null, count);
  const paper = usualRuling('blank');
  const pages = orders.map((order) => paperPage(newId(), order, { width, height }, paper));
  const names = namesOf([...pages, ...state.pages]);
  const nameOf = new Map([...pages, ...state.pages].map(({ id }, k) => [id, names[k] ?? '']));
  const set = new Lines(contents, { width, height, margin });
  const changes = pages.flatMap((page, k): Change[] => [
    changeOf('page', null, page),
    ...set.heading(page.id),
    ...entries
      .slice(k * most, (k + 1) * most)
      .flatMap((entry, n) => set.line(page.id, n, entry, nameOf.get(entry.page) ?? '')),
  ]);
  return { label: 'Make a contents page', changes: [...moved, ...changes] };
}

class Lines {
  private order = 0;

  constructor(
    private readonly contents: NewContents,
    private readonly sheet: {
      readonly width: number;
      readonly height: number;
      readonly margin: number;
    },
  ) {}

  heading(page: PageId): Change[] {
    const { margin, height, width } = this.sheet;
    const at = { x: margin, y: height - margin };
    const { heading } = this.contents;
    const text = { page, at, text: heading, size: HEADING, align: 'start', bold: true } as const;
    return [this.text({ ...text, width: width - 2 * margin })];
  }

  /** @param n of the page, from 0 */
  line(
    page: PageId,
    n: number,
    { title, depth, page: to, at }: ContentsEntry,
    name: string,
  ): Change[] {
    const { width, height, margin } = this.sheet;
    const y = height - margin - HEAD - n * ROW;
    const left = margin + NAMES + GAP + STEP * Math.min(depth, DEEPEST);
    const right = width - margin;
    const line = { page, size: SIZE };
    const link: OwnLink = {
      id: this.contents.newId(),
      page,
      area: { minX: margin, minY: y - ROW + 3, maxX: right, maxY: y + 1 },
      to: { page: to, at },
      framed: false,
    };
    return [
      this.text({ ...line, at: { x: margin, y }, width: NAMES, text: name, align: 'end' }),
      this.text({
        ...{ ...line, at: { x: left, y }, width: right - left, text: title },
        ...{ align: 'start', bold: depth === 0 },
      }),
      changeOf('link', null, link),
    ];
  }

  private text(
    line: Pick<TextLine, 'page' | 'at' | 'width' | 'text' | 'size' | 'align' | 'bold'>,
  ): Change {
    const { newId, madeAt, author } = this.contents;
    const made = { id: newId(), order: (this.order += 1), madeAt, ...(author ? { author } : {}) };
    return markChange(null, textLine({ ...made, ...line }));
  }
}
