import { PDFArray, type PDFContext, PDFDict, PDFName } from '@cantoo/pdf-lib';
import {
  boxSketch,
  hasHead,
  lettersOf,
  notePlace,
  quadOf,
  withinFringe,
} from '../../annotations/index.ts';
import { boxHeight, boxWidth, type Vec } from '../../geometry/index.ts';
import type { AnnotationSketch } from '../../kinds/index.ts';
import type { Quad } from '../../print/index.ts';
import { numbersAt, numbersOf, rectOf, subtypeOf } from '../annotations/read.ts';
import { inkLookOf } from './inkLook.ts';
import { plainRich, styleOfRich } from './richText.ts';
import { colourAt, nameAt, numberAt, textAt } from './values.ts';

/** An annotation as a mark could be it, and what its look says of colour and opacity in place of its entries. */
export interface Sketched {
  readonly sketch: AnnotationSketch;
  readonly colour?: string;
  readonly opacity?: number;
}

const DEFAULT_WIDTH = 1;
/** Points, and pieces, of one annotation that nobody has drawn. */
const MOST_POINTS = 200_000;
const MOST_QUADS = 2000;
const MOST_CORNERS = 2000;
/** Coordinates beyond are damage. */
const FARTHEST = 1e5;

/** What an annotation is, in its own entries; null for kinds that no mark is of, and where entries it needs are missing. */
export function sketchOf(annotation: PDFDict, context: PDFContext): Sketched | null {
  const subtype = subtypeOf(annotation);
  switch (subtype) {
    case 'Ink':
      return inkOf(annotation, context);
    case 'Line': {
      const [from, to] = pointsAt(annotation, 'L');
      if (!to) return null;
      return {
        sketch: { subtype, from, to, heads: headsOf(annotation), ...strokedAs(annotation) },
      };
    }
    case 'PolyLine':
    case 'Polygon': {
      const corners = pointsAt(annotation, 'Vertices');
      if (corners.length < 2 || corners.length > MOST_CORNERS) return null;
      const cloudy = subtype === 'Polygon' && isCloudy(annotation);
      return {
        sketch: {
          subtype,
          corners,
          ...(subtype === 'PolyLine' ? { heads: headsOf(annotation) } : {}),
          ...(cloudy ? { cloudy } : {}),
          ...strokedAs(annotation),
        },
      };
    }
    case 'Square':
    case 'Circle':
      return boxOf(annotation, subtype);
    case 'Highlight':
    case 'Underline':
    case 'Squiggly':
    case 'StrikeOut': {
      const quads = quadsOf(annotation);
      return quads.length > 0 && quads.length <= MOST_QUADS ? { sketch: { subtype, quads } } : null;
    }
    case 'Text':
    case 'Caret': {
      const rect = rectOf(annotation);
      if (!rect) return null;
      const at =
        subtype === 'Text' ? notePlace(rect) : { x: (rect.minX + rect.maxX) / 2, y: rect.minY };
      return { sketch: { subtype: 'Text', at } };
    }
    case 'FreeText':
      return textOf(annotation);
    default:
      return null;
  }
}

/** As its appearance draws it, where that can be told; without one as its own lines do. */
function inkOf(annotation: PDFDict, context: PDFContext): Sketched | null {
  const rect = rectOf(annotation);
  const hasPlace = rect !== null && boxWidth(rect) > 0 && boxHeight(rect) > 0;
  const look = hasPlace ? inkLookOf(annotation, context) : null;
  const list = annotation.lookup(PDFName.of('InkList'));
  const own =
    list instanceof PDFArray
      ? Array.from({ length: list.size() }, (_, k) => pairs(numbersOf(list.lookup(k))))
      : [];
  const count = own.reduce((n, line) => n + line.length, 0);
  const width = widthOf(annotation);
  if (look) {
    const { colour, opacity, multiplied } = look;
    const said = { ...(colour ? { colour } : {}), opacity };
    if ('lines' in look) {
      const { lines } = look;
      return { sketch: { subtype: 'Ink', lines, width: look.width, multiplied }, ...said };
    }
    if (count === 0 || count > MOST_POINTS) return null;
    const { outline } = look;
    return { sketch: { subtype: 'Ink', lines: own, width, outline, multiplied }, ...said };
  }
  // With an appearance of another sort it would look otherwise afterwards: such ink stays as it is.
  if (hasPlace && annotation.lookup(PDFName.of('AP')) instanceof PDFDict) return null;
  if (count === 0 || count > MOST_POINTS) return null;
  return { sketch: { subtype: 'Ink', lines: own, width } };
}

function boxOf(annotation: PDFDict, subtype: 'Square' | 'Circle'): Sketched | null {
  const look = strokedAs(annotation);
  const corners = cornersWithin(annotation, look.width / 2);
  return corners && { sketch: boxSketch(subtype, corners, look, isCloudy(annotation)) };
}

/** The lower left and the upper right corner of what lies within an annotation's rectangle. */
function cornersWithin(annotation: PDFDict, beyond: number): readonly [Vec, Vec] | null {
  const rect = rectOf(annotation);
  return rect && withinFringe(rect, numbersAt(annotation, 'RD'), beyond);
}

