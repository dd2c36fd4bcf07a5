import { pdfDate } from './pdfDate.ts';

/** What the file says of itself; null where it says nothing. */
export interface FileFacts {
  readonly title: string | null;
  readonly author: string | null;
  readonly subject: string | null;
  readonly keywords: string | null;
  /** The program it was written with, and the one that made a PDF of it. */
  readonly creator: string | null;
  readonly producer: string | null;
  /** Milliseconds since 1970. */
  readonly created: number | null;
  readonly changed: number | null;
  /** Of the standard, such as "1.7". */
  readonly version: string | null;
}

/** More of one fact is not shown. */
const LONGEST = 300;
/** What would break a line or turn it round. */
const UNFIT = /[\p{Cc}\s\u202a-\u202e\u2066-\u2069]+/gu;

/** A text of a file as one line that can be shown, no longer than `longest` characters; null where there is none. */
export function plainText(value: unknown, longest = LONGEST): string | null {
  if (typeof value !== 'string') return null;
  const text = value.replace(UNFIT, ' ').trim();
  return text.length > longest ? `${text.slice(0, longest)}…` : text || null;
}

/** The facts of a document information dictionary (ISO 32000-1 §14.3.3), whose values may be anything. */
export function fileFacts(info: Readonly<Record<string, unknown>>): FileFacts {
  const date = (value: unknown): number | null =>
    typeof value === 'string' ? pdfDate(value) : null;
  const version = plainText(info.PDFFormatVersion);
  return {
    title: plainText(info.Title),
    author: plainText(info.Author),
    subject: plainText(info.Subject),
    keywords: plainText(info.Keywords),
    creator: plainText(info.Creator),
    producer: plainText(info.Producer),
    created: date(info.CreationDate),
    changed: date(info.ModDate),
    version: version && /^\d\.\d$/.test(version) ? version : null,
  };
}

/** A name under which an attached file can be saved: without a path, and nothing that a folder does not take. */
export function attachmentName(name: unknown): string {
  const last = (plainText(name) ?? '').split(/[/\\]/).pop() ?? '';
  const fit = last
    .replace(/[<>:"|?*]/g, '_')
    .replace(/^\.+/, '')
    .slice(-120)
    .trim();
  return fit || 'attachment';
}
