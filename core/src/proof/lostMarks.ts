import type { CopyFonts } from '../copy/index.ts';
import { drawingOf, liesBeneath } from '../derived/index.ts';
import type { Matrix } from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';
import type { Raster } from '../pdfium/index.ts';
import { marksFound } from './marksFound.ts';
import { inOwnColour, MOST_APART, ownersIn } from './ownColours.ts';
import type { ProofPainter } from './painter.ts';

/** Pictures of a page: without its marks, as it is to be, and as it is. */
export interface ThreePictures {
  readonly bare: Raster;
  readonly wanted: Raster;
  readonly found: Raster;
}

/** The marks of a page, from the lowest to the topmost, that are not found at their places. */
export async function lostMarks(
  marks: readonly Mark[],
  pictures: ThreePictures,
  matrix: Matrix,
  fonts: CopyFonts,
  painter: ProofPainter,
): Promise<MarkId[]> {
  const layered = [...marks.filter(liesBeneath), ...marks.filter((mark) => !liesBeneath(mark))];
  const drawings = await Promise.all(layered.map((mark) => fonts.set(drawingOf(mark))));
  const { width, height } = pictures.bare;
  const lost: MarkId[] = [];
  for (let from = 0; from < layered.length; from += MOST_APART) {
    const count = Math.min(MOST_APART, layered.length - from);
    const painted = drawings.flatMap((drawing, k) => {
      const own = k - from;
      return inOwnColour(drawing, own >= 0 && own < count ? own : null);
    });
    const owners = ownersIn(await painter.paint({ width, height }, painted, matrix), count);
    marksFound(owners, count, pictures).forEach((isThere, k) => {
      if (!isThere) lost.push(layered[from + k].id);
    });
  }
  return lost;
}
