import {
  PDFArray,
  PDFBool,
  type PDFDict,
  PDFName,
  type PDFObject,
  type PDFRawStream,
} from '@cantoo/pdf-lib';
import type { Deflate } from '../sink/formWriter.ts';
import { type Colours, coloursOf } from './colours.ts';
import { drawnPixels, MOST_PIXELS, samplesOf } from './drawnPixels.ts';
import { filtersOf, LOSSLESS, numberIn } from './entries.ts';
import type { Pixels, PictureTools } from './pictureTools.ts';
import { packedExactly, remade } from './remade.ts';

/** How a document's pictures are packed. */
export interface PackWays {
  readonly tools: Pick<PictureTools, 'draw' | 'jpeg'>;
  readonly deflate: Deflate;
  /** Grays must stay grays, since the document promises how its colours look. */
  readonly keepsGray: boolean;
}

/** What is packed without loss is preferred up to so many times the size of JPEG … */
const WORTH = 1.5;
/** … and where it takes less than so much of its samples: JPEG would blur the edges of drawings. */
const DRAWN = 0.2;
/** It must become so much smaller, or it stays. */
const GAIN = 0.9;
/** And by so many bytes. */
const LEAST_GAIN = 500;

const RGB = PDFName.of('DeviceRGB');
const WITH_LOSS = new Set(['DCTDecode', 'DCT', 'JPXDecode']);
const KNOWN = new Set([...WITH_LOSS, ...LOSSLESS]);
/**
 * A picture with as many pixels as its place has at a resolution, and packed; null where that is not to be, or makes it no
 * smaller: scans in black and white, inks of a press, masks by colour, and what is damaged stay as they are.
 * @param most pixels a row and a column have at most
 * @param isMask it says how far another one is seen: packed without loss
 */
export async function packPicture(
  picture: PDFRawStream,
  most: { readonly width: number; readonly height: number },
  isMask: boolean,
  ways: PackWays,
): Promise<PDFRawStream | null> {
  const { dict } = picture;
  const [width, height] = [numberIn(dict, 'Width'), numberIn(dict, 'Height')];
  const colours = isFit(dict) ? coloursOf(dict) : null;
  if (!colours || width * height === 0 || width * height > MOST_PIXELS) return null;
  const size = { width: Math.min(width, most.width), height: Math.min(height, most.height) };
  const hasLoss = filtersOf(dict).some((filter) => WITH_LOSS.has(filter));
  // What has lost some already and would keep its pixels only loses more.
  if (hasLoss && size.width === width && size.height === height) return null;
  const mayLose = !isMask && !(colours.components === 1 && ways.keepsGray);
  const best = await smallest(picture, colours, size, hasLoss, mayLose, ways);
  const before = picture.contents.length;
  return best && best.contents.length < Math.min(GAIN * before, before - LEAST_GAIN) ? best : null;
}

async function smallest(
  picture: PDFRawStream,
  { components, drawn, kept }: Colours,
  size: { readonly width: number; readonly height: number },
  hasLoss: boolean,
  mayLose: boolean,
  { tools, deflate }: PackWays,
): Promise<PDFRawStream | null> {
  const { width, height } = size;
  const draw = (space: PDFObject): Promise<Pixels | null> =>
    drawnPixels(picture, space, size, tools.draw);
  const pixels = await draw(drawn);
  if (!pixels) return null;
  let exact: PDFRawStream | null = null;
  if (!hasLoss || !mayLose) {
    const samples = samplesOf(pixels, components);
    exact = await packedExactly(picture, samples, size, { components, space: kept }, deflate);
  }
  if (!mayLose) return exact;
  // JPEG is made in colour: grays are drawn as they are seen then.
  const seen = components === 1 && kept !== drawn ? await draw(kept) : pixels;
  if (!seen) return exact;
  const space = components === 1 ? RGB : kept;
  const jpeg = remade(picture, await tools.jpeg(seen), size, space, 'DCTDecode');
  const enough = Math.max(WORTH * jpeg.contents.length, DRAWN * width * height * components);
  return exact && exact.contents.length <= enough ? exact : jpeg;
}

/** Whether its data is its own, and is read by what we know of it. */
function isFit(dict: PDFDict): boolean {
  const bits = numberIn(dict, 'BitsPerComponent');
  const isMarkedOut = dict.lookup(PDFName.of('Mask')) instanceof PDFArray;
  const stencil = dict.lookup(PDFName.of('ImageMask')) === PDFBool.True;
  const inside = numberIn(dict, 'SMaskInData');
  const isElsewhere = dict.has(PDFName.of('F'));
  const isKnown = filtersOf(dict).every((filter) => KNOWN.has(filter));
  return bits !== 1 && !isMarkedOut && !stencil && inside === 0 && !isElsewhere && isKnown;
}
