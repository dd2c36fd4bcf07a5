import type { Drawing, Item } from '../../drawing/index.ts';
import {
  boxOfPoints,
  mapSize,
  type Matrix,
  moveBy,
  polygonPath,
  thenMatrix,
  transform,
  turnAbout,
  unpackPath,
  type Vec,
} from '../../geometry/index.ts';
import { aroundQuad, LETTER_UNITS, placedLetters } from '../../print/index.ts';
import type { TextBlock } from '../../type/index.ts';
import type { Kind } from '../kind.ts';
import type { CorrectionMark, OwnLetters } from './mark.ts';
import { fromCorrectionRecord, toCorrectionRecord } from './record.ts';

/** From baseline to baseline, of the size; and a width at which no line breaks, points. */
const LEADING = 1.25;
const NEVER_BREAKS = 100_000;

type Line = Pick<CorrectionMark, 'says' | 'look'>;

/** What is set in place of the print. */
export const blockOfCorrection = ({ says, look }: Line): TextBlock => ({
  spans: [{ text: says, style: look }],
  width: NEVER_BREAKS,
  align: 'start',
  leading: LEADING,
});

/** From the line's own space (origin at its upper left corner, y up) to user space. */
const placeOf = ({ at, angle, stretch }: CorrectionMark): Matrix =>
  thenMatrix([stretch, 0, 0, 1, 0, 0], thenMatrix(turnAbout(angle, { x: 0, y: 0 }), moveBy(at)));

/** The corners of what stands in place of the print; those of the print where nothing does. */
export function cornersOfCorrection(mark: CorrectionMark): readonly Vec[] {
  if (mark.says === '') return aroundQuad(mark.quad);
  const place = placeOf(mark);
  const high = LEADING * mark.look.size;
  return [
    { x: 0, y: 0 },
    { x: mark.width, y: 0 },
    { x: mark.width, y: -high },
    { x: 0, y: -high },
  ].map((corner) => transform(place, corner));
}

function draw(mark: CorrectionMark): Drawing {
  const { paper, quad, says, look, width, style, own } = mark;
  const items: Item[] = [];
  if (paper !== null)
    items.push({
      is: 'fill',
      path: polygonPath(aroundQuad(quad)),
      paint: { colour: paper, opacity: 1 },
    });
  if (says !== '')
    items.push({
      is: 'text',
      block: blockOfCorrection(mark),
      place: placeOf(mark),
      width,
      height: LEADING * look.size,
      // Where it is seen as outlines, text is there to be found and copied.
      opacity: own ? 0 : style.opacity,
    });
  if (own) items.push(...drawOwn(mark, own));
  return items;
}

/** The line in the print's own letters. */
function drawOwn(mark: CorrectionMark, { letters, drop, stretch }: OwnLetters): Item[] {
  const { says, look, style } = mark;
  const place = placeOf({ ...mark, stretch });
  const paint = { colour: look.colour, opacity: style.opacity };
  return placedLetters(says, letters).placed.flatMap(({ letter, x }): Item[] => {
    if (letter.outline.verbs === '') return [];
    const map: Matrix = [look.size, 0, 0, look.size, x * look.size, -drop * look.size];
    return [
      {
        is: 'fill',
        path: unpackPath(letter.outline, LETTER_UNITS, thenMatrix(map, place)),
        paint,
      },
    ];
  });
}

const bounds = (mark: CorrectionMark) =>
  boxOfPoints([...aroundQuad(mark.quad), ...cornersOfCorrection(mark)]);

/** The print stays where it is: what stands in its place is carried. */
const carry: Kind<CorrectionMark>['carry'] = (mark, by) => {
  const size = mapSize(by);
  const along = { x: Math.cos(mark.angle), y: Math.sin(mark.angle) };
  return {
    ...mark,
    at: transform(by, mark.at),
    angle: Math.atan2(by[1] * along.x + by[3] * along.y, by[0] * along.x + by[2] * along.y),
    width: mark.width * size,
    look: { ...mark.look, size: mark.look.size * size },
  };
};

export const CORRECTION: Kind<CorrectionMark> = {
  name: 'correction',
  sorts: { correction: 'Corrections' },
  toRecord: toCorrectionRecord,
  fromRecord: fromCorrectionRecord,
  plane: () => 'over',
  draw,
  bounds,
  roughBounds: bounds,
  areas: (mark) => [aroundQuad(mark.quad), cornersOfCorrection(mark)],
  unrubbed: true,
  // Elsewhere it would hide, and take out, what it says nothing of.
  bound: true,
  carry,
  inCopy: (mark) => ({ ...mark, paper: null, was: '' }),
  takesOut: ({ quad, was }) => ({ quad, says: was }),
  look: ({ style, look }) => ({ style: { ...style, colour: look.colour } }),
  restyle: (mark, { style }) => ({
    ...mark,
    style: { ...mark.style, ...style },
    look: style?.colour ? { ...mark.look, colour: style.colour } : mark.look,
  }),
  words: ({ was, says }) => ({
    name: says === '' ? 'Words taken out' : 'Correction',
    text: says === '' ? was : says,
    sort: 'correction',
  }),
  annotation: (mark) => {
    const { says, look } = mark;
    const [a, b, c, d] = cornersOfCorrection(mark);
    return {
      subtype: 'FreeText',
      corners: [a, b, c, d],
      text: says,
      ...{ size: look.size, family: look.family, bold: look.bold, italic: look.italic },
      align: 'start',
      border: 0,
    };
  },
};
