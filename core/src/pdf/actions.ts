import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  PDFString,
} from '@cantoo/pdf-lib';

/** Actions that only move the reader inside the document (ISO 32000-1 §12.6.4). */
const INSIDE = new Set(['GoTo', 'Named']);
/** Addresses a link may lead to; anything else could run or read something. */
const ADDRESS = /^(https?:\/\/|mailto:)/i;
const SCHEME = /^[a-z][a-z0-9+.-]*:/i;
const WEB_HOST = /^www\.[^\s/]/i;
const MAIL = /^[^\s@/:?]+@[^\s@/:?]+\.[^\s@/:?]+(\?\S*)?$/;
/** Actions that must not stay, as a person would call what they lead to. */
const LEADS_TO: Readonly<Record<string, string>> = {
  JavaScript: 'a script',
  Launch: 'a program',
  GoToR: 'another file',
  GoToE: 'an attached file',
  SubmitForm: 'a form that is sent',
  ImportData: 'a file that is read in',
};
/** Longer addresses are cut where they are named. */
const NAMED_UP_TO = 60;

/**
 * A web or mail address as a link may have it: those that lack their scheme get it. Null for what leads anywhere
 * else. `base` is the document's own for addresses that are relative.
 */
export function safeAddress(written: string, base = ''): string | null {
  const address = written.trim();
  if (ADDRESS.test(address)) return address;
  if (WEB_HOST.test(address)) return `https://${address}`;
  if (MAIL.test(address)) return `mailto:${address}`;
  return address && ADDRESS.test(base) && !SCHEME.test(address) ? address : null;
}

const text = (value: unknown): string | null =>
  value instanceof PDFString || value instanceof PDFHexString ? value.decodeText() : null;

const kindOf = (action: PDFDict): string => {
  const kind = action.lookup(PDFName.of('S'));
  return kind instanceof PDFName ? kind.decodeText() : '';
};

/** What an action's relative addresses stand on (ISO 32000-1 §12.6.4.7). */
export function baseAddress(doc: PDFDocument): string {
  const uri = doc.catalog.lookup(PDFName.of('URI'));
  return (uri instanceof PDFDict && text(uri.lookup(PDFName.of('Base')))) || '';
}

/**
 * Makes an action fit for a copy that goes to others: no scripts, programs or other files, nothing that follows it.
 * Null when it may stay; otherwise what it would have led to, in words.
 */
export function mendAction(action: unknown, base = ''): string | null {
  if (!(action instanceof PDFDict)) return 'something unknown';
  action.delete(PDFName.of('Next'));
  const kind = kindOf(action);
  if (INSIDE.has(kind)) return null;
  if (kind !== 'URI') return LEADS_TO[kind] ?? (kind ? `“${kind}”` : 'something unknown');
  const written = text(action.lookup(PDFName.of('URI')));
  if (written === null) return 'an address that cannot be read';
  const address = safeAddress(written, base);
  if (address === null) {
    const shown = written.trim() || 'an empty address';
    return shown.length > NAMED_UP_TO ? `${shown.slice(0, NAMED_UP_TO)}…` : shown;
  }
  if (address !== written) action.set(PDFName.of('URI'), PDFString.of(escaped(address)));
  return null;
}

const escaped = (address: string): string => address.replace(/[\\()]/g, '\\$&');

/** Where a link or an outline item leads, after {@link disarm}. */
export interface Disarmed {
  readonly leads: boolean;
  /** What it would have led to, in words; null when nothing was taken away. */
  readonly lost: string | null;
}

/** Takes what must not stay off a link or an outline item. */
export function disarm(item: PDFDict, base = ''): Disarmed {
  item.delete(PDFName.of('AA'));
  item.delete(PDFName.of('PA'));
  const action = item.lookup(PDFName.of('A'));
  const lost = action === undefined ? null : mendAction(action, base);
  if (lost !== null) item.delete(PDFName.of('A'));
  return { leads: item.has(PDFName.of('A')) || item.has(PDFName.of('Dest')), lost };
}

/** Whether what a document opens with may stay: a place, or a harmless action. */
export const mayOpen = (open: unknown): boolean =>
  open instanceof PDFArray || (open instanceof PDFDict && mendAction(open) === null);
