import {
  PDFArray,
  type PDFContext,
  PDFDict,
  PDFName,
  type PDFObject,
  PDFObjectParser,
  PDFRawStream,
} from '@cantoo/pdf-lib';
import { latin1 } from './operations.ts';

const name = (text: string): PDFName => PDFName.of(text);

/** What entries of inline pictures, their colours and their filters are called in short (ISO 32000-1 §8.9.7, tables 93 and 94). */
const KEYS: Readonly<Record<string, string>> = {
  ...{ BPC: 'BitsPerComponent', CS: 'ColorSpace', D: 'Decode', DP: 'DecodeParms', F: 'Filter' },
  ...{ H: 'Height', IM: 'ImageMask', I: 'Interpolate', W: 'Width' },
};
const COLOURS: Readonly<Record<string, string>> = {
  ...{ G: 'DeviceGray', RGB: 'DeviceRGB', CMYK: 'DeviceCMYK', I: 'Indexed' },
};
const FILTERS: Readonly<Record<string, string>> = {
  ...{ AHx: 'ASCIIHexDecode', A85: 'ASCII85Decode', LZW: 'LZWDecode', Fl: 'FlateDecode' },
  ...{ RL: 'RunLengthDecode', CCF: 'CCITTFaxDecode', DCT: 'DCTDecode' },
};

/**
 * A picture that stands within content as one of its own.
 * @param entries what is said of it, between BI and ID
 * @param resources where its colours may be named
 * @returns null where it is damaged
 */
export function inlinePicture(
  context: PDFContext,
  entries: Uint8Array,
  data: Uint8Array,
  resources: PDFDict | undefined,
): PDFRawStream | null {
  const said = parsed(context, entries);
  if (!said) return null;
  const dict = context.obj({ Type: 'XObject', Subtype: 'Image' });
  for (const [key, value] of said.entries()) {
    const long = KEYS[key.decodeText()] ?? key.decodeText();
    if (long === 'ColorSpace') dict.set(name(long), colours(context, value, resources));
    else dict.set(name(long), long === 'Filter' ? inLong(context, value, FILTERS) : value);
  }
  return PDFRawStream.of(dict, data.slice());
}

function parsed(context: PDFContext, entries: Uint8Array): PDFDict | null {
  try {
    const text = `<<${latin1(entries)}\n>>`;
    const bytes = Uint8Array.from(text, (c) => c.charCodeAt(0));
    const found = PDFObjectParser.forBytes(bytes, context).parseObject();
    return found instanceof PDFDict ? found : null;
  } catch {
    // The library fails on damage in many ways; all mean the same here.
    return null;
  }
}

function inLong(
  context: PDFContext,
  value: PDFObject,
  names: Readonly<Record<string, string>>,
): PDFObject {
  if (value instanceof PDFName) return name(names[value.decodeText()] ?? value.decodeText());
  if (!(value instanceof PDFArray)) return value;
  const list = context.obj([]);
  for (const one of value.asArray()) list.push(inLong(context, one, names));
  return list;
}

function colours(context: PDFContext, value: PDFObject, resources: PDFDict | undefined): PDFObject {
  const named = resources?.lookup(name('ColorSpace'));
  const own = value instanceof PDFName && named instanceof PDFDict ? named.get(value) : undefined;
  return own ?? inLong(context, value, COLOURS);
}
