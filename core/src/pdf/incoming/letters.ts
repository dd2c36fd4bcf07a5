import type { PDFDict } from '@cantoo/pdf-lib';
import type { Family } from '../../type/index.ts';
import { colourOf, textAt } from './values.ts';

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
/** Characters that are looked through for a style; more has been made to harm. */
const LONGEST_STYLE = 2000;
const BLACK = '#000000';

/** By the default appearance, and by the style of rich text, which goes before (ISO 32000-1 §12.7.3.3, §12.7.3.4). */
export function lettersOf(annotation: PDFDict): Letters {
  const look = textAt(annotation, 'DA').slice(0, LONGEST_STYLE);
  const rich = textAt(annotation, 'RC').slice(0, LONGEST_STYLE);
  const style = `${textAt(annotation, 'DS').slice(0, LONGEST_STYLE)};${firstStyle(rich)}`;
  const [, face = '', said = '0'] = /\/(\S+)\s+([\d.]+)\s+Tf/.exec(look) ?? [];
  const styled = Number(last(/(?:font-size:|font:[^;]*?)\s*([\d.]+)pt/g, style) ?? said);
  const name = `${face} ${last(/font(?:-family)?:\s*([^;]+)/g, style) ?? ''}`;
  return {
    size: styled > 0 && styled <= LARGEST ? styled : USUAL_SIZE,
    family: familyOf(name),
    bold: /bold|,b|HeBo|HeBO|TiBo|CoBo|CoBO|TiBI|font-weight:\s*(?:bold|[6-9]00)/i.test(
      `${face} ${style}`,
    ),
    italic: /italic|oblique|TiIt|TiBI|HeOb|HeBO|CoOb|CoBO/i.test(`${face} ${style}`),
    colour: hex(last(/(?:^|[;\s])color:\s*#([0-9a-f]{6})/gi, style)) ?? colourIn(look) ?? BLACK,
  };
}

const hex = (digits: string | null): string | null => digits && `#${digits.toLowerCase()}`;

const firstStyle = (rich: string): string => /style\s*=\s*["']([^"']*)["']/.exec(rich)?.[1] ?? '';

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

function colourIn(look: string): string | null {
  const found = [...look.matchAll(/((?:[\d.]+\s+){1,4})(g|rg|k)\b/g)].pop();
  return found ? colourOf(found[1].trim().split(/\s+/).map(Number)) : null;
}

/** Its text without what styles it, where it is only said that way. */
export const plainRich = (rich: string): string =>
  rich
    .replace(/<(?:\/p|br\s*\/?)>/gi, '\n')
    .replace(/<[^>]*>/g, '')
    .replace(/&(?:lt|gt|amp|quot|apos|#39|#13);/g, (entity) => ENTITIES[entity] ?? '')
    .trim();

const ENTITIES: Readonly<Record<string, string>> = {
  '&lt;': '<',
  '&gt;': '>',
  '&amp;': '&',
  '&quot;': '"',
  '&apos;': '’',
  '&#39;': '’',
  '&#13;': '\n',
};
