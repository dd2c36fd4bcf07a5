import type { Drawing } from '../../drawing/index.ts';
import { boxOfPoints, polygonPath, transform } from '../../geometry/index.ts';
import { aroundQuad, type Quad } from '../../print/index.ts';
import type { Kind } from '../kind.ts';
import type { RedactionMark } from './mark.ts';
import { fromRedactionRecord, toRedactionRecord } from './record.ts';

const draw = ({ quads, style }: RedactionMark): Drawing =>
  quads.map((quad) => ({
    is: 'fill',
    path: polygonPath(aroundQuad(quad)),
    // What could be seen through would hide nothing.
    paint: { colour: style.colour, opacity: 1 },
  }));

const bounds = ({ quads }: RedactionMark) => boxOfPoints(quads.flatMap(aroundQuad));

export const REDACTION: Kind<RedactionMark> = {
  name: 'redaction',
  sorts: { redaction: 'Redactions' },
  toRecord: toRedactionRecord,
  fromRecord: fromRedactionRecord,
  plane: () => 'over',
  topmost: true,
  draw,
  bounds,
  roughBounds: bounds,
  areas: ({ quads }) => quads.map(aroundQuad),
  unrubbed: true,
  // Elsewhere it would hide, and take out, what nobody has looked at.
  bound: true,
  carry: (mark, by) => ({
    ...mark,
    quads: mark.quads.map((quad) => quad.map((corner) => transform(by, corner)) as unknown as Quad),
  }),
  inCopy: (mark) => ({ ...mark, says: '' }),
  redacts: ({ quads }) => quads,
  // Bars are bars: pixels beneath them are as black.
  look: ({ style }) => ({ style, inkless: true }),
  restyle: (mark) => mark,
  words: ({ says }) => ({ name: 'Redaction', text: says, sort: 'redaction' }),
  annotation: (mark) => {
    const { minX, minY, maxX, maxY } = bounds(mark);
    return {
      subtype: 'Square',
      corners: [
        { x: minX, y: minY },
        { x: maxX, y: maxY },
      ],
      width: 0,
      inside: mark.style.colour,
    };
  },
};
