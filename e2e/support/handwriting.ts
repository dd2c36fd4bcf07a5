import { renderTextArray } from 'hersheytext';
import type { Pen, Point } from './pen';

interface Glyph {
  readonly d: string;
  readonly width: number;
}

/** Moves of each stroke of a text in single-line letters, `size` pixels high, from (x, y) on the base line. */
export function handwriting(text: string, x: number, y: number, size: number): Point[][] {
  const scale = size / 22;
  const strokes: Point[][] = [];
  let pen = x;
  for (const glyph of renderTextArray(text, { font: 'scripts' }) as (Glyph | null)[]) {
    if (!glyph) {
      pen += 9 * scale;
      continue;
    }
    for (const part of glyph.d.split('M').filter(Boolean)) {
      const corners = [...part.matchAll(/(-?\d+),(-?\d+)/g)].map(([, gx, gy]): Point => [
        pen + Number(gx) * scale,
        y + (Number(gy) - 22) * scale,
      ]);
      if (corners.length > 1) strokes.push(rounded(corners));
    }
    pen += glyph.width * 2 * scale;
  }
  return strokes;
}

/** Points along a curve through the corners, as a hand would go. */
function rounded(corners: readonly Point[]): Point[] {
  const out: Point[] = [];
  for (let i = 0; i + 1 < corners.length; i++) {
    const [a, b, c, d] = [
      corners[Math.max(0, i - 1)],
      corners[i],
      corners[i + 1],
      corners[Math.min(corners.length - 1, i + 2)],
    ];
    for (let k = 0; k < 4; k++) {
      const t = k / 4;
      const at = (p0: number, p1: number, p2: number, p3: number): number =>
        0.5 *
        (2 * p1 +
          (p2 - p0) * t +
          (2 * p0 - 5 * p1 + 4 * p2 - p3) * t * t +
          (3 * p1 - p0 - 3 * p2 + p3) * t * t * t);
      out.push([at(a[0], b[0], c[0], d[0]), at(a[1], b[1], c[1], d[1])]);
    }
  }
  out.push(corners[corners.length - 1]);
  return out;
}

/** Writes with a stylus. */
export async function write(
  pen: Pen,
  text: string,
  [x, y]: readonly [number, number],
  size: number,
): Promise<void> {
  for (const stroke of handwriting(text, x, y, size))
    await pen.draw(stroke, { pause: 1, pressure: (t) => 0.35 + 0.3 * Math.sin(Math.PI * t) });
}
