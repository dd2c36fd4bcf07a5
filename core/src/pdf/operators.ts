import { type Path, VERB_COORDS } from '../geometry/index.ts';
import type { ByteWriter } from './byteWriter.ts';

/** Paths are written as whole hundredths of a point under this matrix; outlines already stand on that grid. */
export const GRID_MATRIX = '0.01 0 0 0.01 0 0 cm';

const SPACE = 32;
const LINE_END = 10;
/** Indexed by verb. */
const OPERATOR = ['m', 'l', 'c', 'h'].map((c) => c.charCodeAt(0));

/** Writes the operators that draw `path` on the grid and fill it, non-zero (`f`). */
export function fillInto(writer: ByteWriter, { verbs, coords }: Path): void {
  let at = 0;
  for (const verb of verbs) {
    for (let k = 0; k < VERB_COORDS[verb]; k++) {
      writer.integer(Math.round(coords[at++] * 100));
      writer.byte(SPACE);
    }
    writer.byte(OPERATOR[verb]);
    writer.byte(LINE_END);
  }
  if (verbs.length > 0) writer.text('f\n');
}

/** `#rrggbb` as the operands and operator of a fill colour in DeviceRGB. */
export function fillColour(colour: string): string {
  const part = (at: number): string =>
    String(Math.round((parseInt(colour.slice(at, at + 2), 16) / 255) * 1e4) / 1e4);
  return `${part(1)} ${part(3)} ${part(5)} rg`;
}

/** A number as PDF writes it: no exponent, at most four decimals. */
export const pdfNumber = (n: number): string => String(Math.round(n * 1e4) / 1e4 || 0);
