import type { Drawing, Item } from '../../drawing/index.ts';
import { boxOfPoints, thenMatrix, unitCorners } from '../../geometry/index.ts';
import { graphicPath } from '../../graphics/index.ts';
import type { Kind } from '../kind.ts';
import type { GraphicMark } from './mark.ts';
import { fromGraphicRecord, toGraphicRecord } from './record.ts';

const corners = ({ place }: GraphicMark) => unitCorners(place);
const bounds = (mark: GraphicMark) => boxOfPoints(corners(mark));

/** One group where it is seen through as one, or says what it is. */
function draw({ graphic, place, style, says }: GraphicMark): Drawing {
  const items = graphic.map((piece): Item => ({
    is: 'fill',
    path: graphicPath(piece, place),
    paint: { colour: piece.colour, opacity: piece.opacity },
  }));
  const { opacity } = style;
  if (opacity === 1 && !says) return items;
  return [
    {
      ...{ is: 'group', items, layered: true },
      ...(says ? { says } : {}),
      ...(opacity === 1 ? {} : { opacity }),
    },
  ];
}

export const GRAPHIC: Kind<GraphicMark> = {
  name: 'graphic',
  sorts: { graphic: 'Graphics' },
  toRecord: toGraphicRecord,
  fromRecord: fromGraphicRecord,
  plane: () => 'over',
  draw,
  bounds,
  roughBounds: bounds,
  areas: (mark) => [corners(mark)],
  edge: corners,
  // As with a photograph: ink on it is rubbed out every now and then, and it is to stay.
  unrubbed: true,
  carry: (mark, by) => ({ ...mark, place: thenMatrix(mark.place, by) }),
  look: ({ style }) => ({ style, inkless: true }),
  restyle: (mark, { style }) => ({ ...mark, style: { ...mark.style, ...style } }),
  words: ({ says }) => ({ name: 'Graphic', text: says, sort: 'graphic' }),
  annotation: ({ says }) => ({ subtype: 'Stamp', says }),
};
