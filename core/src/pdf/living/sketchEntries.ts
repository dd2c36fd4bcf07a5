import { PDFString } from '@cantoo/pdf-lib';
import type { AnnotationSketch } from '../../kinds/index.ts';
import type { Vec } from '../../geometry/index.ts';
import { colourEntry } from './colourEntry.ts';

type Entries = Readonly<Record<string, unknown>>;

const flat = (points: readonly Vec[]): number[] =>
  points.flatMap(({ x, y }) => [round(x), round(y)]);

/** Points are kept to a thousandth: what another program shows is in the appearance. */
export const round = (n: number): number => Math.round(n * 1000) / 1000;

/** What the kind of an annotation says beside what all of them do (ISO 32000-1 §12.5.6). Text is in `colour`, `#rrggbb`. */
export function sketchEntries(sketch: AnnotationSketch, colour: string): Entries {
  switch (sketch.subtype) {
    case 'Ink':
      return { InkList: sketch.lines.map(flat), ...stroked(sketch) };
    case 'Line': {
      const [begins, ends] = sketch.heads.map((head) => (head ? 'OpenArrow' : 'None'));
      return { L: flat([sketch.from, sketch.to]), LE: [begins, ends], ...stroked(sketch) };
    }
    case 'PolyLine':
    case 'Polygon':
      return { Vertices: flat(sketch.corners), ...stroked(sketch) };
    case 'Square':
    case 'Circle':
      return stroked(sketch);
    case 'Highlight':
    case 'Underline':
    case 'Squiggly':
    case 'StrikeOut':
      return {
        // Upper left, upper right, lower left, lower right: common practice, against the letter of §12.5.6.10.
        QuadPoints: sketch.quads.flatMap(([headStart, headEnd, footStart, footEnd]) =>
          flat([headStart, headEnd, footStart, footEnd]),
        ),
      };
    case 'Text':
      return { Name: 'Note' };
    case 'FreeText':
      // For programs that draw it anew when it is changed there; how it looks until then is in the appearance.
      return { DA: PDFString.of(`${colourEntry(colour).join(' ')} rg /Helv 12 Tf`) };
  }
}

interface Stroked {
  readonly width: number;
  readonly dashed?: boolean;
  readonly inside?: string;
}

const stroked = ({ width, dashed, inside }: Stroked): Entries => ({
  BS: { W: round(width), S: dashed ? 'D' : 'S', ...(dashed ? { D: [3 * round(width)] } : {}) },
  ...(inside ? { IC: colourEntry(inside) } : {}),
});
