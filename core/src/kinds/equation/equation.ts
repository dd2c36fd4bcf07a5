import type { Drawing, Item } from '../../drawing/index.ts';
import { outlineBox, piecePath } from '../../equations/index.ts';
import {
  type Box,
  boxCorners,
  boxOfPoints,
  mapSize,
  thenMatrix,
  transform,
  type Vec,
} from '../../geometry/index.ts';
import type { Kind } from '../kind.ts';
import type { EquationMark } from './mark.ts';
import { fromEquationRecord, toEquationRecord } from './record.ts';

/** Its box, as it lies on the page. */
export const equationCorners = ({
  outline,
  place,
}: Pick<EquationMark, 'outline' | 'place'>): readonly Vec[] =>
  boxCorners(outlineBox(outline)).map((corner) => transform(place, corner));

/** The height of its letters, points to the em. */
export const equationSize = ({ place }: Pick<EquationMark, 'place'>): number => mapSize(place);

const bounds = (mark: EquationMark): Box => boxOfPoints(equationCorners(mark));

/** One group, so that it says what it is wherever it is drawn. */
function draw({ tex, outline, place, style }: EquationMark): Drawing {
  const items = outline.pieces.map((piece): Item => ({
    is: 'fill',
    path: piecePath(piece, place),
    paint: { colour: piece.colour ?? style.colour, opacity: 1 },
  }));
  const { opacity } = style;
  return [{ is: 'group', items, says: tex, ...(opacity === 1 ? {} : { opacity }) }];
}

export const EQUATION: Kind<EquationMark> = {
  name: 'equation',
  sorts: { equation: 'Equations' },
  toRecord: toEquationRecord,
  fromRecord: fromEquationRecord,
  plane: () => 'over',
  draw,
  bounds,
  roughBounds: bounds,
  areas: (mark) => [equationCorners(mark)],
  edge: equationCorners,
  // Its lines grow and shrink with its letters.
  carry: (mark, by) => ({ ...mark, place: thenMatrix(mark.place, by) }),
  look: ({ style }) => ({ style }),
  restyle: (mark, { style }) => ({ ...mark, style: { ...mark.style, ...style } }),
  words: ({ tex }) => ({ name: 'Equation', text: tex, sort: 'equation' }),
  annotation: ({ tex }) => ({ subtype: 'Stamp', says: tex }),
};
