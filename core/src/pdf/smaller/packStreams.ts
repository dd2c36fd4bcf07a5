import { type PDFContext, PDFName, PDFRawStream } from '@cantoo/pdf-lib';
import { streamBytes } from '../content/pageContent.ts';
import type { Deflate } from '../sink/formWriter.ts';
import { filtersOf } from './entries.ts';

/** Old ways of packing, and of writing bytes as letters: what is packed now takes less room. */
const WEAK = new Set(['LZWDecode', 'LZW', 'ASCIIHexDecode', 'AHx', 'ASCII85Decode', 'A85']);
/** Shorter streams are not worth it, bytes. */
const SHORT = 200;

/**
 * Packs streams that are not packed, or badly; pictures are no business of it, and metadata can be found without reading PDF.
 * @returns bytes that are saved
 */
export async function packStreams(context: PDFContext, deflate: Deflate): Promise<number> {
  let saved = 0;
  for (const [ref, stream] of context.enumerateIndirectObjects()) {
    if (!(stream instanceof PDFRawStream) || stream.contents.length < SHORT) continue;
    const { dict } = stream;
    if (dict.lookup(PDFName.of('Subtype')) === PDFName.of('Image')) continue;
    if (dict.lookup(PDFName.of('Type')) === PDFName.of('Metadata') || dict.has(PDFName.of('F')))
      continue;
    if (!filtersOf(dict).every((filter) => WEAK.has(filter))) continue;
    const plain = streamBytes(stream);
    const packed = plain && (await deflate(plain));
    if (!packed || packed.length >= stream.contents.length) continue;
    const own = dict.clone();
    own.delete(PDFName.of('DecodeParms'));
    own.set(PDFName.of('Filter'), PDFName.of('FlateDecode'));
    context.assign(ref, PDFRawStream.of(own, packed));
    saved += stream.contents.length - packed.length;
  }
  return saved;
}
