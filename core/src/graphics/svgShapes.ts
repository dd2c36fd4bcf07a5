import type { Element as XmlElement } from '@xmldom/xmldom';
import { rectPath } from './svgPath.ts';
import { lengthOf } from './svgStyle.ts';

/** An ellipse from its right end, as the data of a path. */
const ellipsePath = (x: number, y: number, rx: number, ry: number): string =>
  `M${x + rx} ${y}A${rx} ${ry} 0 0 1 ${x - rx} ${y}A${rx} ${ry} 0 0 1 ${x + rx} ${y}Z`;

function roundedPath(a: readonly number[], rx: number, ry: number): string {
  const [x, y, width, height] = a;
  const arc = (dx: number, dy: number): string => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
  const [wide, high] = [width - 2 * rx, height - 2 * ry];
  return [
    `M${x + rx} ${y}h${wide}${arc(rx, ry)}v${high}${arc(-rx, ry)}`,
    `h${-wide}${arc(-rx, -ry)}v${-high}${arc(rx, -ry)}Z`,
  ].join('');
}

/** The basic shapes (SVG 2, §10) as the data of paths; null where an element is none, empty where it is not seen. */
export function shapeData(name: string, element: XmlElement): string | null {
  const of = (attribute: string): number => lengthOf(element.getAttribute(attribute), 0);
  const or = (attribute: string): number | null => {
    const said = element.getAttribute(attribute);
    return said === null || said === 'auto' ? null : Math.max(0, lengthOf(said, 0));
  };
  switch (name) {
    case 'path':
      return element.getAttribute('d') ?? '';
    case 'rect': {
      const sides = [of('x'), of('y'), of('width'), of('height')] as const;
      const [, , width, height] = sides;
      if (!(width > 0 && height > 0)) return '';
      const rx = Math.min(or('rx') ?? or('ry') ?? 0, width / 2);
      const ry = Math.min(or('ry') ?? or('rx') ?? 0, height / 2);
      return rx > 0 && ry > 0 ? roundedPath(sides, rx, ry) : rectPath(...sides);
    }
    case 'circle': {
      const r = of('r');
      return r > 0 ? ellipsePath(of('cx'), of('cy'), r, r) : '';
    }
    case 'ellipse': {
      const [rx, ry] = [or('rx') ?? or('ry') ?? 0, or('ry') ?? or('rx') ?? 0];
      return rx > 0 && ry > 0 ? ellipsePath(of('cx'), of('cy'), rx, ry) : '';
    }
    case 'line':
      return `M${of('x1')} ${of('y1')}L${of('x2')} ${of('y2')}`;
    case 'polyline':
    case 'polygon': {
      const numbers = (element.getAttribute('points') ?? '').match(/[+-]?[\d.]+(?:e[+-]?\d+)?/gi);
      if (!numbers || numbers.length < 4) return '';
      const even = numbers.slice(0, numbers.length - (numbers.length % 2));
      return `M${even.join(' ')}${name === 'polygon' ? 'Z' : ''}`;
    }
    default:
      return null;
  }
}
