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
import { array, number, object, string, ValidationError } from 'yup';
import type { CameAnnotation } from '../../annotations/index.ts';
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
  /** Annotations that stood on its pages before. */
  readonly came: readonly CameAnnotation[];
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
  { source, came }: Omit<OwnParts, 'parts'>,
  madeAt: number,
  deflate?: Deflate,
): Promise<void> {
  const { context, catalog } = doc;
  const records = partsOfDocument(document).map(({ part, value }) => ({
    part,
    record: toPartRecord(part, value),
  }));
  const streamOf = async (value: unknown): Promise<PDFRef> => {
    const bytes = ascii(value);
    return deflate
      ? context.register(context.stream(await deflate(bytes), { Filter: 'FlateDecode' }))
      : context.register(context.flateStream(bytes));
  };
  const held = await streamOf(records);
  const before = came.map(({ name, page, subtype, rect }) => ({ name, page, subtype, rect }));
  const own = context.obj({
    LastModified: PDFString.fromDate(new Date(madeAt)),
    Private: {
      Format: FORMAT,
      Parts: held,
      ...(source === null ? {} : { Source: source }),
      ...(came.length > 0 ? { Came: await streamOf(before) } : {}),
    },
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
  const before = kept.lookup(PDFName.of('Came'));
  try {
    return {
      parts: partsIn(jsonIn(held)),
      source: source instanceof PDFNumber ? source.asNumber() : null,
      came: before instanceof PDFRawStream ? cameIn(jsonIn(before)) : [],
    };
  } catch (e) {
    // Somebody else has written there, or it is damaged: the file is then one of others.
    if (
      e instanceof PartRecordError ||
      e instanceof ValidationError ||
      e instanceof SyntaxError ||
      e instanceof RangeError
    )
      return null;
    throw e;
  }
}

function jsonIn(stream: PDFRawStream): unknown {
  const bytes = decodePDFRawStream(stream).decode();
  if (bytes.length > LONGEST) throw new RangeError('So much has not been written here.');
  const chunks: string[] = [];
  for (let k = 0; k < bytes.length; k += 8192)
    chunks.push(String.fromCharCode(...bytes.subarray(k, k + 8192)));
  return JSON.parse(chunks.join(''));
}

const side = number().strict().required();
const cameShape = array(
  object({
    name: string().strict().defined(),
    page: number().strict().integer().min(0).required(),
    subtype: string().strict().defined(),
    rect: object({ minX: side, minY: side, maxX: side, maxY: side }).nullable().defined(),
  }).required(),
).required();

const cameIn = (value: unknown): CameAnnotation[] => cameShape.validateSync(value);

function partsIn(records: unknown): NamedPart[] {
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
