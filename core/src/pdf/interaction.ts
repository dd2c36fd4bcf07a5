import { PDFDict, type PDFDocument, PDFName } from '@cantoo/pdf-lib';
import { disarm, isHarmlessAction } from './actions.ts';

/** Every item of an outline, its children and what follows it; damaged ones may run in circles. */
function disarmOutline(root: unknown): void {
  const seen = new Set<unknown>();
  const waiting = [root];
  for (let item = waiting.pop(); item !== undefined || waiting.length > 0; item = waiting.pop()) {
    if (!(item instanceof PDFDict) || seen.has(item)) continue;
    seen.add(item);
    disarm(item);
    waiting.push(item.lookup(PDFName.of('Next')), item.lookup(PDFName.of('First')));
  }
}

/** What acts by itself has no place in a copy to hand in: scripts, open and page actions, the form. */
export function removeInteraction(doc: PDFDocument): void {
  const { catalog } = doc;
  for (const key of ['AcroForm', 'AA', 'Perms', 'DSS', 'NeedsRendering'])
    catalog.delete(PDFName.of(key));
  const open = catalog.lookup(PDFName.of('OpenAction'));
  if (open instanceof PDFDict && !isHarmlessAction(open)) catalog.delete(PDFName.of('OpenAction'));
  disarmOutline(catalog.lookup(PDFName.of('Outlines')));
  const names = catalog.lookup(PDFName.of('Names'));
  if (names instanceof PDFDict) names.delete(PDFName.of('JavaScript'));
  for (const page of doc.getPages()) page.node.delete(PDFName.of('AA'));
}
