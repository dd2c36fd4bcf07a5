import { PDFName, PDFString } from '@cantoo/pdf-lib';
import { fringeOf } from '../../annotations/index.ts';
import type { AnnotationSketch } from '../../kinds/index.ts';
import type { Box, Vec } from '../../geometry/index.ts';
import type { Family } from '../../type/index.ts';
import { colourEntry } from './colourEntry.ts';

type Entries = Readonly<Record<string, unknown>>;

const flat = (points: readonly Vec[]): number[] =>
  points.flatMap(({ x, y }) => [round(x), round(y)]);

/** Points are kept to a thousandth: what another program shows is in the appearance. */
export const round = (n: number): number => Math.round(n * 1000) / 1000;

/**
 * What the kind of an annotation says beside what all of them do (ISO 32000-1 §12.5.6). Its lines and letters are in `colour`, `#rrggbb`; `rect` is its
 * rectangle.
 */
export function sketchEntries(sketch: AnnotationSketch, colour: string, rect: Box): Entries {
  switch (sketch.subtype) {
    case 'Ink':
      return { InkList: sketch.lines.map(flat), ...stroked(sketch) };
    case 'Line':
      return { L: flat([sketch.from, sketch.to]), ...ends(sketch.heads), ...stroked(sketch) };
    case 'PolyLine':
      return {
        Vertices: flat(sketch.corners),
        ...(sketch.heads ? ends(sketch.heads) : {}),
        ...stroked(sketch),
      };
    case 'Polygon':
      return {
        Vertices: flat(sketch.corners),
        ...(sketch.cloudy ? { BE: { S: 'C', I: 1 } } : {}),
        ...stroked(sketch),
      };
    case 'Square':
    case 'Circle': {
      // The border lies half outside the shape.
      return {
        RD: fringeOf(rect, sketch.corners, sketch.width / 2).map(round),
        ...stroked(sketch),
      };
    }
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
    case 'Stamp':
      return { Name: 'Picture' };
    case 'Widget':
      throw new RangeError('A field of a form is in its file already.');
    case 'FreeText':
      return textEntries(sketch, colour, rect);
  }
}

/** For programs that draw it anew when it is changed there; how it looks until then is in the appearance. */
function textEntries(
  sketch: AnnotationSketch & { readonly subtype: 'FreeText' },
  colour: string,
  rect: Box,
): Entries {
  const { size, family, bold, italic, align, ground, border, leader, corners } = sketch;
  const face = FACES[family][(bold ? 1 : 0) + (italic ? 2 : 0)];
  const line = leader && [leader.to, ...(leader.bend ? [leader.bend] : []), leader.from];
  return {
    DA: PDFString.of(`${colourEntry(colour).join(' ')} rg /${face} ${round(size)} Tf`),
    Q: ['start', 'centre', 'end'].indexOf(align),
    BS: { W: round(border), S: 'S' },
    RD: fringeOf(rect, corners, 0).map(round),
    ...(ground ? { C: colourEntry(ground) } : {}),
    ...(line
      ? {
          IT: 'FreeTextCallout',
          CL: flat(line),
          LE: PDFName.of(leader.head ? 'OpenArrow' : 'None'),
        }
      : {}),
  };
}

/** Names of the standard faces that forms use (common practice): plain, bold, slanted, both. */
const FACES: Readonly<Record<Family, readonly [string, string, string, string]>> = {
  sans: ['Helv', 'HeBo', 'HeOb', 'HeBO'],
  serif: ['TiRo', 'TiBo', 'TiIt', 'TiBI'],
  mono: ['Cour', 'CoBo', 'CoOb', 'CoBO'],
  hand: ['Helv', 'HeBo', 'HeOb', 'HeBO'],
};

const ends = ([begins, closes]: readonly [boolean, boolean]): Entries => ({
  LE: [begins, closes].map((head) => (head ? 'OpenArrow' : 'None')),
});

interface Stroked {
  readonly width: number;
  readonly dashed?: boolean;
  readonly inside?: string;
}

const stroked = ({ width, dashed, inside }: Stroked): Entries => ({
  BS: { W: round(width), S: dashed ? 'D' : 'S', ...(dashed ? { D: [3 * round(width)] } : {}) },
  ...(inside ? { IC: colourEntry(inside) } : {}),
});
