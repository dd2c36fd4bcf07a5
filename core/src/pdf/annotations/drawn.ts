import { PDFArray, PDFDict, PDFName, PDFNumber } from '@cantoo/pdf-lib';
import { type Box, ellipseInto, type Vec } from '../../geometry/index.ts';
import type { Layer } from '../sink/layer.ts';
import { pdfNumber as n } from '../sink/operators.ts';
import { lineEnding } from './lineEndings.ts';
import { numbersAt, numbersOf, rectOf, subtypeOf } from './read.ts';

const DEFAULT_WIDTH = 1;

/**
 * Draws an annotation that brings no appearance stream from its own entries (ISO 32000-1 §12.5.6).
 * False for kinds that show nothing on the page without one.
 */
export function drawWithoutAppearance(layer: Layer, annotation: PDFDict): boolean {
  const operators = operatorsFor(annotation);
  if (operators === null) return false;
  const opacity = annotation.lookup(PDFName.of('CA'));
  const blend = subtypeOf(annotation) === 'Highlight' ? 'Multiply' : 'Normal';
  const state = layer.stateName(opacity instanceof PDFNumber ? opacity.asNumber() : 1, blend);
  layer.write(`q /${state} gs\n${operators}\nQ`);
  return true;
}

function operatorsFor(annotation: PDFDict): string | null {
  const stroke = colour(numbersAt(annotation, 'C'), 'stroke');
  const width = borderWidth(annotation);
  switch (subtypeOf(annotation)) {
    case 'Highlight': {
      const fill = colour(numbersAt(annotation, 'C'), 'fill');
      return fill && quads(annotation, (q) => `${polyline([q[0], q[1], q[3], q[2]])} h f`, fill);
    }
    case 'Underline':
    case 'Squiggly':
      return (
        stroke &&
        quads(
          annotation,
          (q) => `${polyline([between(q[2], q[0], 0.08), between(q[3], q[1], 0.08)])} S`,
          `${stroke} 1 w`,
        )
      );
    case 'StrikeOut':
      return (
        stroke &&
        quads(
          annotation,
          (q) => `${polyline([between(q[2], q[0], 0.5), between(q[3], q[1], 0.5)])} S`,
          `${stroke} 1 w`,
        )
      );
    case 'Ink':
      return (
        stroke &&
        `${stroke} ${n(width)} w 1 J 1 j ${inkLists(annotation)
          .map((p) => `${polyline(p)} S`)
          .join('\n')}`
      );
    case 'Line':
      return stroke && openLine(annotation, points(numbersAt(annotation, 'L')).slice(0, 2), width);
    case 'PolyLine':
      return stroke && openLine(annotation, points(numbersAt(annotation, 'Vertices')), width);
    case 'Polygon':
      return painted(annotation, `${polyline(points(numbersAt(annotation, 'Vertices')))} h`, width);
    case 'Square':
    case 'Circle':
      return painted(annotation, boxOrEllipse(annotation, width), width);
    case 'Widget':
      return frameOfField(annotation, width);
    default:
      return null;
  }
}

/** A line with what stands at its ends (LE; IC fills what is closed). */
function openLine(annotation: PDFDict, line: readonly Point[], width: number): string | null {
  if (line.length < 2) return null;
  const endings = annotation.lookup(PDFName.of('LE'));
  const nameOf = (i: number): string => {
    const name = endings instanceof PDFArray ? endings.lookup(i) : undefined;
    return name instanceof PDFName ? name.decodeText() : 'None';
  };
  const vec = ([x, y]: Point): Vec => ({ x, y });
  const ends = [line, [...line].reverse()].map(([end, before], i) =>
    lineEnding(nameOf(i), vec(end), vec(before), width),
  );
  const c = numbersAt(annotation, 'C');
  const fill = colour(numbersAt(annotation, 'IC'), 'fill');
  const shown = line.map((p, i) => {
    const last = i === line.length - 1;
    if (i !== 0 && !last) return p;
    const back = ends[last ? 1 : 0]?.shortens ?? 0;
    const next = line[last ? i - 1 : 1];
    const length = Math.hypot(next[0] - p[0], next[1] - p[1]);
    return back === 0 || length === 0 ? p : between(p, next, Math.min(1, back / length));
  });
  return [
    `${colour(c, 'stroke')} ${n(width)} w ${polyline(shown)} S`,
    ...ends.flatMap((e) =>
      e ? [e.closed && fill ? `${fill} ${e.path} f` : '', `${e.path} S`] : [],
    ),
  ]
    .filter(Boolean)
    .join('\n');
}

type Point = readonly [number, number];

function points(numbers: readonly number[]): Point[] {
  const out: Point[] = [];
  for (let i = 0; i + 1 < numbers.length; i += 2) out.push([numbers[i], numbers[i + 1]]);
  return out;
}

const between = (a: Point, b: Point, t: number): Point => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
];

const polyline = (p: readonly Point[]): string =>
  p.map(([x, y], i) => `${n(x)} ${n(y)} ${i === 0 ? 'm' : 'l'}`).join(' ');

