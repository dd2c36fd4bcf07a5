import { PDFDict, PDFHexString, PDFName, type PDFDocument, PDFString } from '@cantoo/pdf-lib';

/** Of what a marked copy was made, and when. */
export interface CopyOf {
  readonly title: string;
  /** ms since 1970 */
  readonly madeAt: number;
}

/** Entries of our own in the information dictionary, which may hold any (ISO 32000-1 14.3.3). */
const TITLE = PDFName.of('MarginalisCopyOf');
const MADE = PDFName.of('MarginalisCopyMade');
const LONGEST = 300;

function infoOf(doc: PDFDocument): PDFDict | null {
  const info = doc.context.lookup(doc.context.trailerInfo.Info);
  return info instanceof PDFDict ? info : null;
}

/** Writes into a copy what it is a copy of. */
export function noteCopyOf(doc: PDFDocument, { title, madeAt }: CopyOf): void {
  const { context } = doc;
  let info = infoOf(doc);
  if (!info) {
    info = context.obj({});
    context.trailerInfo.Info = context.register(info);
  }
  info.set(TITLE, PDFHexString.fromText(title.slice(0, LONGEST)));
  info.set(MADE, PDFString.fromDate(new Date(madeAt)));
}

/** What a document says it is a marked copy of; null where it says nothing that can be understood. */
export function copyOfIn(doc: PDFDocument): CopyOf | null {
  const info = infoOf(doc);
  const [title, made] = [info?.lookup(TITLE), info?.lookup(MADE)];
  const isText = (value: unknown): value is PDFString | PDFHexString =>
    value instanceof PDFString || value instanceof PDFHexString;
  if (!isText(title) || !isText(made)) return null;
  try {
    const madeAt = made.decodeDate().getTime();
    const words = title.decodeText().trim().slice(0, LONGEST);
    return words !== '' && Number.isFinite(madeAt) ? { title: words, madeAt } : null;
  } catch {
    // Somebody else's entry, or a damaged one: no reason to refuse the document.
    return null;
  }
}
