import {
  boxWidth,
  boxHeight,
  box,
  type Box,
  IDENTITY,
  intersectBoxes,
  isEmptyBox,
  type Matrix,
  thenMatrix,
  transformBox,
} from '../../geometry/index.ts';
import { scanContent } from './scan.ts';

/** What a page's content shows, as far as its own stream tells. */
export interface Coverage {
  /** Bytes of text shown, invisible text included. */
  readonly textBytes: number;
  /** The largest share of the page that one image covers, 0–1. */
  readonly imageShare: number;
}

const SHOWS_TEXT = new Set(['Tj', 'TJ', "'", '"']);

/** @param isImage whether the page's resource of that name is an image */
export function contentCoverage(
  content: Uint8Array,
  page: Box,
  isImage: (name: string) => boolean,
): Coverage {
  let textBytes = 0;
  let imageShare = 0;
  let matrix: Matrix = IDENTITY;
  const saved: Matrix[] = [];
  scanContent(content, ({ operator, numbers, name, stringBytes }) => {
    if (operator === 'q') saved.push(matrix);
    else if (operator === 'Q') matrix = saved.pop() ?? IDENTITY;
    else if (operator === 'cm' && numbers.length >= 6)
      matrix = thenMatrix(numbers.slice(-6) as unknown as Matrix, matrix);
    else if (SHOWS_TEXT.has(operator)) textBytes += stringBytes;
    else if (operator === 'Do' && name !== null && isImage(name)) {
      const seen = intersectBoxes(page, transformBox(matrix, box(0, 0, 1, 1)));
      if (!isEmptyBox(seen))
        imageShare = Math.max(
          imageShare,
          (boxWidth(seen) * boxHeight(seen)) / (boxWidth(page) * boxHeight(page)),
        );
    }
  });
  return { textBytes, imageShare };
}
