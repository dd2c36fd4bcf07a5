import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  PDFRawStream,
  PDFStream,
  PDFString,
} from '@cantoo/pdf-lib';
import { type Forgets, forgetting } from '../../derived/index.ts';
import { utf8 } from '../../marks/index.ts';
import { latin1 } from '../content/operations.ts';
import { streamBytes } from '../content/pageContent.ts';

const name = (text: string): PDFName => PDFName.of(text);
/** Entries whose strings are no words. */
const NO_WORDS = new Set([
  ...['ID', 'CreationDate', 'ModDate', 'M', 'Registry', 'Ordering', 'CharSet', 'FontFamily'],
  ...['Lang', 'DA', 'Cert', 'ByteRange', 'O', 'U', 'OE', 'UE', 'Perms', 'CheckSum'],
]);

/**
 * Takes out of everything beside the pages what their bars hide: titles, bookmarks, names, metadata; and the files that are attached, which are not looked through.
 * @returns how many files were attached
 */
export function redactBeside(doc: PDFDocument, phrases: readonly string[]): number {
  const attachments = dropAttachments(doc);
  const forgets = forgetting(phrases);
  if (forgets) {
    for (const [, object] of doc.context.enumerateIndirectObjects()) {
      if (object instanceof PDFDict) forgetIn(object, forgets, 0);
      else if (object instanceof PDFArray) forgetInArray(object, forgets, 0);
      else if (object instanceof PDFStream) forgetIn(object.dict, forgets, 0);
    }
    const info = doc.context.lookup(doc.context.trailerInfo.Info);
    if (info instanceof PDFDict) forgetIn(info, forgets, 0);
    forgetMetadata(doc, phrases);
  }
  return attachments;
}

/** Dictionaries within each other: more is made to run in circles. */
const DEEPEST = 60;

function forgetIn(dict: PDFDict, forgets: Forgets, depth: number): void {
  if (depth > DEEPEST) return;
  for (const [key, value] of dict.entries()) {
    if (NO_WORDS.has(key.decodeText())) continue;
    const other = withoutPhrases(value, forgets, depth);
    if (other) dict.set(key, other);
  }
}

function forgetInArray(array: PDFArray, forgets: Forgets, depth: number): void {
  if (depth > DEEPEST) return;
  array.asArray().forEach((value, k) => {
    const other = withoutPhrases(value, forgets, depth);
    if (other) array.set(k, other);
  });
}

function withoutPhrases(value: unknown, forgets: Forgets, depth: number): PDFHexString | null {
  if (value instanceof PDFDict) forgetIn(value, forgets, depth + 1);
  else if (value instanceof PDFArray) forgetInArray(value, forgets, depth + 1);
  else if (value instanceof PDFString || value instanceof PDFHexString) {
    const left = forgets(value.decodeText());
    if (left !== null) return PDFHexString.fromText(left);
  }
  return null;
}

/** XMP (ISO 16684-1) is a text in UTF-8: phrases in it are written otherwise, it stays whole. */
function forgetMetadata(doc: PDFDocument, phrases: readonly string[]): void {
  const written = phrases.map((one) => latin1(utf8(inXml(one))));
  const forgets = forgetting([...written, ...phrases], '...');
  if (!forgets) return;
  for (const [ref, object] of doc.context.enumerateIndirectObjects()) {
    if (!(object instanceof PDFRawStream)) continue;
    if (object.dict.lookup(name('Type')) !== name('Metadata')) continue;
    const bytes = streamBytes(object);
    if (!bytes) {
      doc.context.delete(ref);
      continue;
    }
    const left = forgets(latin1(bytes));
    if (left === null) continue;
    const other = doc.context.stream(Uint8Array.from(left, (c) => c.charCodeAt(0)));
    for (const [key, value] of object.dict.entries())
      if (!['Length', 'Filter', 'DecodeParms'].includes(key.decodeText()))
        other.dict.set(key, value);
    doc.context.assign(ref, other);
  }
}

const inXml = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

/** Files by name, those that belong to something, and those that are pinned to a page. */
function dropAttachments(doc: PDFDocument): number {
  let count = 0;
  const { catalog, context } = doc;
  for (const [, object] of context.enumerateIndirectObjects())
    if (object instanceof PDFDict && object.has(name('EF'))) {
      object.delete(name('EF'));
      count++;
    }
  const names = catalog.lookup(name('Names'));
  if (names instanceof PDFDict) names.delete(name('EmbeddedFiles'));
  catalog.delete(name('AF'));
  for (const { node } of doc.getPages()) node.delete(name('AF'));
  return count;
}
