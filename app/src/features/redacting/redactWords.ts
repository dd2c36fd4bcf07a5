import { findInPrint, quadsOf, textOf } from '@marginalis/core/print';
import type { ChosenPart, DocumentSession } from '@/session';
import { countInWords } from './inWords';
import { type BarsOn, layBars } from './layBars';

/** Lays bars over words that are selected. */
export async function redactWords(
  session: DocumentSession,
  parts: readonly ChosenPart[],
): Promise<void> {
  const { pages } = session.store.getState().document;
  const bars = parts.flatMap(({ page: id, print, range }): BarsOn[] => {
    const page = pages.find((one) => one.id === id);
    return page ? [{ page, pieces: [quadsOf(print, range)] }] : [];
  });
  const trouble = await layBars(session, bars);
  if (trouble !== null) session.notices.tell(trouble);
}

/** Lays bars over every place of the document where these words stand, and says over how many. */
export async function redactEverywhere(
  session: DocumentSession,
  { print: own, range }: ChosenPart,
): Promise<void> {
  const term = textOf(own, range);
  const bars: BarsOn[] = [];
  let places = 0;
  for (const page of session.store.getState().document.pages) {
    if ('paper' in page.shows) continue;
    const print = await session.print.of(page);
    const found = findInPrint(print, term, { wholeWords: true });
    places += found.length;
    if (found.length > 0) bars.push({ page, pieces: found.map((one) => quadsOf(print, one)) });
  }
  const trouble = await layBars(session, bars);
  if (trouble !== null) return session.notices.tell(trouble);
  session.notices.offerUndo({ text: countInWords(places, bars.length), undo: session.undo });
}
