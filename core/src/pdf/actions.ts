import { PDFDict, PDFHexString, PDFName, PDFString } from '@cantoo/pdf-lib';

/** Actions that only move the reader inside the document (ISO 32000-1 §12.6.4). */
const INSIDE = new Set(['GoTo', 'Named']);
/** Addresses a link may lead to; anything else could run or read something. */
const ADDRESS = /^(https?:\/\/|mailto:)/i;

/** Whether an action may stay in a copy that goes to others: no scripts, programs or other files. */
export function isHarmlessAction(action: unknown): boolean {
  if (!(action instanceof PDFDict)) return false;
  const kind = action.lookup(PDFName.of('S'));
  if (!(kind instanceof PDFName)) return false;
  if (INSIDE.has(kind.decodeText())) return true;
  const address = action.lookup(PDFName.of('URI'));
  return (
    kind.decodeText() === 'URI' &&
    (address instanceof PDFString || address instanceof PDFHexString) &&
    ADDRESS.test(address.decodeText().trim())
  );
}

/**
 * Takes what must not stay off a link or an outline item: a harmful action, what follows a harmless one,
 * and additional actions. True when it still leads somewhere.
 */
export function disarm(item: PDFDict): boolean {
  item.delete(PDFName.of('AA'));
  item.delete(PDFName.of('PA'));
  const action = item.lookup(PDFName.of('A'));
  if (action !== undefined && !isHarmlessAction(action)) item.delete(PDFName.of('A'));
  else if (action instanceof PDFDict) action.delete(PDFName.of('Next'));
  return item.has(PDFName.of('A')) || item.has(PDFName.of('Dest'));
}
