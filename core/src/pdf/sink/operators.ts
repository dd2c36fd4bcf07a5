import { type Matrix, type Path, VERB_COORDS } from '../../geometry/index.ts';
import type { ByteWriter } from './byteWriter.ts';
import { cornerOf, type GridPath, toGridPath } from './gridPath.ts';

/** Hundredths of a point: paths are written as whole numbers under this matrix; outlines already stand on that grid. */
export const GRID_MATRIX = '0.01 0 0 0.01 0 0 cm';

const SPACE = 32;
const LINE_END = 10;
/** Indexed by verb. */
const OPERATOR = ['m', 'l', 'c', 'h'].map((c) => c.charCodeAt(0));

/** Writes the operators that draw a path on the grid, its numbers counted from `from`. */
export function pathInto(
  writer: ByteWriter,
  { verbs, coords }: GridPath,
  from: { readonly x: number; readonly y: number } = { x: 0, y: 0 },
): void {
  let at = 0;
  for (const verb of verbs) {
    for (let k = 0; k < VERB_COORDS[verb]; k++) {
      writer.integer(coords[at] - (at % 2 === 0 ? from.x : from.y));
      writer.byte(SPACE);
      at++;
    }
    writer.byte(OPERATOR[verb]);
    writer.byte(LINE_END);
  }
}

/**
 * Draws and fills a path, non-zero (`f`); {@link GRID_MATRIX} must be in force. Numbers are counted from the corner of its
 * own box: they are short so, without signs, and alike from stroke to stroke, which is what compression lives on.
 */
export function fillInto(writer: ByteWriter, path: Path): void {
  if (path.verbs.length === 0) return;
  const grid = toGridPath(path);
  const from = cornerOf(grid);
  writer.text(`q 1 0 0 1 ${from.x} ${from.y} cm\n`);
  pathInto(writer, grid, from);
  writer.text('f Q\n');
}

/** `#rrggbb` as the operands and operator of a fill colour in DeviceRGB. */
export function fillColour(colour: string): string {
  const part = (at: number): string =>
    String(Math.round((parseInt(colour.slice(at, at + 2), 16) / 255) * 1e4) / 1e4);
  return `${part(1)} ${part(3)} ${part(5)} rg`;
}

/** A number as PDF writes it: no exponent, at most four decimals. */
export const pdfNumber = (n: number): string => String(Math.round(n * 1e4) / 1e4 || 0);

/** Sets a matrix before the one that is in force. */
export const cm = (m: Matrix): string => `${m.map(pdfNumber).join(' ')} cm`;