function textOf(annotation: PDFDict): Sketched | null {
  const rich = textAt(annotation, 'RC');
  const text = textAt(annotation, 'Contents') || plainRich(rich);
  const [foot, head] = cornersWithin(annotation, 0) ?? [];
  if (!foot || !head || text.trim() === '') return null;
  const style = `${textAt(annotation, 'DS')};${styleOfRich(rich)}`;
  const { colour, ...letters } = lettersOf(textAt(annotation, 'DA'), style);
  const ground = colourAt(annotation, 'C');
  // Anticlockwise, as some programs say how text on a turned page is to be read (no source: common practice).
  const turned = turnOf(annotation);
  const around: readonly Vec[] = [{ x: foot.x, y: head.y }, head, { x: head.x, y: foot.y }, foot];
  const corner = (k: number): Vec => around[(k + 4 - turned) % 4];
  return {
    sketch: {
      subtype: 'FreeText',
      corners: [corner(0), corner(1), corner(2), corner(3)],
      text,
      ...letters,
      align: (['start', 'centre', 'end'] as const)[numberAt(annotation, 'Q') ?? 0] ?? 'start',
      ...(ground ? { ground } : {}),
      border: widthOf(annotation, hasBorder(annotation) ? DEFAULT_WIDTH : 0),
      ...leaderOf(annotation),
    },
    colour,
  };
}

/** Quarter turns anticlockwise, of its appearance, or as its own entry says. */
function turnOf(annotation: PDFDict): number {
  const ap = annotation.lookup(PDFName.of('AP'));
  const normal = ap instanceof PDFDict ? ap.lookup(PDFName.of('N')) : null;
  const dict = normal && 'dict' in normal ? (normal as { dict: PDFDict }).dict : null;
  const [a, b] = dict ? numbersAt(dict, 'Matrix') : [];
  if (b !== undefined) return (Math.round(Math.atan2(b, a) / (Math.PI / 2)) + 4) % 4;
  return (Math.round((numberAt(annotation, 'Rotate') ?? 0) / 90) + 4) % 4;
}

function leaderOf(annotation: PDFDict): Pick<AnnotationSketch & { subtype: 'FreeText' }, 'leader'> {
  if (nameAt(annotation, 'IT') !== 'FreeTextCallout') return {};
  const line = pointsAt(annotation, 'CL');
  if (line.length < 2) return {};
  const head = nameAt(annotation, 'LE') || endingsOf(annotation)[0] || 'None';
  return {
    leader: {
      to: line[0],
      bend: line.length > 2 ? line[1] : null,
      from: line[line.length - 1],
      head: hasHead(head),
    },
  };
}

/** The line of a border, and what it goes around. */
function strokedAs(annotation: PDFDict): {
  readonly width: number;
  readonly dashed: boolean;
  readonly inside?: string;
} {
  const inside = colourAt(annotation, 'IC');
  const style = annotation.lookup(PDFName.of('BS'));
  const dashed = style instanceof PDFDict && nameAt(style, 'S') === 'D';
  return { width: widthOf(annotation), dashed, ...(inside ? { inside } : {}) };
}

const hasBorder = (annotation: PDFDict): boolean =>
  annotation.lookup(PDFName.of('BS')) instanceof PDFDict ||
  numbersAt(annotation, 'Border').length > 0;

function widthOf(annotation: PDFDict, otherwise = DEFAULT_WIDTH): number {
  const style = annotation.lookup(PDFName.of('BS'));
  const width =
    (style instanceof PDFDict ? numberAt(style, 'W') : null) ?? numbersAt(annotation, 'Border')[2];
  return Math.min(1000, Math.max(0, width ?? otherwise));
}

const isCloudy = (annotation: PDFDict): boolean => {
  const effect = annotation.lookup(PDFName.of('BE'));
  return effect instanceof PDFDict && nameAt(effect, 'S') === 'C';
};

function endingsOf(annotation: PDFDict): string[] {
  const endings = annotation.lookup(PDFName.of('LE'));
  if (!(endings instanceof PDFArray)) return [];
  return Array.from({ length: endings.size() }, (_, k) => {
    const name = endings.lookup(k);
    return name instanceof PDFName ? name.decodeText() : 'None';
  });
}

const headsOf = (annotation: PDFDict): readonly [boolean, boolean] => {
  const [begins = 'None', ends = 'None'] = endingsOf(annotation);
  return [hasHead(begins), hasHead(ends)];
};

const pointsAt = (annotation: PDFDict, key: string): Vec[] => pairs(numbersAt(annotation, key));

function pairs(numbers: readonly number[]): Vec[] {
  if (!numbers.every((n) => Math.abs(n) <= FARTHEST)) return [];
  const out: Vec[] = [];
  for (let k = 0; k + 1 < numbers.length; k += 2) out.push({ x: numbers[k], y: numbers[k + 1] });
  return out;
}

/** Its quadrilaterals; without any that can be read, its rectangle (§12.5.6.10). */
function quadsOf(annotation: PDFDict): Quad[] {
  const corners = pointsAt(annotation, 'QuadPoints');
  const quads: Quad[] = [];
  for (let k = 0; k + 3 < corners.length; k += 4)
    quads.push(quadOf(corners[k], corners[k + 1], corners[k + 2], corners[k + 3]));
  if (quads.length > 0) return quads;
  const rect = rectOf(annotation);
  if (!rect || boxWidth(rect) === 0 || boxHeight(rect) === 0) return [];
  const { minX, minY, maxX, maxY } = rect;
  return [
    [
      { x: minX, y: maxY },
      { x: maxX, y: maxY },
      { x: minX, y: minY },
      { x: maxX, y: minY },
    ],
  ];
}
