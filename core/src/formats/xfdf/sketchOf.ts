import type { Element as XmlElement } from '@xmldom/xmldom';
import { notePlace, quadOf } from '../../annotations/index.ts';
import type { Box, Vec } from '../../geometry/index.ts';
import type { AnnotationSketch } from '../../kinds/index.ts';
import type { Family } from '../../type/index.ts';
import { elementsOf } from '../xml.ts';
import { colourOf, numbersOf, pointsOf, wordOf } from './attributes.ts';

/** An annotation as a mark could be it, and the colour of its letters where it has some. */
interface Sketched {
  readonly sketch: AnnotationSketch;
  readonly colour?: string;
}

const MOST_CORNERS = 2000;
const MOST_POINTS = 200_000;
const USUAL_SIZE = 12;
/** Characters that are looked through for a style; more has been made to harm. */
const LONGEST_STYLE = 2000;

/** What an element is; null for kinds that no mark is of, and where it lacks what it needs. */
export function sketchOf(
  one: XmlElement,
  subtype: string,
  rect: Box | null,
  contents: string,
): Sketched | null {
  const sketch = shapeOf(one, subtype, rect);
  if (sketch) return { sketch };
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
      const [a, b] = withinFringe(one, rect, look.width / 2) ?? [];
      if (!a || !b) return null;
      if (subtype === 'Circle' || !isCloudy(one)) return { subtype, corners: [a, b], ...look };
      const corners = [a, { x: b.x, y: a.y }, b, { x: a.x, y: b.y }];
      return { subtype: 'Polygon', corners, cloudy: true, ...look };
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

function textOf(one: XmlElement, rect: Box | null, text: string): Sketched | null {
  const [foot, head] = withinFringe(one, rect, 0) ?? [];
  if (!foot || !head || text.trim() === '') return null;
  const said = (name: string): string =>
    (elementsOf(one, name)[0]?.textContent ?? '').slice(0, LONGEST_STYLE);
  const [look, style] = [said('defaultappearance'), said('defaultstyle')];
  const [, face = '', points = '0'] = /\/(\S+)\s+([\d.]+)\s+Tf/.exec(look) ?? [];
  const size = Number(/([\d.]+)\s*pt/.exec(style)?.[1] ?? points);
  const name = `${face} ${style}`;
  const colour = colourOf(/color:\s*(#[0-9a-f]{6})/i.exec(style)?.[1] ?? '') ?? levelsIn(look);
  const ground = colourOf(wordOf(one, 'color'));
  const [border = 0] = numbersOf(wordOf(one, 'width'));
  const sketch: AnnotationSketch = {
    subtype: 'FreeText',
    corners: [{ x: foot.x, y: head.y }, head, { x: head.x, y: foot.y }, foot],
    text,
    size: size > 0 && size <= 1000 ? size : USUAL_SIZE,
    family: familyOf(name),
    bold: /bold/i.test(name),
    italic: /italic|oblique/i.test(name),
    align: ALIGNMENTS[wordOf(one, 'justification').toLowerCase()] ?? 'start',
    ...(ground ? { ground } : {}),
    border,
    ...leaderOf(one),
  };
  return { sketch, ...(colour ? { colour } : {}) };
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
  return { leader: { to, bend, from, head: /Arrow/.test(wordOf(one, 'head')) } };
}

const familyOf = (name: string): Family =>
  /cour|mono/i.test(name)
    ? 'mono'
    : /tim|serif/i.test(name) && !/sans/i.test(name)
      ? 'serif'
      : 'sans';

/** The colour that a default appearance sets, grey or red, green and blue. */
function levelsIn(look: string): string | null {
  const found = /((?:[\d.]+\s+){1,3})(?:g|rg)\b/.exec(look)?.[1];
  if (!found) return null;
  const levels = numbersOf(found);
  const rgb = levels.length === 1 ? [levels[0], levels[0], levels[0]] : levels;
  if (rgb.length !== 3) return null;
  const two = (share: number): string =>
    Math.round(255 * Math.min(1, Math.max(0, share)))
      .toString(16)
      .padStart(2, '0');
  return `#${rgb.map(two).join('')}`;
}

/** The corners of what lies within a rectangle, less its fringe: lower left, upper right. */
function withinFringe(
  one: XmlElement,
  rect: Box | null,
  beyond: number,
): readonly [Vec, Vec] | null {
  if (!rect) return null;
  const [left = 0, foot = 0, right = 0, head = 0] = numbersOf(wordOf(one, 'fringe'));
  const a = { x: rect.minX + left + beyond, y: rect.minY + foot + beyond };
  const b = { x: rect.maxX - right - beyond, y: rect.maxY - head - beyond };
  return b.x > a.x && b.y > a.y ? [a, b] : null;
}

const headsOf = (one: XmlElement): readonly [boolean, boolean] => [
  /Arrow/.test(wordOf(one, 'head')),
  /Arrow/.test(wordOf(one, 'tail')),
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
