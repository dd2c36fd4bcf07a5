import type { Family } from '../type/index.ts';
import { colourOfLevels } from './colour.ts';

/** How an annotation's text is set. */
export interface Letters {
  /** Points. */
  readonly size: number;
  readonly family: Family;
  readonly bold: boolean;
  readonly italic: boolean;
  /** `#rrggbb` */
  readonly colour: string;
}

/** Where nothing, or 0 for "as it fits", is said, points. */
const USUAL_SIZE = 12;
const LARGEST = 1000;
const BLACK = '#000000';
/** Characters that are looked through for a style; more has been made to harm. */
const LONGEST = 2000;

/**
 * Reads how text is set from its default appearance, and from the style of rich text, which goes before (ISO 32000-1
 * §12.7.3.3, §12.7.3.4).
 * @param appearance operators, as in a content stream
 * @param styling declarations, as in CSS
 */
export function lettersOf(appearance: string, styling: string): Letters {
  const look = appearance.slice(0, LONGEST);
  const style = styling.slice(0, LONGEST);
  const [, face = '', said = '0'] = /\/(\S+)\s+([\d.]+)\s+Tf/.exec(look) ?? [];
  const size = Number(last(/(?:font-size:|font:[^;]*?)\s*([\d.]+)pt/g, style) ?? said);
  const name = `${face} ${last(/font(?:-family)?:\s*([^;]+)/g, style) ?? ''}`;
  return {
    size: size > 0 && size <= LARGEST ? size : USUAL_SIZE,
    family: familyOf(name),
    bold: BOLD.test(`${face} ${style}`),
    italic: ITALIC.test(`${face} ${style}`),
    colour: colourInStyle(style) ?? colourInLook(look) ?? BLACK,
  };
}

/** In a style, or in the short names that forms give the standard faces (common practice, no source). */
const BOLD = /bold|,b|hebo|tibo|tibi|cobo|font-weight:\s*[6-9]00/i;
const ITALIC = /italic|oblique|heob|tiit|tibi|coob|HeBO|CoBO/i;

function last(pattern: RegExp, text: string): string | null {
  let found: string | null = null;
  for (const [, value] of text.matchAll(pattern)) found = value;
  return found;
}

function familyOf(name: string): Family {
  if (/cour|mono|consol|cob/i.test(name)) return 'mono';
  if (/tim|tiro|tibo|serif|roman|georgia|garamond|book/i.test(name) && !/sans/i.test(name))
    return 'serif';
  return 'sans';
}

const colourInStyle = (style: string): string | null =>
  last(/(?:^|[;\s])color:\s*(#[0-9a-f]{6})/gi, style)?.toLowerCase() ?? null;

function colourInLook(look: string): string | null {
  const levels = last(/((?:[\d.]+\s+){1,4})(?:g|rg|k)\b/g, look);
  return levels === null ? null : colourOfLevels(levels.trim().split(/\s+/).map(Number));
}
