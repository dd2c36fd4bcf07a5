import { type PDFContext, PDFDict, PDFDocument, PDFName, PDFObjectCopier } from '@cantoo/pdf-lib';
import type { Annotation } from '../../annotations/index.ts';
import { type Attachment, LARGEST_PICTURE } from '../../document/index.ts';
import { boxHeight, boxWidth, type Matrix, moveBy, thenMatrix } from '../../geometry/index.ts';
import type { AnnotationSketch } from '../../kinds/index.ts';
import { toBase64 } from '../../marks/index.ts';
import { pictureName } from '../../pictures/index.ts';
import { appearanceOf } from '../annotations/appearance.ts';
import { cm } from '../sink/operators.ts';
import type { PictureTools } from '../smaller/pictureTools.ts';

/** As many dots an inch as a printer shows; of a side so many pixels at most. */
const DPI = 300;
const LONGEST = 3000;
const LEAST = 24;
/** Stamps of a document that are drawn; no person has put so many. */
const MOST = 1000;

/** Where the picture of a stamp lies: in its rectangle. Null where it shows none. */
function placeOf({ subtype, rect, shown }: Annotation, dict: PDFDict): Matrix | null {
  const hasLook = dict.lookup(PDFName.of('AP')) instanceof PDFDict;
  if (subtype !== 'Stamp' || !shown || !rect || !hasLook) return null;
  const [width, height] = [boxWidth(rect), boxHeight(rect)];
  return width > 0 && height > 0 ? [width, 0, 0, height, rect.minX, rect.minY] : null;
}

const sketchOf = (source: string, place: Matrix): AnnotationSketch => ({
  subtype: 'Stamp',
  says: '',
  picture: { source, place },
});

/** Annotations, stamps among them as the pictures they would be; what is told of these is not there yet. */
export const withStampsToCome = (
  annotations: readonly Annotation[],
  dicts: readonly PDFDict[],
): Annotation[] =>
  annotations.map((one, k) => {
    const place = placeOf(one, dicts[k]);
    return place ? { ...one, sketch: sketchOf('to come', place) } : one;
  });

/** Annotations, those that are stamps with the pictures they show. What cannot be drawn is left. */
export async function withStamps(
  annotations: readonly Annotation[],
  dicts: readonly PDFDict[],
  context: PDFContext,
  toolsFor: () => Promise<PictureTools>,
): Promise<Annotation[]> {
  const all: Annotation[] = [];
  let count = 0;
  let tools: PictureTools | null = null;
  for (const [k, one] of annotations.entries()) {
    const place = placeOf(one, dicts[k]);
    const isDrawn = place !== null && count++ < MOST;
    // Most files have none, and need nothing that draws.
    if (isDrawn) tools ??= await toolsFor();
    const attachment = isDrawn && tools ? await drawn(dicts[k], place, context, tools) : null;
    all.push(
      place && attachment ? { ...one, sketch: sketchOf(attachment.id, place), attachment } : one,
    );
  }
  return all;
}

async function drawn(
  annotation: PDFDict,
  [width, , , height, x, y]: Matrix,
  context: PDFContext,
  tools: PictureTools,
): Promise<Attachment | null> {
  const pdf = await onlyLook(annotation, { width, height, x, y }, context);
  if (!pdf) return null;
  const pixels = (side: number): number =>
    Math.round(Math.min(LONGEST, Math.max(LEAST, (side * DPI) / 72)));
  const picture = await tools.draw(pdf, pixels(width), pixels(height), true);
  // One that shows nothing is left where it is.
  if (!picture || !picture.data.some((level, k) => k % 4 === 3 && level > 0)) return null;
  const bytes = await tools.png(picture);
  if (bytes.length > LARGEST_PICTURE) return null;
  return {
    ...{ id: pictureName(bytes), name: 'Stamp', type: 'image/png', data: toBase64(bytes) },
    width: picture.width,
    height: picture.height,
  };
}

/** A PDF whose one page is as large as an annotation's rectangle, with nothing on it but how that looks. */
async function onlyLook(
  annotation: PDFDict,
  at: { readonly width: number; readonly height: number; readonly x: number; readonly y: number },
  context: PDFContext,
): Promise<Uint8Array | null> {
  const look = appearanceOf(annotation, context);
  if (!look) return null;
  const doc = await PDFDocument.create({ updateMetadata: false });
  const form = PDFObjectCopier.for(context, doc.context).copy(look.form);
  const page = doc.addPage([at.width, at.height]);
  page.node.set(PDFName.of('Resources'), doc.context.obj({ XObject: { A: form } }));
  const place = thenMatrix(look.place, moveBy({ x: -at.x, y: -at.y }));
  const content = doc.context.stream(`${cm(place)} /A Do`);
  page.node.set(PDFName.of('Contents'), doc.context.register(content));
  return doc.save({ useObjectStreams: false, updateFieldAppearances: false });
}
