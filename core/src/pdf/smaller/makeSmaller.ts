import {
  type PDFContext,
  type PDFDocument,
  PDFName,
  type PDFPage,
  PDFRawStream,
  PDFRef,
} from '@cantoo/pdf-lib';
import { keepReachable } from '../library/reachable.ts';
import { claimsPdfA } from '../pdfA/claim.ts';
import type { Deflate } from '../sink/formWriter.ts';
import { numberIn } from './entries.ts';
import { packPicture, type PackWays } from './packPicture.ts';
import type { PictureTools } from './pictureTools.ts';
import { packStreams } from './packStreams.ts';
import { type PicturePlaces, placesOfPictures } from './picturePlaces.ts';

/** How a copy is made smaller. */
export interface Smaller {
  /** Pixels an inch that pictures keep at most. */
  readonly dpi: number;
  readonly tools: Pick<PictureTools, 'draw' | 'jpeg'>;
}

/** What was made smaller. */
export interface MadeSmaller {
  /** Pictures that take less room now. */
  readonly pictures: number;
  /** Bytes that are saved. */
  readonly saved: number;
  /** Where they are. */
  readonly places: PicturePlaces['places'];
}

const POINTS_AN_INCH = 72;
/** With not so many times as many pixels as wanted, a picture loses more by being made smaller than it saves. */
const ENOUGH = 1.2;
const SMASK = PDFName.of('SMask');
const MATTE = PDFName.of('Matte');

/**
 * Gives the pictures on pages no more pixels than their places have at a resolution, and packs them and what is not packed at
 * all. Letters and lines stay as they are. Whatever nothing refers to is dropped: nothing is to be added afterwards that
 * does not refer to it.
 * @throws what drawing or packing a picture rejects with
 */
export async function makeSmaller(
  doc: PDFDocument,
  pages: readonly PDFPage[],
  { dpi, tools }: Smaller,
  deflate: Deflate = libraryDeflate(doc),
): Promise<MadeSmaller> {
  const { context } = doc;
  await doc.flush();
  // What does not leave is not counted.
  keepReachable(context);
  let saved = await packStreams(context, deflate);
  const found = placesOfPictures(pages);
  if (!found) return { pictures: 0, saved, places: [] };
  const ways: PackWays = { tools, deflate, keepsGray: claimsPdfA(doc) };
  const masks = softMasksOf(context, found);
  const places: MadeSmaller['places'][number][] = [];
  let pictures = 0;
  for (const [ref, of] of [...found, ...masks]) {
    const picture = context.lookup(ref);
    if (!(picture instanceof PDFRawStream) || hasMatte(picture)) continue;
    const isMask = masks.has(ref);
    const packed = await packPicture(picture, mostPixels(picture, of, dpi), isMask, ways);
    if (!packed) continue;
    context.assign(ref, packed);
    saved += picture.contents.length - packed.contents.length;
    if (!isMask) pictures++;
    places.push(...of.places);
  }
  return { pictures, saved, places };
}

const libraryDeflate =
  ({ context }: PDFDocument): Deflate =>
  async (bytes) =>
    context.flateStream(bytes).contents;

/** So many pixels a picture is to have at most. */
function mostPixels(
  picture: PDFRawStream,
  { width, height }: PicturePlaces,
  dpi: number,
): { readonly width: number; readonly height: number } {
  const wanted = {
    width: Math.max(1, Math.ceil((width / POINTS_AN_INCH) * dpi)),
    height: Math.max(1, Math.ceil((height / POINTS_AN_INCH) * dpi)),
  };
  const isEnough =
    numberIn(picture.dict, 'Width') <= ENOUGH * wanted.width &&
    numberIn(picture.dict, 'Height') <= ENOUGH * wanted.height;
  return isEnough ? { width: Infinity, height: Infinity } : wanted;
}

/** The soft masks of pictures, as large as the largest of these is drawn. */
function softMasksOf(
  context: PDFContext,
  found: ReadonlyMap<PDFRef, PicturePlaces>,
): Map<PDFRef, PicturePlaces> {
  const masks = new Map<PDFRef, PicturePlaces>();
  for (const [ref, { width, height, places }] of found) {
    const picture = context.lookup(ref);
    const mask = picture instanceof PDFRawStream ? picture.dict.get(SMASK) : undefined;
    if (!(mask instanceof PDFRef)) continue;
    const known = masks.get(mask);
    masks.set(mask, {
      width: Math.max(width, known?.width ?? 0),
      height: Math.max(height, known?.height ?? 0),
      places: [...(known?.places ?? []), ...places],
    });
  }
  return masks;
}

/** A picture that is multiplied by its mask already has as many pixels as that (ISO 32000-1 §11.6.5.3). */
function hasMatte({ dict }: PDFRawStream): boolean {
  const mask = dict.lookup(SMASK);
  return [dict, mask instanceof PDFRawStream ? mask.dict : dict].some((one) => one.has(MATTE));
}
