import { PDFName, PDFNumber, type PDFObject, PDFRawStream } from '@cantoo/pdf-lib';
import type { Deflate } from '../sink/formWriter.ts';
import { predicted } from './predicted.ts';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** What is said of the data as it was, or of pictures that stand for it. */
const OF_THE_DATA = ['DecodeParms', 'Decode', 'Length', 'DL', 'Alternates', 'SMaskInData'];

/** A picture with other data, 8 bits a number. */
export function remade(
  { dict }: PDFRawStream,
  data: Uint8Array,
  { width, height }: Size,
  /** Null for a stencil, which has no colours. */
  space: PDFObject | null,
  filter: 'FlateDecode' | 'DCTDecode',
): PDFRawStream {
  const own = dict.clone();
  for (const name of OF_THE_DATA) own.delete(PDFName.of(name));
  own.set(PDFName.of('Width'), PDFNumber.of(width));
  own.set(PDFName.of('Height'), PDFNumber.of(height));
  own.set(PDFName.of('BitsPerComponent'), PDFNumber.of(8));
  if (space) own.set(PDFName.of('ColorSpace'), space);
  own.set(PDFName.of('Filter'), PDFName.of(filter));
  return PDFRawStream.of(own, data);
}

/** A picture with other numbers, a byte each, packed without loss. */
export async function packedExactly(
  picture: PDFRawStream,
  samples: Uint8Array,
  size: Size,
  { components, space }: { readonly components: 1 | 3; readonly space: PDFObject },
  deflate: Deflate,
): Promise<PDFRawStream> {
  const data = await deflate(predicted(samples, size.width, components));
  const packed = remade(picture, data, size, space, 'FlateDecode');
  const parms = { Predictor: 15, Colors: components, BitsPerComponent: 8, Columns: size.width };
  packed.dict.set(PDFName.of('DecodeParms'), packed.dict.context.obj(parms));
  return packed;
}
