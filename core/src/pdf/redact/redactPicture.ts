import {
  PDFArray,
  PDFBool,
  type PDFDict,
  PDFName,
  PDFNumber,
  type PDFObject,
  PDFRawStream,
} from '@cantoo/pdf-lib';
import { PdfRefusal } from '../../document/index.ts';
import { boxOfPoints, type Convex, convexArea } from '../../geometry/index.ts';
import type { Deflate } from '../sink/formWriter.ts';
import { coloursOf } from '../smaller/colours.ts';
import { filtersOf, numberIn } from '../smaller/entries.ts';
import { onePicture } from '../smaller/onePicture.ts';
import type { Pixels, PictureTools } from '../smaller/packPicture.ts';
import { predicted } from '../smaller/predicted.ts';
import { streamBytes } from '../content/pageContent.ts';

const name = (text: string): PDFName => PDFName.of(text);

/** How pictures are read. */
export interface PictureWays {
  /** Without, or where it cannot draw one, a picture goes whole. */
  readonly draw?: PictureTools['draw'];
  readonly deflate: Deflate;
}

/** A border that is met within so much of a pixel is not crossed. */
const NEAR = 1e-6;
/** Larger pictures go whole: there may be no room to draw them. */
const MOST_PIXELS = 120e6;
/** Of the data as it was, or of pictures that stand for it. */
const OF_THE_DATA = [
  'DecodeParms',
  'Decode',
  'Length',
  'DL',
  'Alternates',
  'SMaskInData',
  'Intent',
];

/**
 * A picture whose pixels are black where they lie beneath areas, and those of its mask such that nothing is seen of their shape; all others as they were,
 * packed without loss.
 * @param areas in the picture's own square, 1 × 1, y up
 * @returns null where it cannot be read
 */
export async function redactPicture(
  picture: PDFRawStream,
  areas: readonly Convex[],
  ways: PictureWays,
): Promise<PDFRawStream | null> {
  const { dict } = picture;
  const [width, height] = [numberIn(dict, 'Width'), numberIn(dict, 'Height')];
  if (width * height === 0 || width * height > MOST_PIXELS || dict.has(name('F'))) return null;
  if (dict.lookup(name('ImageMask')) === PDFBool.True) return stencil(picture, areas, ways);
  const read = await readPixels(picture, width, height, ways);
  if (!read) return null;
  const { samples, components, space } = read;
  forEachBeneath(areas, width, height, (at) =>
    samples.fill(0, at * components, (at + 1) * components),
  );
  const data = await ways.deflate(predicted(samples, width, components));
  const own = dict.clone();
  for (const key of OF_THE_DATA) own.delete(name(key));
  own.set(name('BitsPerComponent'), PDFNumber.of(8));
  own.set(name('ColorSpace'), space);
  own.set(name('Filter'), name('FlateDecode'));
  const parms = { Predictor: 15, Colors: components, BitsPerComponent: 8, Columns: width };
  own.set(name('DecodeParms'), dict.context.obj(parms));
  for (const key of ['SMask', 'Mask']) {
    const mask = dict.lookup(name(key));
    if (!(mask instanceof PDFRawStream)) continue;
    const other = await redactPicture(mask, areas, ways);
    if (!other) return null;
    own.set(name(key), dict.context.register(other));
  }
  return PDFRawStream.of(own, data);
}

interface Read {
  readonly samples: Uint8Array;
  readonly components: 1 | 3;
  readonly space: PDFObject;
}

/** The numbers of a picture, a byte each; as it is seen where it has inks of a press, or colours by number. */
async function readPixels(
  picture: PDFRawStream,
  width: number,
  height: number,
  { draw }: PictureWays,
): Promise<Read | null> {
  const { dict } = picture;
  // A colour that is not seen is told by its numbers, which come out otherwise.
  if (dict.lookup(name('Mask')) instanceof PDFArray) return null;
  const colours = coloursOf(dict);
  const plain = plainSamples(picture, width, height, colours?.components);
  if (plain && colours)
    return { samples: plain, components: colours.components, space: colours.kept };
  if (!draw) return null;
  const seen = colours?.drawn ?? dict.get(name('ColorSpace'));
  if (!seen) return null;
  try {
    const pixels = await draw(await onePicture(picture, seen, width, height), width, height);
    if (!pixels) return null;
    const components = colours?.components ?? (isGray(pixels) ? 1 : 3);
    const device = name(components === 1 ? 'DeviceGray' : 'DeviceRGB');
    const samples = samplesOf(pixels, components);
    return { samples, components, space: colours?.kept ?? device };
  } catch (e) {
    // Too large to be drawn, or damaged beyond that: it goes whole.
    if (e instanceof RangeError || e instanceof PdfRefusal) return null;
    throw e;
  }
}

