import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFName,
  type PDFPage,
  PDFRef,
} from '@cantoo/pdf-lib';
import { disarm, mayOpen } from './actions.ts';

/** Entries of the catalogue that act by themselves, or belong to the form or a signature. */
const OF_CATALOGUE = ['AcroForm', 'AA', 'Perms', 'DSS', 'NeedsRendering', 'Requirements'];
/** Named things that act: scripts run at opening, media with scripts of their own. */
const OF_NAMES = ['JavaScript', 'Renditions', 'AlternatePresentations'];
/** Entries of a page that act: at opening it, and while a presentation steps on. */
const OF_PAGE = ['AA', 'PresSteps'];

const drop = (dict: PDFDict, keys: readonly string[]): void => {
  for (const key of keys) dict.delete(PDFName.of(key));
};

/** Every item of an outline, its children and what follows it; damaged ones may run in circles. */
function disarmOutline(root: unknown, base: string): void {
  const seen = new Set<unknown>();
  const waiting = [root];
  for (let item = waiting.pop(); item !== undefined || waiting.length > 0; item = waiting.pop()) {
    if (!(item instanceof PDFDict) || seen.has(item)) continue;
    seen.add(item);
    disarm(item, base);
    waiting.push(item.lookup(PDFName.of('Next')), item.lookup(PDFName.of('First')));
  }
}

/** The form's fields, which the structure of a tagged document may still lead to. */
function dropFields(doc: PDFDocument): void {
  const form = doc.catalog.lookup(PDFName.of('AcroForm'));
  if (!(form instanceof PDFDict)) return;
  const seen = new Set<unknown>();
  const waiting = [form.lookup(PDFName.of('Fields'))];
  for (let list = waiting.pop(); list !== undefined || waiting.length > 0; list = waiting.pop()) {
    if (!(list instanceof PDFArray) || seen.has(list)) continue;
    seen.add(list);
    for (const entry of list.asArray()) {
      const field = doc.context.lookup(entry);
      if (!(field instanceof PDFDict) || seen.has(field) || !isField(field)) continue;
      seen.add(field);
      waiting.push(field.lookup(PDFName.of('Kids')));
      if (entry instanceof PDFRef) doc.context.delete(entry);
    }
  }
}

/** A damaged form may name anything among its fields, pages too. */
const isField = (dict: PDFDict): boolean =>
  ['FT', 'T', 'Parent', 'Kids'].some((key) => dict.has(PDFName.of(key))) &&
  (!dict.has(PDFName.of('Type')) || dict.get(PDFName.of('Type')) === PDFName.of('Annot'));

/** What acts by itself has no place in a copy to hand in: scripts, open and page actions, the form. */
export function removeInteraction(doc: PDFDocument, pages: readonly PDFPage[], base: string): void {
  const { catalog } = doc;
  dropFields(doc);
  drop(catalog, OF_CATALOGUE);
  const open = PDFName.of('OpenAction');
  if (catalog.has(open) && !mayOpen(catalog.lookup(open))) catalog.delete(open);
  disarmOutline(catalog.lookup(PDFName.of('Outlines')), base);
  const names = catalog.lookup(PDFName.of('Names'));
  if (names instanceof PDFDict) drop(names, OF_NAMES);
  for (const page of pages) drop(page.node, OF_PAGE);
}
