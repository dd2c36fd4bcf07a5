import {
  PDFArray,
  PDFBool,
  type PDFDict,
  PDFName,
  PDFNumber,
  type PDFObject,
  PDFRawStream,
} from '@cantoo/pdf-lib';
import { boxOfPoints, type Convex, convexArea } from '../../geometry/index.ts';
import { streamBytes } from '../content/pageContent.ts';
import type { Deflate } from '../sink/formWriter.ts';
import { coloursOf } from '../smaller/colours.ts';
import { drawnPixels, MOST_PIXELS, samplesOf } from '../smaller/drawnPixels.ts';
import { filtersOf, LOSSLESS, numberIn } from '../smaller/entries.ts';
import type { Pixels, PictureTools } from '../smaller/pictureTools.ts';
import { packedExactly, remade } from '../smaller/remade.ts';
import type { Gone } from './gone.ts';

const name = (text: string): PDFName => PDFName.of(text);

/** How pictures are read. */
export interface PictureWays {
  /** Without, or where it cannot draw one, a picture goes whole. */
  readonly draw?: PictureTools['draw'];
  readonly deflate: Deflate;
}

/** A border that is met within so much of a pixel is not crossed. */
const NEAR = 1e-6;
/** What may show a picture as it was. */
const BESIDE = ['Metadata', 'PieceInfo', 'OPI'];

/**
 * A picture whose pixels are black where they lie beneath areas, or white beside what is seen, and those of its mask such that nothing is seen of their shape; all others as they were,
 * packed without loss.
 * @param gone in the picture's own square, 1 × 1, y up
 * @returns null where it cannot be read
 */
export async function redactPicture(
  picture: PDFRawStream,
  gone: Gone,
  ways: PictureWays,
  isMask = false,
): Promise<PDFRawStream | null> {
  const { dict } = picture;
  const [width, height] = [numberIn(dict, 'Width'), numberIn(dict, 'Height')];
  if (width * height === 0 || width * height > MOST_PIXELS || dict.has(name('F'))) return null;
  if (dict.lookup(name('ImageMask')) === PDFBool.True) return stencil(picture, gone, ways);
  const read = await readPixels(picture, { width, height }, ways, isMask);
  if (!read) return null;
  const { samples, components, space } = read;
  // Beside what is seen they are like paper: small pictures of the page would have a dark edge.
  const instead = gone.spared && !isMask ? 255 : 0;
  forEachBeneath(gone, width, height, (at) =>
    samples.fill(instead, at * components, (at + 1) * components),
  );
  const size = { width, height };
  const own = await packedExactly(picture, samples, size, { components, space }, ways.deflate);
  forgetBeside(own);
  for (const key of ['SMask', 'Mask']) {
    const mask = dict.lookup(name(key));
    if (!(mask instanceof PDFRawStream)) continue;
    const other = await redactPicture(mask, gone, ways, true);
    if (!other) return null;
    own.dict.set(name(key), dict.context.register(other));
  }
  return own;
}

function forgetBeside({ dict }: PDFRawStream): void {
  for (const key of BESIDE) dict.delete(name(key));
}

interface Read {
  readonly samples: Uint8Array;
  readonly components: 1 | 3;
  readonly space: PDFObject;
}

/** The numbers of a picture, a byte each; as it is seen where it has inks of a press, or colours by number. */
async function readPixels(
  picture: PDFRawStream,
  size: { readonly width: number; readonly height: number },
  { draw }: PictureWays,
  isMask: boolean,
): Promise<Read | null> {
  const { dict } = picture;
  // A colour that is not seen is told by its numbers, which come out otherwise.
  if (dict.lookup(name('Mask')) instanceof PDFArray) return null;
  const colours = coloursOf(dict);
  const plain = plainSamples(picture, size, colours?.components);
  if (plain && colours)
    return { samples: plain, components: colours.components, space: colours.kept };
  if (!draw) return null;
  const seen = colours?.drawn ?? dict.get(name('ColorSpace'));
  if (!seen) return null;
  const pixels = await drawnPixels(picture, seen, size, draw, isMask);
  if (!pixels) return null;
  const components = colours?.components ?? (isGray(pixels) ? 1 : 3);
  const device = name(components === 1 ? 'DeviceGray' : 'DeviceRGB');
  return { samples: samplesOf(pixels, components), components, space: colours?.kept ?? device };
}

