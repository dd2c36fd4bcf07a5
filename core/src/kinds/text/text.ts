import type { Drawing, Item } from '../../drawing/index.ts';
import { outlineFigure } from '../../figures/index.ts';
import {
  boxOfPoints,
  growBox,
  length,
  mapSize,
  type Matrix,
  moveBy,
  polygonPath,
  thenMatrix,
  transform,
} from '../../geometry/index.ts';
import { type Span, textOfSpans } from '../../type/index.ts';
import { widened } from '../../marks/index.ts';
import type { AnnotationSketch } from '../annotation.ts';
import type { Kind } from '../kind.ts';
import { cornersOfBox, placeOfBox } from './box.ts';
import { leaderLines, leaderPath, leaderPoints } from './leader.ts';
import type { TextMark } from './mark.ts';
import { textOfSketch } from './ofSketch.ts';
import { fromTextRecord, toTextRecord } from './record.ts';

/** Letters reach so far beyond their lines, of the size: swashes, marks upon marks. */
const BEYOND = 0.35;

function draw(mark: TextMark): Drawing {
  const { block, height, padding, background, border, style } = mark;
  const { opacity } = style;
  const corners = cornersOfBox(mark);
  const items: Item[] = [];
  if (background) {
    const paint = { colour: background.colour, opacity: background.opacity * opacity };
    items.push({ is: 'fill', path: polygonPath(corners), paint });
  }
  if (border > 0) {
    const path = outlineFigure({ kind: 'polygon', corners: [...corners] }, border);
    items.push({ is: 'fill', path, paint: { colour: style.colour, opacity } });
  }
  const line = leaderPath(mark);
  if (line) items.push({ is: 'fill', path: line, paint: { colour: style.colour, opacity } });
  const within = thenMatrix(moveBy({ x: padding, y: -padding }), placeOfBox(mark));
  items.push({ is: 'text', block, place: within, width: block.width, height, opacity });
  return items;
}

const largest = (spans: readonly Span[]): number =>
  spans.reduce((most, { style }) => Math.max(most, style.size), 0);

const roughBounds = (mark: TextMark) =>
  growBox(
    boxOfPoints([...cornersOfBox(mark), ...leaderLines(mark).flat()]),
    Math.max(mark.border / 2, BEYOND * largest(mark.block.spans)),
  );

/** Less is no stretching. */
const EVEN = 1e-4;

/**
 * Letters keep their shape. Grown evenly the lines of a box break where they did; pulled along its lines it becomes wider, and pulled across them its
 * letters larger: how high it is then follows from its faces.
 */
const carry: Kind<TextMark>['carry'] = (mark, by, { widthFollows = false }) => {
  const along = length({
    x: by[0] * Math.cos(mark.angle) + by[2] * Math.sin(mark.angle),
    y: by[1] * Math.cos(mark.angle) + by[3] * Math.sin(mark.angle),
  });
  const across = Math.abs(by[0] * by[3] - by[1] * by[2]) / along;
  const isEven = Math.abs(along - across) < EVEN * across;
  const isPulledDown = !isEven && Math.abs(along - 1) < EVEN;
  const { fit } = mark.block;
  // What shrinks to fit gets more room, or less, and keeps its letters.
  const high = isEven ? mapSize(by) : isPulledDown ? across : 1;
  const size = isPulledDown && fit !== undefined ? 1 : high;
  const wide = isEven ? size : along;
  return {
    ...mark,
    style: widthFollows ? widened(mark.style, by) : mark.style,
    at: transform(by, mark.at),
    angle: turned(mark.angle, by),
    height: mark.height * high,
    padding: mark.padding * size,
    border: widthFollows ? mark.border * size : mark.border,
    ...(mark.leader
      ? {
          leader: {
            to: transform(by, mark.leader.to),
            bend: mark.leader.bend && transform(by, mark.leader.bend),
            head: mark.leader.head * size,
          },
        }
      : {}),
    block: {
      ...mark.block,
      width: mark.block.width * wide,
      ...(mark.block.indent ? { indent: mark.block.indent * size } : {}),
      ...(fit === undefined ? {} : { fit: fit * high }),
      // Pulled wider, a row of cells stays as many cells.
      ...(mark.block.cell ? { cell: mark.block.cell * wide } : {}),
      spans: mark.block.spans.map(({ text, style }) => ({
        text,
        style: { ...style, size: style.size * size },
      })),
    },
  };
};

/** The direction that a map gives to lines of a direction. */
const turned = (angle: number, m: Matrix): number => {
  const { x, y } = { x: Math.cos(angle), y: Math.sin(angle) };
  return Math.atan2(m[1] * x + m[3] * y, m[0] * x + m[2] * y);
};

const PLAIN = { name: 'Text', sort: 'text' } as const;
const CALLOUT = { name: 'Callout', sort: 'callout' } as const;

export const TEXT: Kind<TextMark> = {
  name: 'text',
  sorts: { text: 'Text', callout: 'Callouts' },
  toRecord: toTextRecord,
  fromRecord: fromTextRecord,
  plane: () => 'over',
  draw,
  bounds: roughBounds,
  roughBounds,
  areas: (mark) => [cornersOfBox(mark)],
  edge: cornersOfBox,
  carry,
  madeWith: () => 'text-box',
  look: ({ style }) => ({ style }),
  restyle: (mark, { style }) => ({
    ...mark,
    style: { ...mark.style, ...style },
    block: style?.colour ? { ...mark.block, spans: inked(mark, style.colour) } : mark.block,
  }),
  words: ({ block, leader }) => ({
    ...(leader ? CALLOUT : PLAIN),
    text: textOfSpans(block.spans),
  }),
  annotation,
  ofAnnotation: textOfSketch,
};

/** Its letters are said to be as the first of them are. */
function annotation(mark: TextMark): AnnotationSketch {
  const { block, background, border, leader } = mark;
  const [{ style }] = block.spans;
  const { size, family, bold, italic } = style;
  const line = leaderPoints(mark);
  return {
    subtype: 'FreeText',
    corners: cornersOfBox(mark),
    text: textOfSpans(block.spans),
    size,
    family,
    bold,
    italic,
    align: block.align,
    ...(background ? { ground: background.colour } : {}),
    border,
    ...(leader && line
      ? { leader: { from: line[0], bend: leader.bend, to: leader.to, head: leader.head > 0 } }
      : {}),
  };
}

/** What has the box's own ink takes another; what stands out by its ink keeps it. */
const inked = ({ block, style }: TextMark, colour: string): readonly Span[] =>
  block.spans.map((span) =>
    span.style.colour === style.colour ? { ...span, style: { ...span.style, colour } } : span,
  );
