import type { NotesInCopy } from '../copy/index.ts';
import { inOrder, isCutDown, marksOn, type DocState, type Page } from '../document/index.ts';
import type { Drawing } from '../drawing/index.ts';
import { type Box, type PageBox, plainPage } from '../geometry/index.ts';
import { coveredOn, redactedOn } from '../derived/index.ts';
import type { Quad } from '../print/index.ts';
import { type Covered, kindFor, type Mark } from '../kinds/index.ts';
import { framesOn, linksAdded, ownLinksOn } from '../links/index.ts';
import { paperDrawing } from '../paper/index.ts';

/** What a page of a copy is to show, from the paper upwards. */
export interface WantedPage {
  /** Of the copy, from 0. */
  readonly index: number;
  readonly geometry: PageBox;
  /** The page of the document; null for pages of notes. */
  readonly page: Page | null;
  /** Rulings of our own paper. */
  readonly paper: Drawing;
  /** From the lowest to the topmost. */
  readonly marks: readonly Mark[];
  /** What is told of notes. */
  readonly notes: Drawing;
  /** Where pictures are that were made smaller, user space. */
  readonly smaller: readonly Box[];
  /** Annotations of the source whose places marks take. */
  readonly covered: readonly Covered[];
  /** Frames of one's own links, above all else, and by how many links there are more than in the source. */
  readonly frames: Drawing;
  readonly linksAdded: number;
  /** Where corrections take lines out of the print. */
  readonly takenOut: readonly Quad[];
  /** Where bars lie, beneath which there is nothing. */
  readonly bars: readonly Quad[];
  /** There is nothing beyond what is seen of it. */
  readonly isCut: boolean;
  /** Links of the source that are not to be seen, user space. */
  readonly linksAway: readonly Box[];
}

/** What pages of a copy, from 0, are to show; pages of notes follow those of the document. */
export function wantedPage(
  document: DocState,
  notes: NotesInCopy,
  index: number,
  smaller: readonly Box[] = [],
  /** What pages are cut down from is to be gone. */
  withoutCut = false,
): WantedPage {
  const page = document.pages[index];
  if (!page) {
    const { size, pages } = notes.last;
    const own = pages[index - document.pages.length];
    if (!own) throw new RangeError(`The copy has no page ${index}.`);
    const geometry = plainPage(size.width, size.height);
    return {
      ...{ index, geometry, page: null, paper: [], marks: [], notes: own, smaller },
      ...{ covered: [], frames: [], linksAdded: 0, linksAway: [], takenOut: [], bars: [] },
      isCut: false,
    };
  }
  const { signs, beside } = notes.pages[index];
  return {
    index,
    geometry: beside?.page ?? page,
    page,
    paper: 'paper' in page.shows ? paperDrawing(page.shows.paper, page.sheet) : [],
    marks: inOrder(marksOn(document, page.id)),
    notes: beside ? [...signs, ...beside.drawing] : signs,
    smaller,
    covered: [...coveredOn(marksOn(document, page.id)).values()],
    frames: framesOn(document, page),
    linksAdded: linksAdded(document, page),
    takenOut: [...marksOn(document, page.id).values()].flatMap((mark) => {
      const taken = kindFor(mark).takesOut?.(mark);
      return taken ? [taken.quad] : [];
    }),
    bars: redactedOn(marksOn(document, page.id)),
    isCut: withoutCut && isCutDown(page),
    linksAway: ownLinksOn(document, page.id).flatMap(({ instead }) => instead ?? []),
  };
}
