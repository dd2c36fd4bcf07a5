import type { CopyFonts } from '../copy/index.ts';
import { touchedBy } from '../canvas/index.ts';
import { drawingOf, liesBeneath } from '../derived/index.ts';
import type { Drawing } from '../drawing/index.ts';
import { type Box, boxesMeet, growBox, type Matrix } from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';
import type { Raster } from '../pdfium/index.ts';
import { marksFound } from './marksFound.ts';
import { inOwnColour, MOST_APART, ownersIn } from './ownColours.ts';
import type { ProofPainter } from './painter.ts';

/** Pictures of a page: without its marks, as it is to be, and as it is. */
export interface ThreePictures {
  readonly bare: () => Promise<Raster>;
  readonly wanted: Raster;
  readonly found: Raster;
}

/** What differs may be so far from the mark it is of, pixels. */
const NEAR = 2;

/**
 * The marks of a page, from the lowest to the topmost, that are not found at their places.
 * @param doubtful where something differs, pixels: marks elsewhere are there
 */
export async function lostMarks(
  marks: readonly Mark[],
  doubtful: readonly Box[],
  pictures: ThreePictures,
  matrix: Matrix,
  fonts: CopyFonts,
  painter: ProofPainter,
): Promise<MarkId[]> {
  if (doubtful.length === 0) return [];
  const layered = [...marks.filter(liesBeneath), ...marks.filter((mark) => !liesBeneath(mark))];
  const drawn = await Promise.all(
    layered.map(async (mark): Promise<Drawn> => {
      const drawing = await fonts.set(drawingOf(mark));
      return { id: mark.id, drawing, box: growBox(touchedBy(drawing, matrix), NEAR) };
    }),
  );
  const asked = new Set(drawn.filter(({ box }) => doubtful.some((one) => boxesMeet(one, box))));
  // Those that may lie over them are painted too, in nobody's colour.
  const around = drawn.filter(
    (one) => asked.has(one) || [...asked].some(({ box }) => boxesMeet(one.box, box)),
  );
  const lost: MarkId[] = [];
  const all = [...asked];
  if (all.length === 0) return lost;
  const { wanted, found } = pictures;
  const bare = await pictures.bare();
  for (let from = 0; from < all.length; from += MOST_APART) {
    const some = all.slice(from, from + MOST_APART);
    const numbers = new Map(some.map((one, k) => [one, k]));
    const painted = around.flatMap((one) => inOwnColour(one.drawing, numbers.get(one) ?? null));
    const nothing = { width: bare.width, height: bare.height };
    const owners = ownersIn(await painter.paint(nothing, painted, matrix), some.length);
    marksFound(owners, some.length, { bare, wanted, found }).forEach((isThere, k) => {
      if (!isThere) lost.push(some[k].id);
    });
  }
  return lost;
}

interface Drawn {
  readonly id: MarkId;
  readonly drawing: Drawing;
  /** Pixels. */
  readonly box: Box;
}
