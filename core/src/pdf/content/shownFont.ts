import {
  PDFArray,
  PDFDict,
  PDFName,
  PDFNumber,
  type PDFObject,
  PDFStream,
  StandardFontEmbedder,
} from '@cantoo/pdf-lib';
import { latin1 } from './operations.ts';
import { streamBytes } from './pageContent.ts';

/** Why the letters of a text cannot be told one from the other: of its font, or since there are too many forms to look into. */
export type TextTrouble = 'type3' | 'upright' | 'encoding' | 'widths' | 'forms';

/** A font as text is shown in it: what its codes are, and how far each goes. */
export interface ShownFont {
  /** Bytes that the code at a place of a string has. */
  codeLength(bytes: Uint8Array, at: number): number;
  /** Of a code, in sizes of type. */
  width(code: number): number;
}

const name = (text: string): PDFName => PDFName.of(text);
const numberIn = (value: unknown): number | null =>
  value instanceof PDFNumber ? value.asNumber() : null;

/** Reads how wide the letters of a font are (ISO 32000-1 §9.6, §9.7); those that are drawings only where it is asked for. */
export function shownFont(font: PDFDict, drawings = false): ShownFont | TextTrouble {
  const subtype = font.lookup(name('Subtype'));
  if (subtype === name('Type3')) return drawings ? drawn(font) : 'type3';
  return subtype === name('Type0') ? composite(font) : simple(font);
}

function simple(font: PDFDict): ShownFont | TextTrouble {
  const widths = font.lookup(name('Widths'));
  const first = numberIn(font.lookup(name('FirstChar')));
  const descriptor = font.lookup(name('FontDescriptor'));
  const missing =
    descriptor instanceof PDFDict ? (numberIn(descriptor.lookup(name('MissingWidth'))) ?? 0) : 0;
  if (widths instanceof PDFArray && first !== null) {
    const known = Array.from({ length: widths.size() }, (_, k) => numberIn(widths.lookup(k)) ?? 0);
    return { codeLength: () => 1, width: (code) => (known[code - first] ?? missing) / 1000 };
  }
  return standard(font);
}

/** Letters that are drawings are as wide as their own space has it (§9.6.5). */
function drawn(font: PDFDict): ShownFont | TextTrouble {
  const known = simple(font);
  const matrix = font.lookup(name('FontMatrix'));
  const across = matrix instanceof PDFArray ? numberIn(matrix.lookup(0)) : null;
  if (typeof known === 'string' || across === null) return 'type3';
  return { ...known, width: (code) => 1000 * across * known.width(code) };
}

type Called = Parameters<typeof StandardFontEmbedder.for>[0];

/** The fourteen fonts that every reader has need not say how wide they are. */
function standard(font: PDFDict): ShownFont | TextTrouble {
  const base = font.lookup(name('BaseFont'));
  const called = base instanceof PDFName ? base.decodeText() : '';
  // Another encoding would have other letters at the same codes.
  const encoding = font.lookup(name('Encoding'));
  const isPlain =
    encoding === undefined ||
    encoding === name('WinAnsiEncoding') ||
    encoding === name('StandardEncoding');
  if (!isPlain) return 'encoding';
  try {
    const embedder = StandardFontEmbedder.for(called as Called);
    const known = new Map<number, number>();
    const width = (code: number): number => {
      let w = known.get(code);
      if (w === undefined) {
        w = widthIn(embedder, code);
        known.set(code, w);
      }
      return w;
    };
    width(65);
    return { codeLength: () => 1, width };
  } catch {
    // It is none of the fourteen.
    return 'widths';
  }
}

/** Codes 128–159 of WinAnsiEncoding (ISO 32000-1 annex D.2); all others there are those of Latin-1. */
const WIN_ANSI = '€\u2022‚ƒ„…†‡ˆ‰Š‹Œ\u2022Ž\u2022\u2022‘’“”•–—˜™š›œ\u2022žŸ';

/** Codes without a letter show nothing, and take no room. */
function widthIn(embedder: StandardFontEmbedder, code: number): number {
  if (code < 32) return 0;
  const letter = WIN_ANSI[code - 128] ?? String.fromCharCode(code);
  try {
    return embedder.widthOfTextAtSize(letter, 1);
  } catch {
    return 0;
  }
}

