import type { Drawing } from '../../drawing/index.ts';
import { growBox, IDENTITY, type Matrix, thenMatrix } from '../../geometry/index.ts';
import { type InkSample, radiusAt } from '../../ink/index.ts';
import { leftOf, widened } from '../../marks/index.ts';
import type { CarryOptions, Kind } from '../kind.ts';
import { inkLines } from './lines.ts';
import { writtenBox } from './leftSamples.ts';
import type { InkMark } from './mark.ts';
import { inkOutline, nibOf } from './outline.ts';
import { inkOfSketch } from './ofSketch.ts';
import { fromInkRecord, toInkRecord } from './record.ts';

const isHighlighter = ({ tool }: InkMark): boolean => tool === 'highlighter';

const draw = (mark: InkMark): Drawing => {
  const { colour, opacity } = mark.style;
  return [{ is: 'fill', path: inkOutline(mark), paint: { colour, opacity } }];
};

/** Ink keeps its samples, and only learns where it is now. */
export function carryInk(
  mark: InkMark,
  by: Matrix,
  { widthFollows = false }: CarryOptions = {},
): InkMark {
  const place = thenMatrix(mark.ink.place ?? IDENTITY, by);
  const style = widthFollows ? widened(mark.style, by) : mark.style;
  return { ...mark, style, ink: { ...mark.ink, place } };
}

export const INK: Kind<InkMark> = {
  name: 'ink',
  sorts: { ink: 'Ink', highlight: 'Highlights' },
  toRecord: toInkRecord,
  fromRecord: fromInkRecord,
  plane: (mark) => (isHighlighter(mark) ? 'beneath' : 'over'),
  draw,
  outline: inkOutline,
  roughBounds: ({ ink, style }) => growBox(writtenBox(ink), style.width / 2),
  lines: inkLines,
  reach: (mark) => {
    const nib = nibOf(mark);
    return (point) => radiusAt(nib, point as InkSample);
  },
  carry: carryInk,
  madeWith: (mark) => (isHighlighter(mark) ? 'highlighter' : 'pen'),
  look: ({ style, ink: { engine, steadiness, nib } }) =>
    engine === 0 ? { style, nib } : { style, steadiness, nib },
  restyle: (mark, { style, steadiness = mark.ink.steadiness }) => ({
    ...mark,
    style: style ? { ...mark.style, ...style } : mark.style,
    ink:
      steadiness === mark.ink.steadiness || mark.ink.engine === 0
        ? mark.ink
        : { ...mark.ink, steadiness },
  }),
  words: (mark) =>
    isHighlighter(mark)
      ? { name: 'Highlight', text: '', sort: 'highlight' }
      : { name: 'Ink', text: '', sort: 'ink' },
  annotation: (mark) => ({
    subtype: 'Ink',
    lines: leftOf(mark, inkLines(mark)).map(({ points }) => points),
    width: mark.style.width,
    outline: inkOutline(mark),
    ...(isHighlighter(mark) ? { multiplied: true } : {}),
  }),
  ofAnnotation: inkOfSketch,
};
