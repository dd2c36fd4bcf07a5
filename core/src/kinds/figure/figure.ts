import type { Drawing } from '../../drawing/index.ts';
import {
  type Figure,
  figureLines,
  insideOf,
  isClosedFigure,
  mapFigure,
  outlineParts,
} from '../../figures/index.ts';
import {
  type Box,
  boxCentre,
  boxOfPoints,
  growBox,
  type Matrix,
  mapSize,
  moveBy,
  type Path,
  pathBounds,
  scaleAbout,
  subtract,
  thenMatrix,
  transform,
  type Vec,
} from '../../geometry/index.ts';
import { beyondPart, leftOf, lineByLength, type MarkLine, widened } from '../../marks/index.ts';
import { carryInk, type InkMark } from '../ink/index.ts';
import type { AnnotationSketch } from '../annotation.ts';
import type { CarryOptions, Kind } from '../kind.ts';
import { type FigureMark, untied } from './mark.ts';
import { FIGURE_NAMES } from './names.ts';
import { figureOfSketch } from './ofSketch.ts';
import { fromFigureRecord, toFigureRecord } from './record.ts';

/** Less than so much off is upright: of the sine of twice the angle. */
const UPRIGHT = 1e-6;

/** By the figure, so that a mark that is rubbed or restyled keeps its lines. */
const lines = new WeakMap<Figure, readonly MarkLine[]>();

function linesOf({ figure }: FigureMark): readonly MarkLine[] {
  let known = lines.get(figure);
  if (!known) lines.set(figure, (known = figureLines(figure).map(lineByLength)));
  return known;
}

function outlineOf(mark: FigureMark): Path {
  const whole = linesOf(mark);
  const parts = leftOf(mark, whole).map((line) => ({
    ...line,
    before: beyondPart(whole[line.line], line).before,
  }));
  return outlineParts(mark.figure, parts, mark.style.width, mark.dash);
}

function draw(mark: FigureMark): Drawing {
  const { colour, opacity } = mark.style;
  const outline = { is: 'fill', path: outlineOf(mark), paint: { colour, opacity } } as const;
  const inside = mark.fill && insideOf(mark.figure);
  if (!mark.fill || !inside) return [outline];
  const paint = { colour: mark.fill.colour, opacity: mark.fill.opacity * opacity };
  return [{ is: 'fill', path: inside, paint }, outline];
}

/** The even part of a map: grown by its mean scale, and the middle where the map takes it. */
function evenly(m: Matrix, middle: Vec): Matrix {
  const size = mapSize(m);
  const to = transform(m, middle);
  return thenMatrix(scaleAbout(size, size, middle), moveBy(subtract(to, middle)));
}

function carry(mark: FigureMark, by: Matrix, { widthFollows = false }: CarryOptions): FigureMark {
  // Cuts are counted along the line: a figure that is cut keeps its proportions.
  const m = mark.left ? evenly(by, boxCentre(pathBounds(outlineOf(mark)))) : by;
  return {
    ...mark,
    style: widthFollows ? widened(mark.style, by) : mark.style,
    figure: mapFigure(mark.figure, m),
    from: mark.from.map((ink) => carryInk(ink, m)),
  };
}

/** The ink it was tidied from belongs to the whole figure, and the inside stays with the first piece. */
const split: Kind<FigureMark>['split'] = (mark, runs) =>
  runs.map((run, k) => ({
    ...untied(mark),
    from: [],
    fill: k === 0 ? mark.fill : null,
    left: [run],
  }));

function roughBounds(mark: FigureMark): Box {
  const points = linesOf(mark).flatMap((line) => line.points);
  return growBox(boxOfPoints(points), mark.style.width / 2);
}

function annotation(mark: FigureMark): AnnotationSketch {
  const { figure, style, dash, fill } = mark;
  const look = {
    width: style.width,
    dashed: dash !== 'none',
    ...(fill ? { inside: fill.colour } : {}),
  };
  if (!mark.left && (figure.kind === 'line' || figure.kind === 'arrow')) {
    const isArrow = figure.kind === 'arrow';
    const heads = [isArrow && !!figure.tail, isArrow] as const;
    return { subtype: 'Line', from: figure.from, to: figure.to, heads, ...look };
  }
  const whole = linesOf(mark);
  if (mark.left || whole.length > 1)
    return { subtype: 'Ink', lines: leftOf(mark, whole).map(({ points }) => points), ...look };
  const [{ points }] = whole;
  if (figure.kind === 'circle' || (figure.kind === 'ellipse' && figure.angle === 0)) {
    const [rx, ry] =
      figure.kind === 'circle' ? [figure.radius, figure.radius] : [figure.rx, figure.ry];
    const { x, y } = figure.centre;
    const corners = [
      { x: x - rx, y: y - ry },
      { x: x + rx, y: y + ry },
    ] as const;
    return { subtype: 'Circle', corners, ...look };
  }
  if (figure.kind === 'cloud')
    return { subtype: 'Polygon', corners: figure.corners, cloudy: true, ...look };
  if (
    (figure.kind === 'rectangle' || figure.kind === 'square') &&
    Math.abs(Math.sin(2 * figure.angle)) < UPRIGHT
  ) {
    const { minX, minY, maxX, maxY } = boxOfPoints(points);
    const corners = [
      { x: minX, y: minY },
      { x: maxX, y: maxY },
    ] as const;
    return { subtype: 'Square', corners, ...look };
  }
  return isClosedFigure(figure)
    ? { subtype: 'Polygon', corners: points.slice(0, -1), ...look }
    : { subtype: 'PolyLine', corners: points, ...look };
}

export const FIGURE: Kind<FigureMark> = {
  name: 'figure',
  sorts: { figure: 'Figures' },
  toRecord: toFigureRecord,
  fromRecord: fromFigureRecord,
  plane: () => 'over',
  draw,
  roughBounds,
  lines: linesOf,
  areas: (mark) => (mark.fill && isClosedFigure(mark.figure) ? [linesOf(mark)[0].points] : []),
  edge: (mark) => (isClosedFigure(mark.figure) ? linesOf(mark)[0].points : null),
  carry,
  split,
  mapParts: (mark, change) => ({ ...mark, from: mark.from.map((ink) => change(ink) as InkMark) }),
  madeWith: () => 'figure-pen',
  look: ({ style, dash, fill, figure }) => ({
    style,
    dash,
    ...(isClosedFigure(figure) ? { fill } : {}),
  }),
  restyle(mark, { style, dash = mark.dash, fill = mark.fill }) {
    const inside = isClosedFigure(mark.figure) ? fill : mark.fill;
    return {
      ...mark,
      style: style ? { ...mark.style, ...style } : mark.style,
      dash,
      // The inside keeps to the outline's ink as long as it has the same.
      fill:
        inside && style?.colour && inside.colour === mark.style.colour
          ? { ...inside, colour: style.colour }
          : inside,
    };
  },
  words: ({ figure }) => ({ name: FIGURE_NAMES[figure.kind], text: '', sort: 'figure' }),
  annotation,
  ofAnnotation: figureOfSketch,
};