/** Of a picture whose bytes are its numbers. */
function plainSamples(
  picture: PDFRawStream,
  width: number,
  height: number,
  components: 1 | 3 | undefined,
): Uint8Array | null {
  const { dict } = picture;
  const lossless = filtersOf(dict).every((one) => PLAIN.has(one));
  const isPlain =
    numberIn(dict, 'BitsPerComponent') === 8 && !dict.has(name('Decode')) && !isPredicted(dict);
  const isNumbered = dict.lookup(name('ColorSpace')) instanceof PDFArray && isIndexed(dict);
  if (!components || !lossless || !isPlain || isNumbered) return null;
  const bytes = streamBytes(picture);
  const wanted = width * height * components;
  return bytes && bytes.length >= wanted ? bytes.slice(0, wanted) : null;
}

const PLAIN = new Set([
  ...['FlateDecode', 'Fl', 'LZWDecode', 'LZW', 'RunLengthDecode', 'RL'],
  ...['ASCIIHexDecode', 'AHx', 'ASCII85Decode', 'A85'],
]);

/** Of what is predicted the bytes are differences, which the PDF library leaves as they are. */
const isPredicted = (dict: PDFDict): boolean => dict.has(name('DecodeParms'));

const isIndexed = (dict: PDFDict): boolean => {
  const space = dict.lookup(name('ColorSpace'));
  return (
    space instanceof PDFArray && [name('Indexed'), name('I')].includes(space.lookup(0) as PDFName)
  );
};

/** A stencil shows where ink is laid: beneath, none is. */
async function stencil(
  picture: PDFRawStream,
  areas: readonly Convex[],
  { draw, deflate }: PictureWays,
): Promise<PDFRawStream | null> {
  const { dict } = picture;
  const [width, height] = [numberIn(dict, 'Width'), numberIn(dict, 'Height')];
  const row = Math.ceil(width / 8);
  const isOwn = filtersOf(dict).every((one) => PLAIN.has(one)) && !isPredicted(dict);
  const plain = isOwn ? streamBytes(picture) : null;
  const decode = dict.lookup(name('Decode'));
  const isTurned = decode instanceof PDFArray && String(decode.lookup(0)) === '1';
  let bits: Uint8Array;
  if (plain && plain.length >= row * height) {
    bits = plain.slice(0, row * height);
    if (isTurned) bits = bits.map((byte) => ~byte & 0xff);
  } else {
    if (!draw) return null;
    const gray = name('DeviceGray');
    const pixels = await draw(await onePicture(picture, gray, width, height), width, height);
    if (!pixels) return null;
    bits = new Uint8Array(row * height);
    for (let at = 0; at < width * height; at++)
      if (pixels.data[4 * at] > 127)
        bits[Math.floor(at / width) * row + ((at % width) >> 3)] |= 128 >> ((at % width) % 8);
  }
  // A bit that is set lays no ink (§8.9.6.2).
  forEachBeneath(areas, width, height, (at) => {
    const [x, y] = [at % width, Math.floor(at / width)];
    bits[y * row + (x >> 3)] |= 128 >> (x % 8);
  });
  const own = dict.clone();
  for (const key of OF_THE_DATA) own.delete(name(key));
  own.set(name('BitsPerComponent'), PDFNumber.of(1));
  own.set(name('Filter'), name('FlateDecode'));
  return PDFRawStream.of(own, await deflate(bits));
}

/** Every pixel of which some lies beneath. */
function forEachBeneath(
  areas: readonly Convex[],
  width: number,
  height: number,
  look: (at: number) => void,
): void {
  for (const { corners } of areas) {
    // In pixels, from the top.
    const area = convexArea(corners.map(({ x, y }) => ({ x: x * width, y: (1 - y) * height })));
    if (!area) continue;
    const { minX, minY, maxX, maxY } = boxOfPoints(area.corners);
    const isApart = (x: number, y: number): boolean =>
      area.sides.some(
        ({ n, d }) => n.x * (n.x < 0 ? x + 1 : x) + n.y * (n.y < 0 ? y + 1 : y) >= d - NEAR,
      );
    for (let y = Math.max(0, Math.floor(minY + NEAR)); y < Math.min(height, maxY - NEAR); y++)
      for (let x = Math.max(0, Math.floor(minX + NEAR)); x < Math.min(width, maxX - NEAR); x++)
        if (!isApart(x, y)) look(y * width + x);
  }
}

const isGray = ({ data }: Pixels): boolean => {
  for (let at = 0; at < data.length; at += 4)
    if (data[at] !== data[at + 1] || data[at] !== data[at + 2]) return false;
  return true;
};

function samplesOf({ data }: Pixels, components: 1 | 3): Uint8Array {
  const samples = new Uint8Array((data.length / 4) * components);
  for (let from = 0, to = 0; from < data.length; from += 4)
    for (let c = 0; c < components; c++) samples[to++] = data[from + c];
  return samples;
}
