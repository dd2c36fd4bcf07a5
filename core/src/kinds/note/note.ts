import type { Drawing } from '../../drawing/index.ts';
import { outlineFigure } from '../../figures/index.ts';
import {
  boxOfPoints,
  growBox,
  joinPaths,
  lerp,
  type Matrix,
  type Path,
  transform,
  type Vec,
} from '../../geometry/index.ts';
import { aroundQuad, mapQuad } from '../../print/index.ts';
import { widened } from '../../marks/index.ts';
import type { Kind } from '../kind.ts';
import type { NoteMark } from './mark.ts';
import { noteOfSketch } from './ofSketch.ts';
import { fromNoteRecord, toNoteRecord } from './record.ts';

/** Dots run beneath what type stands on, in shares of a line's height above its foot. */
const UNDER = 0.06;
/** A place is a dot of so many widths of its line. */
const DOT = 4;

const paths = new WeakMap<NoteMark, Path>();

/** A row of dots beneath words, or around an area; one dot at a place. */
function outlineOf(mark: NoteMark): Path {
  let path = paths.get(mark);
  if (!path) paths.set(mark, (path = pathOf(mark)));
  return path;
}

function pathOf({ at, area, quads, style }: NoteMark): Path {
  if (area) return outlineFigure({ kind: 'polygon', corners: [...area] }, style.width, 'dotted');
  const dot = outlineFigure({ kind: 'polyline', corners: [at, at] }, DOT * style.width);
  if (quads.length === 0) return dot;
  return joinPaths(
    quads.map(([headStart, headEnd, footStart, footEnd]) => {
      const corners = [lerp(footStart, headStart, UNDER), lerp(footEnd, headEnd, UNDER)];
      return outlineFigure({ kind: 'polyline', corners }, style.width, 'dotted');
    }),
  );
}

const draw = (mark: NoteMark): Drawing => {
  const { colour, opacity } = mark.style;
  return [{ is: 'fill', path: outlineOf(mark), paint: { colour, opacity } }];
};

export const NOTE: Kind<NoteMark> = {
  name: 'note',
  sorts: { note: 'Notes' },
  toRecord: toNoteRecord,
  fromRecord: fromNoteRecord,
  plane: () => 'over',
  draw,
  outline: outlineOf,
  roughBounds: ({ at, area = [at], quads, style }) =>
    growBox(boxOfPoints([...area, ...quads.flat()]), (DOT * style.width) / 2),
  areas: ({ at, area, quads, style }) =>
    area
      ? sidesOf(area, DOT * style.width)
      : quads.length > 0
        ? quads.map(aroundQuad)
        : [aroundPlace(at.x, at.y, DOT * style.width)],
  unrubbed: true,
  bound: true,
  carry: (mark, by, { widthFollows = false }) => ({
    ...mark,
    style: widthFollows ? widened(mark.style, by) : mark.style,
    at: transform(by, mark.at),
    ...(mark.area ? { area: mapArea(mark.area, by) } : {}),
    quads: mark.quads.map((quad) => mapQuad(quad, by)),
  }),
  look: ({ style }) => ({ style }),
  restyle: (mark, { style }) => (style ? { ...mark, style: { ...mark.style, ...style } } : mark),
  words: ({ quote }) => ({ name: 'Note', text: quote.exact, sort: 'note' }),
  annotation: ({ at }) => ({ subtype: 'Text', at }),
  ofAnnotation: noteOfSketch,
};

const aroundPlace = (x: number, y: number, reach: number) => [
  { x: x - reach, y: y - reach },
  { x: x + reach, y: y - reach },
  { x: x + reach, y: y + reach },
  { x: x - reach, y: y + reach },
];

const mapArea = ([a, b, c, d]: NonNullable<NoteMark['area']>, by: Matrix) =>
  [transform(by, a), transform(by, b), transform(by, c), transform(by, d)] as const;

/** An area is met along its sides: what lies in it is met as ever. */
const sidesOf = (area: readonly Vec[], reach: number): Vec[][] =>
  area.map((a, k) => {
    const b = area[(k + 1) % area.length];
    const box = growBox(boxOfPoints([a, b]), reach / 2);
    return [
      { x: box.minX, y: box.minY },
      { x: box.maxX, y: box.minY },
      { x: box.maxX, y: box.maxY },
      { x: box.minX, y: box.maxY },
    ];
  });