/** Of a picture whose bytes are its numbers. */
function plainSamples(
  picture: PDFRawStream,
  { width, height }: { readonly width: number; readonly height: number },
  components: 1 | 3 | undefined,
): Uint8Array | null {
  const { dict } = picture;
  const lossless = filtersOf(dict).every((one) => LOSSLESS.has(one));
  const isPlain =
    numberIn(dict, 'BitsPerComponent') === 8 && !dict.has(name('Decode')) && !isPredicted(dict);
  const isNumbered = dict.lookup(name('ColorSpace')) instanceof PDFArray && isIndexed(dict);
  if (!components || !lossless || !isPlain || isNumbered) return null;
  const bytes = streamBytes(picture);
  const wanted = width * height * components;
  return bytes && bytes.length >= wanted ? bytes.slice(0, wanted) : null;
}

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
  gone: Gone,
  ways: PictureWays,
): Promise<PDFRawStream | null> {
  const { dict } = picture;
  const [width, height] = [numberIn(dict, 'Width'), numberIn(dict, 'Height')];
  const row = Math.ceil(width / 8);
  const bits = await stencilBits(picture, width, height, ways);
  if (!bits) return null;
  forEachBeneath(gone, width, height, (at) =>
    setBit(bits, row, at % width, Math.floor(at / width)),
  );
  const own = remade(picture, await ways.deflate(bits), { width, height }, null, 'FlateDecode');
  own.dict.set(name('BitsPerComponent'), PDFNumber.of(1));
  forgetBeside(own);
  return own;
}

/** A bit that is set lays no ink (§8.9.6.2). */
const setBit = (bits: Uint8Array, row: number, x: number, y: number): void => {
  bits[y * row + (x >> 3)] |= 128 >> (x % 8);
};

/** Rows of bits, each beginning with a byte; null where they cannot be read. */
async function stencilBits(
  picture: PDFRawStream,
  width: number,
  height: number,
  { draw }: PictureWays,
): Promise<Uint8Array | null> {
  const { dict } = picture;
  const row = Math.ceil(width / 8);
  const isOwn = filtersOf(dict).every((one) => LOSSLESS.has(one)) && !isPredicted(dict);
  const plain = isOwn ? streamBytes(picture) : null;
  if (plain && plain.length >= row * height) {
    const decode = dict.lookup(name('Decode'));
    const isTurned = decode instanceof PDFArray && String(decode.lookup(0)) === '1';
    return plain.slice(0, row * height).map((byte) => (isTurned ? ~byte & 0xff : byte));
  }
  if (!draw) return null;
  // What is a stencil need not say that it has one bit a pixel.
  const own = PDFRawStream.of(dict.clone(), picture.contents);
  own.dict.set(name('BitsPerComponent'), PDFNumber.of(1));
  const pixels = await drawnPixels(own, name('DeviceGray'), { width, height }, draw, true);
  if (!pixels) return null;
  const bits = new Uint8Array(row * height);
  for (let at = 0; at < width * height; at++)
    if (pixels.data[4 * at] > 127) setBit(bits, row, at % width, Math.floor(at / width));
  return bits;
}

/** Every pixel of which some lies beneath, but those that what is spared has and their neighbours, with which they are smoothed. */
function forEachBeneath(
  { areas, spared }: Gone,
  width: number,
  height: number,
  look: (at: number) => void,
): void {
  // In pixels, from the top.
  const inPixels = ({ corners }: Convex): Convex | null =>
    convexArea(corners.map(({ x, y }) => ({ x: x * width, y: (1 - y) * height })));
  const seen = spared && inPixels(spared);
  for (const one of areas) {
    const area = inPixels(one);
    if (!area) continue;
    const { minX, minY, maxX, maxY } = boxOfPoints(area.corners);
    for (let y = Math.max(0, Math.floor(minY + NEAR)); y < Math.min(height, maxY - NEAR); y++)
      for (let x = Math.max(0, Math.floor(minX + NEAR)); x < Math.min(width, maxX - NEAR); x++)
        if (!isApart(area, x, y, 0) && (!seen || isApart(seen, x, y, 1))) look(y * width + x);
  }
}

/** Whether a pixel, and so many around it, lie beside an area. */
const isApart = ({ sides }: Convex, x: number, y: number, around: number): boolean =>
  sides.some(({ n, d }) => {
    const nearX = n.x < 0 ? x + 1 + around : x - around;
    const nearY = n.y < 0 ? y + 1 + around : y - around;
    return n.x * nearX + n.y * nearY >= d - NEAR;
  });

const isGray = ({ data }: Pixels): boolean => {
  for (let at = 0; at < data.length; at += 4)
    if (data[at] !== data[at + 1] || data[at] !== data[at + 2]) return false;
  return true;
};
