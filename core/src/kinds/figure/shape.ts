import { array, lazy, mixed, number, object, type Schema, string, tuple } from 'yup';
import { DASHES, type FigureKind } from '../../figures/index.ts';
import { finite } from '../../marks/index.ts';

const point = object({ x: finite, y: finite }).required();
const size = finite.min(0);
const head = number().strict().min(0).max(1e6).optional();
const heads = { head, tail: head };
const turnedBox = { centre: point, width: size, height: size, angle: finite };
/** Corners of a figure, at most so many that nobody has tapped them. */
const MOST_CORNERS = 2000;
const corners = (least: number): Schema =>
  array(point).strict().required().min(least).max(MOST_CORNERS);
const fourPoints = tuple([point, point, point, point]).required();
const embrace = object({ kind: string(), from: point, to: point, depth: finite });
const pair = tuple([point, point]).required();

const shapes: Record<FigureKind, Schema> = {
  line: object({ kind: string(), from: point, to: point, caps: head }),
  arrow: object({ kind: string(), from: point, to: point, head: size, tail: head }),
  polyline: object({ kind: string(), corners: corners(2), ...heads }),
  arc: object({
    kind: string(),
    centre: point,
    radius: size,
    start: finite,
    sweep: finite.min(-7).max(7),
    ...heads,
  }),
  curve: object({ kind: string(), points: fourPoints, ...heads }),
  circle: object({ kind: string(), centre: point, radius: size }),
  ellipse: object({ kind: string(), centre: point, rx: size, ry: size, angle: finite }),
  triangle: object({ kind: string(), corners: tuple([point, point, point]).required() }),
  rectangle: object({ kind: string(), ...turnedBox }),
  square: object({ kind: string(), centre: point, side: size, angle: finite }),
  diamond: object({ kind: string(), ...turnedBox }),
  parallelogram: object({ kind: string(), corners: fourPoints }),
  polygon: object({ kind: string(), corners: corners(3) }),
  cloud: object({ kind: string(), corners: corners(3) }),
  star: object({
    kind: string(),
    centre: point,
    outer: size,
    inner: size,
    angle: finite,
    tips: finite.integer().min(3).max(24),
  }),
  brace: embrace,
  bracket: embrace,
  tick: object({ kind: string(), corners: tuple([point, point, point]).required() }),
  cross: object({ kind: string(), first: pair, second: pair }),
};

/** What a stored figure must be. */
export const figureShape = lazy((value: { kind?: unknown } | undefined) => {
  const shape = shapes[String(value?.kind) as FigureKind];
  return shape ? shape.required() : mixed().required().oneOf([], 'figure has an unknown kind');
});

/** How a stored figure's line is broken. */
export const dashShape = string()
  .strict()
  .oneOf([...DASHES])
  .required();
