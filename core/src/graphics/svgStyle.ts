import type { Element as XmlElement } from '@xmldom/xmldom';
import colorString from 'color-string';
import { NotSimple } from './notSimple.ts';
import type { Stroke } from './strokeOutline.ts';

/** What an element is drawn with (SVG 2, §13), handed on to what is in it. */
export interface SvgStyle {
  /** A colour of CSS, `none` or `currentColor`. */
  readonly fill: string;
  readonly stroke: string;
  readonly color: string;
  readonly fillOpacity: number;
  readonly strokeOpacity: number;
  readonly fillRule: string;
  readonly width: number;
  readonly cap: Stroke['cap'];
  readonly join: Stroke['join'];
  readonly miterLimit: number;
  readonly visibility: string;
}

/** What an element is drawn with where nothing is said. */
export const FIRST_STYLE: SvgStyle = {
  fill: 'black',
  stroke: 'none',
  color: 'black',
  fillOpacity: 1,
  strokeOpacity: 1,
  fillRule: 'nonzero',
  width: 1,
  cap: 'butt',
  join: 'miter',
  miterLimit: 4,
  visibility: 'visible',
};

/** What makes a drawing more than paths that are filled and drawn, unless it says one of these. */
const BEYOND: Readonly<Record<string, readonly string[]>> = {
  'clip-path': ['none'],
  mask: ['none'],
  filter: ['none'],
  'marker-start': ['none'],
  'marker-mid': ['none'],
  'marker-end': ['none'],
  marker: ['none'],
  'stroke-dasharray': ['none', '0'],
  'vector-effect': ['none'],
  'mix-blend-mode': ['normal'],
  'paint-order': ['normal'],
  'transform-origin': [],
  'transform-box': [],
};
/** What means something else, or more, in a style than as an attribute. */
const BEYOND_IN_STYLE = ['transform', 'd', 'all', 'animation'];

/** What an element says, by its attributes and over them by its style. */
export function saysOf(element: XmlElement): (name: string) => string | null {
  const said = new Map<string, string>();
  for (const declaration of (element.getAttribute('style') ?? '').split(';')) {
    const at = declaration.indexOf(':');
    if (at < 0) continue;
    const value = declaration.slice(at + 1).replace(/!\s*important\s*$/i, '');
    said.set(declaration.slice(0, at).trim().toLowerCase(), value.trim());
  }
  const says = (name: string): string | null =>
    said.get(name) ?? element.getAttribute(name)?.trim() ?? null;
  for (const [name, plain] of Object.entries(BEYOND)) {
    const value = says(name);
    if (value && !plain.includes(value)) throw new NotSimple(`“${name}”`);
  }
  for (const name of BEYOND_IN_STYLE)
    if (said.has(name)) throw new NotSimple(`a style with “${name}”`);
  return says;
}

/** The style of an element within that of what it is in. */
export function styleWithin(says: (name: string) => string | null, outer: SvgStyle): SvgStyle {
  const or = (name: string, otherwise: string): string => {
    const value = says(name);
    return value === null || value === '' || value === 'inherit' ? otherwise : value;
  };
  const oneOf = <T extends string>(name: string, all: readonly T[], otherwise: T): T =>
    all.find((one) => one === or(name, otherwise)) ?? otherwise;
  const color = or('color', outer.color);
  return {
    color,
    fill: or('fill', outer.fill),
    stroke: or('stroke', outer.stroke),
    fillOpacity: shareOf(says('fill-opacity'), outer.fillOpacity),
    strokeOpacity: shareOf(says('stroke-opacity'), outer.strokeOpacity),
    fillRule: or('fill-rule', outer.fillRule),
    width: lengthOf(says('stroke-width'), outer.width),
    cap: oneOf('stroke-linecap', ['butt', 'round', 'square'], outer.cap),
    join: oneOf('stroke-linejoin', ['miter', 'round', 'bevel'], outer.join),
    miterLimit: Math.max(1, lengthOf(says('stroke-miterlimit'), outer.miterLimit)),
    visibility: or('visibility', outer.visibility),
  };
}

/** A share, as a number or in hundredths. */
export function shareOf(said: string | null, otherwise: number): number {
  if (said === null || said === '' || said === 'inherit') return otherwise;
  const share = said.endsWith('%') ? Number(said.slice(0, -1)) / 100 : Number(said);
  if (!Number.isFinite(share)) return otherwise;
  return Math.min(1, Math.max(0, share));
}

/** A length in the units of where it stands. @throws NotSimple where it is said in others */
export function lengthOf(said: string | null, otherwise: number): number {
  if (said === null || said === '' || said === 'inherit') return otherwise;
  const length = /^([+-]?[\d.]+(?:e[+-]?\d+)?)(?:px)?$/i.exec(said);
  if (!length || !Number.isFinite(Number(length[1]))) throw new NotSimple(`a length of “${said}”`);
  return Number(length[1]);
}

/** A colour as `#rrggbb` and how much it covers; null for none. @throws NotSimple where it is a pattern, or no colour */
export function paintOf(
  said: string,
  color: string,
): { readonly colour: string; readonly opacity: number } | null {
  const name = said.toLowerCase() === 'currentcolor' ? color : said;
  if (name === 'none' || name === 'transparent') return null;
  const rgba = colorString.get.rgb(name) ?? colorString.get.rgb(name.toLowerCase());
  const found = rgba ?? hslOf(name);
  if (!found) throw new NotSimple(`the colour “${name}”`);
  const [red, green, blue, opacity] = found;
  return { colour: colorString.to.hex([red, green, blue]).slice(0, 7).toLowerCase(), opacity };
}

const hslOf = (name: string): readonly number[] | null => {
  const hsl = colorString.get.hsl(name);
  if (!hsl) return null;
  const [hue, saturation, lightness, opacity] = hsl;
  // CSS Color 4, §7.1.
  const a = (saturation / 100) * Math.min(lightness / 100, 1 - lightness / 100);
  const channel = (n: number): number => {
    const k = (n + hue / 30) % 12;
    return 255 * (lightness / 100 - a * Math.max(-1, Math.min(k - 3, 9 - k, 1)));
  };
  return [channel(0), channel(8), channel(4), opacity];
};