/** The operators of each quadrilateral: top left, top right, bottom left, bottom right, as written in practice. */
function quads(annotation: PDFDict, draw: (q: Point[]) => string, before: string): string {
  const all = points(numbersAt(annotation, 'QuadPoints'));
  const out = [before];
  for (let i = 0; i + 3 < all.length; i += 4) out.push(draw(all.slice(i, i + 4)));
  return out.join('\n');
}

function inkLists(annotation: PDFDict): Point[][] {
  const lists = annotation.lookup(PDFName.of('InkList'));
  if (!(lists instanceof PDFArray)) return [];
  return Array.from({ length: lists.size() }, (_, i) => points(numbersOf(lists.lookup(i))));
}

function borderWidth(annotation: PDFDict): number {
  const style = annotation.lookup(PDFName.of('BS'));
  const width = style instanceof PDFDict ? style.lookup(PDFName.of('W')) : undefined;
  if (width instanceof PDFNumber) return width.asNumber();
  return numbersAt(annotation, 'Border')[2] ?? DEFAULT_WIDTH;
}

/** The ground and the border of a field that brings no picture of itself, as its MK says (§12.5.6.19); a ring where one is chosen of several by rings. */
function frameOfField(annotation: PDFDict, width: number): string | null {
  const look = annotation.lookup(PDFName.of('MK'));
  const rect = rectOf(annotation);
  if (!(look instanceof PDFDict) || !rect) return null;
  const colours = { fill: numbersAt(look, 'BG'), stroke: numbersAt(look, 'BC') };
  const isRing = isRadio(annotation);
  const inset = (by: number): string => shapeIn(rect, by, isRing);
  const fill = colour(colours.fill, 'fill');
  const stroke = width > 0 ? colour(colours.stroke, 'stroke') : null;
  if (!stroke && !fill) return null;
  return [
    fill && `${fill} ${inset(0)} f`,
    stroke && `${stroke} ${n(width)} w ${inset(width / 2)} S`,
  ]
    .filter(Boolean)
    .join('\n');
}

const RADIO = 1 << 15;

function isRadio(annotation: PDFDict): boolean {
  const parent = annotation.lookup(PDFName.of('Parent'));
  const flags = [annotation, parent].map((one) =>
    one instanceof PDFDict ? one.lookup(PDFName.of('Ff')) : null,
  );
  return flags.some((one) => one instanceof PDFNumber && (one.asNumber() & RADIO) !== 0);
}

/** Grey, RGB or CMYK by the count of components; none means transparent. */
function colour(c: readonly number[], use: 'fill' | 'stroke'): string | null {
  const operator = { 1: ['g', 'G'], 3: ['rg', 'RG'], 4: ['k', 'K'] }[c.length];
  return operator ? `${c.map(n).join(' ')} ${operator[use === 'fill' ? 0 : 1]}` : null;
}

function painted(annotation: PDFDict, path: string, width: number): string | null {
  const stroke = width > 0 ? colour(numbersAt(annotation, 'C'), 'stroke') : null;
  const fill = colour(numbersAt(annotation, 'IC'), 'fill');
  if (!stroke && !fill) return null;
  // Filled and stroked apart: together they would show the overlap where they are translucent.
  return [fill && `${fill} ${path} f`, stroke && `${stroke} ${n(width)} w ${path} S`]
    .filter(Boolean)
    .join('\n');
}

function boxOrEllipse(annotation: PDFDict, width: number): string {
  const rect = rectOf(annotation);
  if (!rect) return '';
  const [dl, db, dr, dt] = numbersAt(annotation, 'RD');
  const inset = width / 2;
  const minX = rect.minX + (dl ?? 0) + inset;
  const minY = rect.minY + (db ?? 0) + inset;
  const w = rect.maxX - (dr ?? 0) - inset - minX;
  const h = rect.maxY - (dt ?? 0) - inset - minY;
  if (subtypeOf(annotation) === 'Square') return `${n(minX)} ${n(minY)} ${n(w)} ${n(h)} re`;
  return ellipseIn(minX, minY, w, h);
}

function ellipseIn(minX: number, minY: number, w: number, h: number): string {
  const parts: string[] = [];
  ellipseInto(
    {
      moveTo: (x, y) => parts.push(`${n(x)} ${n(y)} m`),
      lineTo: (x, y) => parts.push(`${n(x)} ${n(y)} l`),
      bezierCurveTo: (...c) => parts.push(`${c.map(n).join(' ')} c`),
      closePath: () => parts.push('h'),
    },
    { x: minX + w / 2, y: minY + h / 2 },
    w / 2,
    h / 2,
  );
  return parts.join(' ');
}

/** The rectangle, or the circle in its middle, so far within a box. */
function shapeIn({ minX, minY, maxX, maxY }: Box, by: number, isRing: boolean): string {
  const [w, h] = [Math.max(0, maxX - minX - 2 * by), Math.max(0, maxY - minY - 2 * by)];
  if (!isRing) return `${n(minX + by)} ${n(minY + by)} ${n(w)} ${n(h)} re`;
  const side = Math.min(w, h);
  return ellipseIn((minX + maxX - side) / 2, (minY + maxY - side) / 2, side, side);
}
