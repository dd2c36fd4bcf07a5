import type { Fonts } from './face.ts';
import type { LetteredSpan } from './pieces.ts';
import type { Row } from './rows.ts';

/** Between an equation and the lines above and below, of its size. */
const AROUND = 0.1;

/** How much a line takes above and below its baseline, as each of its sizes wants it. */
export class LineHeights {
  private readonly bySpan: readonly { above: number; below: number }[];
  private readonly ends: readonly number[];

  constructor(spans: readonly LetteredSpan[], leading: number, fonts: Fonts) {
    let end = 0;
    this.ends = spans.map(({ text }) => (end += text.length));
    this.bySpan = spans.map(({ face, size }) => {
      const { ascent = 0.95, descent = 0.25 } = fonts.face(face) ?? {};
      const extra = (leading - ascent - descent) / 2;
      return { above: size * (ascent + extra), below: size * (descent + extra) };
    });
  }

  of({ pieces, from }: Row, length: number): { above: number; below: number } {
    let [above, below] = [-Infinity, -Infinity];
    const take = (span: number): void => {
      above = Math.max(above, this.bySpan[span].above);
      below = Math.max(below, this.bySpan[span].below);
    };
    let last = -1;
    for (const { span, size, equation } of pieces) {
      if (span !== last) take((last = span));
      if (!equation) continue;
      above = Math.max(above, size * (equation.ascent + AROUND));
      below = Math.max(below, size * (equation.descent + AROUND));
    }
    // An empty line is as high as what would be typed there.
    if (last < 0) {
      const here = this.ends.findIndex((end) => end > Math.min(from, length - 1));
      take(here < 0 ? this.ends.length - 1 : here);
    }
    return { above, below };
  }
}
