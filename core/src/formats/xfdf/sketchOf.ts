import type { Element as XmlElement } from '@xmldom/xmldom';
import {
  boxSketch,
  hasHead,
  lettersOf,
  notePlace,
  quadOf,
  withinFringe,
} from '../../annotations/index.ts';
import type { Box, Matrix, Vec } from '../../geometry/index.ts';
import type { Attachment } from '../../document/index.ts';
import type { AnnotationSketch } from '../../kinds/index.ts';
import { LONGEST_SAID } from '../../marks/index.ts';
import { elementsOf } from '../../xml/index.ts';
import { pictureIn } from './pictureIn.ts';
import { colourOf, numbersOf, pointsOf, wordOf } from './attributes.ts';

/** An annotation as a mark could be it, and the colour of its letters where it has some. */
interface Sketched {
  readonly sketch: AnnotationSketch;
  readonly colour?: string;
  /** The picture that it shows. */
  readonly attachment?: Attachment;
}

const MOST_CORNERS = 2000;
const MOST_POINTS = 200_000;

/** What an element is; null for kinds that no mark is of, and where it lacks what it needs. */
export function sketchOf(
  one: XmlElement,
  subtype: string,
  rect: Box | null,
  contents: string,
): Sketched | null {
  const sketch = shapeOf(one, subtype, rect);
  if (sketch) return { sketch };
  if (subtype === 'Stamp') return stampOf(one, rect, contents);
  return subtype === 'FreeText' ? textOf(one, rect, contents) : null;
}

function shapeOf(one: XmlElement, subtype: string, rect: Box | null): AnnotationSketch | null {
  switch (subtype) {
    case 'Ink': {
      const lines = elementsOf(one, 'gesture').map((gesture) =>
        pointsOf(gesture.textContent ?? ''),
      );
      const count = lines.reduce((n, line) => n + line.length, 0);
      return count > 0 && count <= MOST_POINTS ? { subtype, lines, ...strokedAs(one) } : null;
    }
    case 'Line': {
      const [[from], [to]] = ['start', 'end'].map((name) => pointsOf(wordOf(one, name)));
      return from && to ? { subtype, from, to, heads: headsOf(one), ...strokedAs(one) } : null;
    }
    case 'PolyLine':
    case 'Polygon': {
      const [vertices] = elementsOf(one, 'vertices');
      const corners = pointsOf(vertices?.textContent ?? '');
      if (corners.length < 2 || corners.length > MOST_CORNERS) return null;
      const cloudy = subtype === 'Polygon' && isCloudy(one);
      const heads = subtype === 'PolyLine' ? { heads: headsOf(one) } : {};
      return { subtype, corners, ...heads, ...(cloudy ? { cloudy } : {}), ...strokedAs(one) };
    }
    case 'Square':
    case 'Circle': {
      const look = strokedAs(one);
      const corners = cornersWithin(one, rect, look.width / 2);
      return corners && boxSketch(subtype, corners, look, isCloudy(one));
    }
    case 'Highlight':
    case 'Underline':
    case 'Squiggly':
    case 'StrikeOut': {
      const corners = pointsOf(wordOf(one, 'coords'));
      const quads = Array.from({ length: Math.min(MOST_CORNERS, corners.length >> 2) }, (_, k) => {
        const [a, b, c, d] = corners.slice(4 * k);
        return quadOf(a, b, c, d);
      });
      return quads.length > 0 ? { subtype, quads } : null;
    }
    case 'Text':
      return rect && { subtype, at: notePlace(rect) };
    case 'Caret':
      return rect && { subtype: 'Text', at: { x: (rect.minX + rect.maxX) / 2, y: rect.minY } };
    default:
      return null;
  }
}

/** A stamp that brings its picture; in its rectangle, unless more is said of its place. */
function stampOf(one: XmlElement, rect: Box | null, contents: string): Sketched | null {
  const [data] = elementsOf(one, 'imagedata');
  const attachment = data && pictureIn(data.textContent ?? '');
  if (!attachment || !rect) return null;
  const [a, b, c, d, e, f] = numbersOf(wordOf(one, 'place'));
  const { minX, minY, maxX, maxY } = rect;
  const place: Matrix =
    f === undefined ? [maxX - minX, 0, 0, maxY - minY, minX, minY] : [a, b, c, d, e, f];
  // What ours show is said in them; of others it is a remark.
  const says = f === undefined ? '' : contents.slice(0, LONGEST_SAID);
  const picture = { source: attachment.id, place };
  return { sketch: { subtype: 'Stamp', says, picture }, attachment };
}

function textOf(one: XmlElement, rect: Box | null, text: string): Sketched | null {
  const [foot, head] = cornersWithin(one, rect, 0) ?? [];
  if (!foot || !head || text.trim() === '') return null;
  const said = (name: string): string => elementsOf(one, name)[0]?.textContent ?? '';
  const { colour, ...letters } = lettersOf(said('defaultappearance'), said('defaultstyle'));
  const ground = colourOf(wordOf(one, 'color'));
  const [border = 0] = numbersOf(wordOf(one, 'width'));
  const sketch: AnnotationSketch = {
    subtype: 'FreeText',
    corners: [{ x: foot.x, y: head.y }, head, { x: head.x, y: foot.y }, foot],
    text,
    ...letters,
    align: ALIGNMENTS[wordOf(one, 'justification').toLowerCase()] ?? 'start',
    ...(ground ? { ground } : {}),
    border,
    ...leaderOf(one),
  };
  return { sketch, colour };
}

const ALIGNMENTS: Readonly<Record<string, 'start' | 'centre' | 'end'>> = {
  left: 'start',
  centered: 'centre',
  right: 'end',
};

function leaderOf(one: XmlElement): Pick<AnnotationSketch & { subtype: 'FreeText' }, 'leader'> {
  const line = pointsOf(wordOf(one, 'callout'));
  if (line.length < 2) return {};
  const [to, ...rest] = line;
  const from = rest[rest.length - 1];
  const bend = rest.length > 1 ? rest[0] : null;
  return { leader: { to, bend, from, head: hasHead(wordOf(one, 'head')) } };
}

/** The lower left and the upper right corner of what lies within an annotation's rectangle. */
const cornersWithin = (
  one: XmlElement,
  rect: Box | null,
  beyond: number,
): readonly [Vec, Vec] | null =>
  rect && withinFringe(rect, numbersOf(wordOf(one, 'fringe')), beyond);

const headsOf = (one: XmlElement): readonly [boolean, boolean] => [
  hasHead(wordOf(one, 'head')),
  hasHead(wordOf(one, 'tail')),
];

const isCloudy = (one: XmlElement): boolean => wordOf(one, 'style').toLowerCase() === 'cloudy';

function strokedAs(one: XmlElement) {
  const [width = 1] = numbersOf(wordOf(one, 'width'));
  const inside = colourOf(wordOf(one, 'interior-color'));
  return {
    width: Math.min(1000, Math.max(0, width)),
    dashed: wordOf(one, 'style').toLowerCase() === 'dash',
    ...(inside ? { inside } : {}),
  };
}
