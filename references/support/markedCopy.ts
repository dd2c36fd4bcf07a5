import { deflate as deflateWithZlib } from 'node:zlib';
import { promisify } from 'node:util';
import { box, type Box, displayMatrix, growBox, transformBox } from '@marginalis/core/geometry';
import { type FixedCopy, inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import type { DocState, Page } from '@marginalis/core/document';
import { alongCorners, ellipsePath, wavePath } from '../../core/testing/hand';
import { HIGHLIGHTER, pageRefsFor, written } from '../../core/testing/marks';

export const deflate = async (bytes: Uint8Array): Promise<Uint8Array> =>
  new Uint8Array(await promisify(deflateWithZlib)(bytes));

/** What the marks cover about the middle of a page, points to each side. */
const REACH = { x: 112, y: 95 };

export interface MarkedCopy {
  readonly pages: readonly Page[];
  readonly document: DocState;
  readonly copy: FixedCopy;
}

const middleOf = ({ box: b }: Page): { x: number; y: number } => ({
  x: (b.minX + b.maxX) / 2,
  y: (b.minY + b.maxY) / 2,
});

/** The fixed copy of a document with a wave, a highlight and a loop in the middle of the pages named (from 0). */
export async function markedCopy(
  source: Uint8Array,
  chosen: (pages: readonly Page[]) => readonly number[] = (p) => p.slice(0, 4).map((_, i) => i),
  password?: string,
): Promise<MarkedCopy> {
  const pages = pageRefsFor((await inspectPdf(source, password)).pages);
  const strokes = chosen(pages).flatMap((page) => {
    const { x, y } = middleOf(pages[page]);
    return [
      { page, path: wavePath({ x: x - 100, y }, 200, 12, 3) },
      {
        page,
        path: alongCorners([
          { x: x - 90, y: y + 40 },
          { x: x + 90, y: y + 40 },
        ]),
        instrument: HIGHLIGHTER,
      },
      { page, path: ellipsePath({ x, y: y - 50 }, 50, 30) },
    ];
  });
  const document = written(pages, strokes);
  const copy = await makeFixedCopy(source, document, { password, deflate });
  return { pages, document, copy };
}

/** Where the marks of {@link markedCopy} stand in a picture of the page at `dpi`, pixels. */
export function placeOfMarks(page: Page, dpi: number): Box {
  const { x, y } = middleOf(page);
  const around = box(x - REACH.x, y - REACH.y, x + REACH.x, y + REACH.y);
  return growBox(transformBox(displayMatrix(page, dpi / 72), around), 4);
}
