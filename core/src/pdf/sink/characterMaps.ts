import { hex4, utf16Hex } from './hex.ts';

/** Entries of one block of a character map (Adobe Technical Note 5014). */
const MOST_ENTRIES = 100;

/** What each code of a composite font stands for, so that words can be found and copied (ISO 32000-1 §9.10.3). */
export function toUnicode(codes: readonly (readonly [code: number, text: string])[]): string {
  const entries = codes
    .filter(([, text]) => text !== '')
    .map(([code, text]) => `<${hex4(code)}> <${utf16Hex(text)}>`);
  return mapOf('Adobe-Identity-UCS', 'UCS', 2, 'bfchar', entries);
}

/** Which glyph of a font each code means (ISO 32000-1 §9.7.5). */
export const TO_GLYPHS = 'Marginalis-Glyphs';
export const toGlyphs = (codes: ReadonlyMap<number, number>): string =>
  mapOf(
    TO_GLYPHS,
    'Identity',
    1,
    'cidchar',
    [...codes].map(([code, glyph]) => `<${hex4(code)}> ${glyph}`),
  );

function mapOf(
  name: string,
  ordering: string,
  type: 1 | 2,
  sort: 'bfchar' | 'cidchar',
  entries: readonly string[],
): string {
  const blocks: string[] = [];
  for (let i = 0; i < entries.length; i += MOST_ENTRIES) {
    const lines = entries.slice(i, i + MOST_ENTRIES);
    blocks.push(`${lines.length} begin${sort}\n${lines.join('\n')}\nend${sort}`);
  }
  return [
    '/CIDInit /ProcSet findresource begin',
    '12 dict begin',
    'begincmap',
    `/CIDSystemInfo << /Registry (Adobe) /Ordering (${ordering}) /Supplement 0 >> def`,
    `/CMapName /${name} def`,
    `/CMapType ${type} def`,
    '1 begincodespacerange\n<0000> <FFFF>\nendcodespacerange',
    ...blocks,
    'endcmap',
    'CMapName currentdict /CMap defineresource pop',
    'end\nend',
  ].join('\n');
}
