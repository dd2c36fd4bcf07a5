import { PDFDocument } from '@cantoo/pdf-lib';

/** A picture that is to become a page. */
export interface PagePicture {
  /** A JPEG file. */
  readonly bytes: Uint8Array;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
}

/** Papers, upright, points: A4, and 8½ × 11 inches. */
const PAPERS = [
  { width: 595.28, height: 841.89 },
  { width: 612, height: 792 },
];
/** As near to the shape of one a page is on it. */
const NEAR = 0.02;

/** The size of the page that a picture fills: a usual paper where it has the shape of one, else as high or wide as A4 is high. */
export function paperOf({ width, height }: Pick<PagePicture, 'width' | 'height'>) {
  const upright = Math.min(width, height) / Math.max(width, height);
  const usual = PAPERS.find((one) => Math.abs(upright / (one.width / one.height) - 1) < NEAR);
  const paper = usual ?? { width: PAPERS[0].height * upright, height: PAPERS[0].height };
  return width <= height ? paper : { width: paper.height, height: paper.width };
}

/** A PDF of which each page is a picture. */
export async function pdfOfPictures(pictures: readonly PagePicture[]): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  for (const picture of pictures) {
    const { width, height } = paperOf(picture);
    const page = doc.addPage([width, height]);
    page.drawImage(await doc.embedJpg(picture.bytes), { x: 0, y: 0, width, height });
  }
  return doc.save();
}
