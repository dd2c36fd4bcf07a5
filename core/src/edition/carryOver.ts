import { listMarks, listRows } from '../derived/index.ts';
import type { DocState } from '../document/index.ts';
import { type Form, NO_FORM } from '../fields/index.ts';
import { type EditionPage, EditionText, type PageFate } from './editionText.ts';
import { fieldFinder } from './fieldFinder.ts';
import type { PlacedMark } from './placed.ts';
import { Placing } from './placing.ts';
import { unitsOf } from './units.ts';

/** What a document's marks are to be carried over from and to. */
export interface Editions {
  readonly document: DocState;
  /** The pages of the earlier edition as they are in its file, with the ids of the document's pages that show them. */
  readonly was: readonly (EditionPage & { readonly ids: readonly string[] })[];
  readonly is: readonly EditionPage[];
  /** What pages without words have become, by their pictures; by their numbers in the earlier edition. */
  readonly byPicture: ReadonlyMap<number, PageFate>;
  /** The form of the new one, where that has one. */
  readonly form?: Form;
}

/** Where marks belong in another edition, and what has become of its pages. */
export interface CarriedOver {
  readonly placed: readonly PlacedMark[];
  readonly fates: readonly PageFate[];
}

/** Finds for every mark on pages of an edition where it belongs in another one: at its words, or beside what stands around it. Strokes that stand together stay so. */
export function carryOver(
  { document, was, is, byPicture, form = NO_FORM }: Editions,
  text = new EditionText(was, is),
): CarriedOver {
  const fates = text.fates.map((fate, k) =>
    text.hasWords(k) && fate.to !== null ? fate : (byPicture.get(k) ?? fate),
  );
  const pageOf = new Map(was.flatMap(({ ids }, k) => ids.map((id) => [id, k] as const)));
  const findField = fieldFinder(form);
  const rows = listRows(listMarks(document));
  const placed = unitsOf(rows).flatMap((marks, unit): PlacedMark[] => {
    const from = pageOf.get(marks[0].page);
    if (from === undefined) return [];
    return new Placing(text, fates, was[from].print, from, unit, findField).place(marks);
  });
  return { placed, fates };
}
