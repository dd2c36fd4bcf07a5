import {
  decodePDFRawStream,
  PDFDict,
  type PDFDocument,
  PDFName,
  PDFNumber,
  PDFRawStream,
  type PDFRef,
  PDFString,
} from '@cantoo/pdf-lib';
import {
  type DocState,
  fromPartRecord,
  isPartName,
  type NamedPart,
  PartRecordError,
  partsOfDocument,
  toPartRecord,
} from '../../document/index.ts';
import type { Deflate } from '../sink/formWriter.ts';

/** Data of a program's own in a file (ISO 32000-1 §14.5). */
const PIECES = PDFName.of('PieceInfo');
const OWN = PDFName.of('Marginalis');
const FORMAT = 1;
/** Characters of it that are read; more has been made to harm. */
const LONGEST = 400_000_000;

/** What a living copy keeps for ourselves: every part of the document as it is stored. */
export interface OwnParts {
  readonly parts: readonly NamedPart[];
  /** So many bytes at the head of the file are its source, which was only added to; null where it was written anew. */
  readonly source: number | null;
}

/** As ASCII, whatever it says. */
const ascii = (value: unknown): Uint8Array => {
  const text = JSON.stringify(value).replace(
    /[\u007f-\uffff]/g,
    (c) => `\\u${c.charCodeAt(0).toString(16).padStart(4, '0')}`,
  );
  return Uint8Array.from(text, (c) => c.charCodeAt(0));
};

/** Writes the parts of a document into a copy of it. */
export async function keepOwnParts(
  doc: PDFDocument,
  document: DocState,
  source: number | null,
  madeAt: number,
  deflate?: Deflate,
): Promise<void> {
  const { context, catalog } = doc;
  const records = partsOfDocument(document).map(({ part, value }) => ({
    part,
    record: toPartRecord(part, value),
  }));
  const bytes = ascii(records);
  const held: PDFRef = deflate
    ? context.register(context.stream(await deflate(bytes), { Filter: 'FlateDecode' }))
    : context.register(context.flateStream(bytes));
  const own = context.obj({
    LastModified: PDFString.fromDate(new Date(madeAt)),
    Private: { Format: FORMAT, Parts: held, ...(source === null ? {} : { Source: source }) },
  });
  const pieces = catalog.lookup(PIECES);
  if (pieces instanceof PDFDict) pieces.set(OWN, own);
  else catalog.set(PIECES, context.obj({ Marginalis: own }));
}

/** What a file keeps for ourselves as it stands there; null where it keeps nothing of a form that is known. */
function privateIn({ catalog }: PDFDocument): PDFDict | null {
  const pieces = catalog.lookup(PIECES);
  const own = pieces instanceof PDFDict ? pieces.lookup(OWN) : null;
  const kept = own instanceof PDFDict ? own.lookup(PDFName.of('Private')) : null;
  if (!(kept instanceof PDFDict)) return null;
  const format = kept.lookup(PDFName.of('Format'));
  return format instanceof PDFNumber && format.asNumber() === FORMAT ? kept : null;
}

/** Whether a file keeps something for ourselves; it is not read. */
export const hasOwnParts = (doc: PDFDocument): boolean => privateIn(doc) !== null;

/** What a file keeps for ourselves; null where it keeps nothing that can be read whole. */
export function ownPartsIn(doc: PDFDocument): OwnParts | null {
  const kept = privateIn(doc);
  const held = kept?.lookup(PDFName.of('Parts'));
  if (!kept || !(held instanceof PDFRawStream)) return null;
  const source = kept.lookup(PDFName.of('Source'));
  try {
    const bytes = decodePDFRawStream(held).decode();
    if (bytes.length > LONGEST) return null;
    const parts = partsIn(bytes);
    return { parts, source: source instanceof PDFNumber ? source.asNumber() : null };
  } catch (e) {
    // Somebody else has written there, or it is damaged: the file is then one of others.
    if (e instanceof PartRecordError || e instanceof SyntaxError || e instanceof RangeError)
      return null;
    throw e;
  }
}

function partsIn(bytes: Uint8Array): NamedPart[] {
  const chunks: string[] = [];
  for (let k = 0; k < bytes.length; k += 8192)
    chunks.push(String.fromCharCode(...bytes.subarray(k, k + 8192)));
  const records: unknown = JSON.parse(chunks.join(''));
  if (!Array.isArray(records)) throw new SyntaxError('Parts are a list.');
  return records.map((one: unknown) => {
    const { part, record } = Object(one) as { part?: unknown; record?: unknown };
    if (!isPartName(part)) throw new PartRecordError('There is no such part.');
    return { part, value: fromPartRecord(part, record) } as NamedPart;
  });
}

/** Takes what is kept for ourselves out of a file. */
export function removeOwnParts({ catalog }: PDFDocument): void {
  const pieces = catalog.lookup(PIECES);
  if (!(pieces instanceof PDFDict)) return;
  pieces.delete(OWN);
  if (pieces.keys().length === 0) catalog.delete(PIECES);
}
