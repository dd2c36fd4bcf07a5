import { type Path, VERB } from '../geometry/index.ts';

/** Paths are written as whole hundredths of a point under this matrix; outlines already stand on that grid. */
export const GRID_MATRIX = '0.01 0 0 0.01 0 0 cm';

/** The operators that draw `path` on the grid and fill it, non-zero (`f`). */
export function fillOperators(path: Path): string {
  const { verbs, coords } = path;
  const parts: string[] = [];
  let i = 0;
  const next = (): number => Math.round(coords[i++] * 100);
  for (const verb of verbs) {
    if (verb === VERB.M) parts.push(`${next()} ${next()} m`);
    else if (verb === VERB.L) parts.push(`${next()} ${next()} l`);
    else if (verb === VERB.C)
      parts.push(`${next()} ${next()} ${next()} ${next()} ${next()} ${next()} c`);
    else parts.push('h');
  }
  parts.push('f');
  return parts.join('\n');
}

/** `#rrggbb` as the operands and operator of a fill colour in DeviceRGB. */
export function fillColour(colour: string): string {
  const part = (at: number): string =>
    String(Math.round((parseInt(colour.slice(at, at + 2), 16) / 255) * 1e4) / 1e4);
  return `${part(1)} ${part(3)} ${part(5)} rg`;
}

/** A number as PDF writes it: no exponent, at most four decimals. */
export const pdfNumber = (n: number): string => String(Math.round(n * 1e4) / 1e4 || 0);
