import { type PDFContext, type PDFRef, PDFString } from '@cantoo/pdf-lib';
import type { Face } from '../../type/index.ts';
import { hex4, utf16Hex } from './hex.ts';

const thousand = (n: number): number => Math.round(n * 1000);
/** Six letters tell one subset from another (ISO 32000-1 §9.6.4); those of one face are told apart by their glyphs. */
function tagOf(glyphs: Iterable<number>): string {
  let sum = 7;
  for (const id of glyphs) sum = (sum * 31 + id) % 308_915_776;
  let tag = '';
  for (let k = 0; k < 6; k++, sum = Math.floor(sum / 26))
    tag += String.fromCharCode(65 + (sum % 26));
  return tag;
}

/** Entries of one block of a character map (Adobe Technical Note 5014). */
const MOST_ENTRIES = 100;
/** Symbolic: the glyphs go by their numbers (ISO 32000-1, table 123). */
const FLAGS = 4;

/** What each glyph stands for, so that words can be found and copied. */
function toUnicode(glyphs: readonly (readonly [number, string])[]): string {
  const entries = glyphs.filter(([, text]) => text !== '');
  const blocks: string[] = [];
  for (let i = 0; i < entries.length; i += MOST_ENTRIES) {
    const some = entries.slice(i, i + MOST_ENTRIES);
    const lines = some.map(([id, text]) => `<${hex4(id)}> <${utf16Hex(text)}>`);
    blocks.push(`${some.length} beginbfchar\n${lines.join('\n')}\nendbfchar`);
  }
  return [
    '/CIDInit /ProcSet findresource begin',
    '12 dict begin',
    'begincmap',
    '/CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def',
    '/CMapName /Adobe-Identity-UCS def',
    '/CMapType 2 def',
    '1 begincodespacerange\n<0000> <FFFF>\nendcodespacerange',
    ...blocks,
    'endcmap',
    'CMapName currentdict /CMap defineresource pop',
    'end\nend',
  ].join('\n');
}

/**
 * Puts the glyphs of a face that are used into a document, as a composite font whose codes are the glyphs' numbers in the
 * whole face (ISO 32000-1 §9.7): content can be written before it is known which of them a document uses.
 */
export function embedFace(
  context: PDFContext,
  face: Face,
  used: ReadonlyMap<number, string>,
  ref: PDFRef,
): void {
  const glyphs = [...used].sort(([a], [b]) => a - b);
  const numbers = glyphs.map(([id]) => id);
  const { bytes, ids } = face.subset(numbers);
  const name = `${tagOf(numbers)}+${face.postscriptName}`;
  const toGlyph = new Uint8Array(2 * ((numbers.at(-1) ?? 0) + 1));
  for (const id of numbers) {
    const own = ids.get(id) ?? 0;
    toGlyph[2 * id] = own >> 8;
    toGlyph[2 * id + 1] = own & 255;
  }
  const descriptor = context.register(
    context.obj({
      Type: 'FontDescriptor',
      FontName: name,
      Flags: FLAGS,
      FontBBox: face.box.map(thousand),
      ItalicAngle: face.italicAngle,
      Ascent: thousand(face.ascent),
      Descent: -thousand(face.descent),
      CapHeight: thousand(face.capHeight),
      StemV: 80,
      FontFile2: context.register(context.flateStream(bytes, { Length1: bytes.length })),
    }),
  );
  const descendant = context.register(
    context.obj({
      Type: 'Font',
      Subtype: 'CIDFontType2',
      BaseFont: name,
      CIDSystemInfo: {
        Registry: PDFString.of('Adobe'),
        Ordering: PDFString.of('Identity'),
        Supplement: 0,
      },
      CIDToGIDMap: context.register(context.flateStream(toGlyph)),
      DW: 0,
      W: numbers.flatMap((id) => [id, [thousand(face.advanceOf(id))]]),
      FontDescriptor: descriptor,
    }),
  );
  context.assign(
    ref,
    context.obj({
      Type: 'Font',
      Subtype: 'Type0',
      BaseFont: name,
      Encoding: 'Identity-H',
      DescendantFonts: [descendant],
      ToUnicode: context.register(context.flateStream(toUnicode(glyphs))),
    }),
  );
}
