import { type PDFContext, type PDFRef, PDFString } from '@cantoo/pdf-lib';
import type { Face } from '../../type/index.ts';
import { TO_GLYPHS, toGlyphs, toUnicode } from './characterMaps.ts';

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

/** Symbolic: the glyphs go by their numbers (ISO 32000-1, table 123). */
const FLAGS = 4;

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
  const { bytes, ids, outlines } = face.subset(numbers);
  const name = `${tagOf(numbers)}+${face.postscriptName}`;
  const system = {
    Registry: PDFString.of('Adobe'),
    Ordering: PDFString.of('Identity'),
    Supplement: 0,
  };
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
      ...(outlines === 'truetype'
        ? {
            FontFile2: context.register(context.flateStream(bytes, { Length1: bytes.length })),
          }
        : {
            FontFile3: context.register(context.flateStream(bytes, { Subtype: 'CIDFontType0C' })),
          }),
    }),
  );
  // Glyphs of the one kind of outlines are found by a map in their font, of the other by the font's encoding.
  const isTrueType = outlines === 'truetype';
  const own = new Map(numbers.map((id) => [id, ids.get(id) ?? 0]));
  const descendant = context.register(
    context.obj({
      Type: 'Font',
      Subtype: isTrueType ? 'CIDFontType2' : 'CIDFontType0',
      BaseFont: name,
      CIDSystemInfo: system,
      ...(isTrueType ? { CIDToGIDMap: context.register(context.flateStream(tableOf(own))) } : {}),
      DW: 0,
      W: [...own].flatMap(([id, to]) => [isTrueType ? id : to, [thousand(face.advanceOf(id))]]),
      FontDescriptor: descriptor,
    }),
  );
  const encoding = { Type: 'CMap', CMapName: TO_GLYPHS, CIDSystemInfo: system };
  context.assign(
    ref,
    context.obj({
      Type: 'Font',
      Subtype: 'Type0',
      BaseFont: isTrueType ? name : `${name}-${TO_GLYPHS}`,
      Encoding: isTrueType
        ? 'Identity-H'
        : context.register(context.flateStream(toGlyphs(own), encoding)),
      DescendantFonts: [descendant],
      ToUnicode: context.register(context.flateStream(toUnicode(glyphs))),
    }),
  );
}

/** Of each number two bytes, the high one first: what it has become (ISO 32000-1, table 117). */
function tableOf(own: ReadonlyMap<number, number>): Uint8Array {
  const table = new Uint8Array(2 * (Math.max(0, ...own.keys()) + 1));
  for (const [id, to] of own) {
    table[2 * id] = to >> 8;
    table[2 * id + 1] = to & 255;
  }
  return table;
}