function composite(font: PDFDict): ShownFont | TextTrouble {
  const kids = font.lookup(name('DescendantFonts'));
  const kid = kids instanceof PDFArray ? kids.lookup(0) : undefined;
  if (!(kid instanceof PDFDict)) return 'encoding';
  const codes = codesOf(font.lookup(name('Encoding')));
  if (typeof codes === 'string') return codes;
  const usual = numberIn(kid.lookup(name('DW'))) ?? 1000;
  const widths = widthsOf(kid.lookup(name('W')));
  return {
    codeLength: codes.length,
    width: (code) => (widths.get(codes.cid(code)) ?? usual) / 1000,
  };
}

interface Codes {
  length(bytes: Uint8Array, at: number): number;
  cid(code: number): number;
}

function codesOf(encoding: PDFObject | undefined): Codes | TextTrouble {
  if (encoding === name('Identity-V')) return 'upright';
  if (encoding === name('Identity-H')) return { length: () => 2, cid: (code) => code };
  if (!(encoding instanceof PDFStream)) return 'encoding';
  const bytes = streamBytes(encoding);
  return bytes ? codesIn(latin1(bytes)) : 'encoding';
}

const SPACE = /<([0-9a-f]+)>\s*<([0-9a-f]+)>/gi;
const RANGE = /<([0-9a-f]+)>\s*<([0-9a-f]+)>\s*(\d+)/gi;
const CHARACTER = /<([0-9a-f]+)>\s*(\d+)/gi;
const sections = (map: string, begin: string, end: string): string[] =>
  [...map.matchAll(new RegExp(`${begin}([\\s\\S]*?)${end}`, 'g'))].map(([, inside]) => inside);

/** Of a CMap that stands in the file itself (§9.7.5.3) the code lengths, and which glyph a code means. */
function codesIn(map: string): Codes | TextTrouble {
  if (/\/WMode\s+1\b/.test(map)) return 'upright';
  if (/\busecmap\b/.test(map)) return 'encoding';
  const spaces = sections(map, 'begincodespacerange', 'endcodespacerange').flatMap((inside) =>
    [...inside.matchAll(SPACE)].map(([, low, high]) => ({
      bytes: low.length / 2,
      low: parseInt(low, 16),
      high: parseInt(high, 16),
    })),
  );
  if (spaces.length === 0) return 'encoding';
  const ranges = sections(map, 'begincidrange', 'endcidrange').flatMap((inside) =>
    [...inside.matchAll(RANGE)].map(([, low, high, cid]) => ({
      low: parseInt(low, 16),
      high: parseInt(high, 16),
      cid: Number(cid),
    })),
  );
  const single = new Map(
    sections(map, 'begincidchar', 'endcidchar').flatMap((inside) =>
      [...inside.matchAll(CHARACTER)].map(
        ([, at, cid]) => [parseInt(at, 16), Number(cid)] as const,
      ),
    ),
  );
  return {
    length(bytes, at) {
      let value = 0;
      for (let n = 1; n <= 4 && at + n <= bytes.length; n++) {
        value = 256 * value + bytes[at + n - 1];
        if (spaces.some((s) => s.bytes === n && value >= s.low && value <= s.high)) return n;
      }
      return spaces[0].bytes;
    },
    cid(wanted) {
      const known = single.get(wanted);
      if (known !== undefined) return known;
      const range = ranges.find(({ low, high }) => wanted >= low && wanted <= high);
      return range ? range.cid + wanted - range.low : 0;
    },
  };
}

/** Widths by glyph (§9.7.4.3): `c [w …]`, or `first last w`. */
function widthsOf(list: PDFObject | undefined): Map<number, number> {
  const widths = new Map<number, number>();
  if (!(list instanceof PDFArray)) return widths;
  for (let k = 0; k + 1 < list.size();) {
    const first = numberIn(list.lookup(k));
    const second = list.lookup(k + 1);
    if (first === null) return widths;
    if (second instanceof PDFArray) {
      for (let n = 0; n < second.size(); n++)
        widths.set(first + n, numberIn(second.lookup(n)) ?? 0);
      k += 2;
      continue;
    }
    const [last, width] = [numberIn(second), numberIn(list.lookup(k + 2))];
    if (last === null || width === null) return widths;
    for (let cid = first; cid <= Math.min(last, first + 65_535); cid++) widths.set(cid, width);
    k += 3;
  }
  return widths;
}
