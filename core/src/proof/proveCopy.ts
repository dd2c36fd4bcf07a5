import { type CopyNote, type NotesAt, notesInCopy } from '../copy/index.ts';
import { withoutCut } from '../derived/index.ts';
import { type DocState, marksOn, type Page } from '../document/index.ts';
import type { Box } from '../geometry/index.ts';
import { ownLinksOn } from '../links/index.ts';
import { type PageProof, type ProofTools, type ProvedPage, provePage } from './provePage.ts';
import { wantedPage } from './wantedPage.ts';

/** A box on a page, from 0, in its user space. */
export interface PlaceOnPage {
  readonly page: number;
  readonly box: Box;
}

/** What a copy is to be. */
export interface CopyToProve {
  readonly document: DocState;
  readonly notes: readonly CopyNote[];
  readonly notesAt: NotesAt;
  /** Pages, from 0, that annotations of the source were drawn into. */
  readonly annotated: readonly number[];
  /** Its marks are annotations; those of the source stay. */
  readonly living?: boolean;
  /** Where pictures are that were made smaller. */
  readonly smaller?: readonly PlaceOnPage[];
  /** Whether it opens with its password only; null where everybody is to open it. */
  readonly locked?: boolean | null;
  /** What pages are cut down from is to be gone. */
  readonly withoutCut?: boolean;
}

/** How a finished copy stands against what the screen shows. */
export interface Proof {
  /** Everything is as it is to be. */
  readonly alike: boolean;
  /** Pages that the copy is to have, and those that it has. */
  readonly pageCount: { readonly wanted: number; readonly found: number };
  /** Whether it opens with its password only; null where everybody is to open it. */
  readonly locked: boolean | null;
  /** Of every page that was changed, in order. */
  readonly pages: readonly PageProof[];
}

/** Pages of which pictures are kept where they are not alike. */
const SHOWN = 3;

/**
 * Compares every page of a copy that is not as its source has it with what the screen shows: read afresh from its bytes by
 * another program than wrote or drew them.
 * @returns the proof, and pictures of the first pages that are not alike
 */
export async function proveCopy(
  asked: CopyToProve,
  tools: ProofTools,
  onProgress: (done: number, all: number) => void = () => undefined,
): Promise<{ readonly proof: Proof; readonly wrong: readonly ProvedPage[] }> {
  const { locked = null, withoutCut: isCut = false } = asked;
  const document = isCut ? withoutCut(asked.document) : asked.document;
  const notes = await notesInCopy(asked.notes, asked.notesAt, document.pages, tools.fonts);
  const count = document.pages.length + notes.last.pages.length;
  const changed = changedPages({ ...asked, document }, count);
  const boxes = byPage(asked.smaller ?? []);
  const pages: PageProof[] = [];
  const wrong: ProvedPage[] = [];
  for (const index of changed) {
    const wanted = wantedPage(document, notes, index, boxes.get(index), isCut);
    const proved = await provePage(wanted, tools, asked.living);
    pages.push(proved.proof);
    if (!proved.proof.alike && wrong.length < SHOWN) wrong.push(proved);
    onProgress(pages.length, changed.length);
  }
  const pageCount = { wanted: count, found: tools.copy.pageCount };
  const alike =
    locked !== false && pageCount.wanted === pageCount.found && pages.every((page) => page.alike);
  return { proof: { alike, pageCount, locked, pages }, wrong };
}

function byPage(places: readonly PlaceOnPage[]): Map<number, Box[]> {
  const boxes = new Map<number, Box[]>();
  for (const { page, box } of places) {
    const known = boxes.get(page);
    if (known) known.push(box);
    else boxes.set(page, [box]);
  }
  return boxes;
}

/** Pages that have come from another file than most, and those before which another stands than in their file. */
function arrangedPages(pages: readonly Page[]): ReadonlySet<number> {
  const counts = new Map<string, number>();
  for (const { shows } of pages)
    if ('source' in shows) counts.set(shows.source, (counts.get(shows.source) ?? 0) + 1);
  const [own] = [...counts].sort(([, a], [, b]) => b - a).map(([source]) => source);
  const arranged = new Set<number>();
  pages.forEach(({ shows }, index) => {
    if (!('source' in shows)) return;
    const before = pages[index - 1]?.shows;
    const follows =
      before === undefined
        ? shows.index === 0
        : 'source' in before && before.source === shows.source && before.index + 1 === shows.index;
    if (shows.source !== own || !follows) arranged.add(index);
  });
  return arranged;
}

function changedPages(
  { document, notes, annotated, smaller = [] }: CopyToProve,
  count: number,
): number[] {
  const madeSmaller = new Set(smaller.map(({ page }) => page));
  const noted = new Set(notes.map(({ place }) => place?.page));
  const drawnInto = new Set(annotated);
  const arranged = arrangedPages(document.pages);
  const changed = document.pages.flatMap((page, index) =>
    marksOn(document, page.id).size > 0 ||
    ownLinksOn(document, page.id).length > 0 ||
    noted.has(index) ||
    drawnInto.has(index) ||
    madeSmaller.has(index) ||
    arranged.has(index) ||
    'paper' in page.shows ||
    page.turn !== 0 ||
    page.crop !== null
      ? [index]
      : [],
  );
  for (let index = document.pages.length; index < count; index++) changed.push(index);
  return changed;
}
