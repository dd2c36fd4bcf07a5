import type { Vec } from '../geometry/index.ts';
import type { PdfiumModule } from './module.ts';
import { openDocument } from './openDocument.ts';
import type { PrintedLetter } from '../print/index.ts';
import { printedLetters } from './printedLetters.ts';
import { onPage } from './readRaw.ts';

/** How a letter of the print looks. */
export interface PrintedLook {
  /** The font as the file calls it. */
  readonly font: string;
  /** Of its descriptor (ISO 32000-1 table 123): each letter as wide as the others, with serifs, like handwriting, slanted, bold by force. */
  readonly flags: number;
  /** 400 is regular, 700 bold; 0 or less where the file does not say. */
  readonly weight: number;
  /** Where the letter stands on its baseline, in user space. */
  readonly origin: Vec;
  /** The letters of its font, where a line is asked about and the file carries it. */
  readonly letters: readonly PrintedLetter[];
}

/** Letters farther away than this are not the one that is meant, points. */
const REACH = 6;
const ROOM = 256;

/** Where print is looked at. */
export interface LookAt {
  /** From 0. */
  readonly page: number;
  /** In user space. */
  readonly at: Vec;
  readonly password?: string;
  /** Of the line most of whose letters look alike their look is told, and only the place of the letter; the letter's own without. */
  readonly ofLine?: boolean;
}

/** How the letter of a page looks that is nearest to a place; null where there is none. @throws PdfRefusal */
export function lineLook(
  module: PdfiumModule,
  bytes: Uint8Array,
  { page, at, password, ofLine = false }: LookAt,
): PrintedLook | null {
  const { handle, close } = openDocument(module, bytes, password);
  try {
    return onPage<PrintedLook | null>(module, handle, page, null, (_, text) =>
      lookAt(module, text, at, ofLine),
    );
  } finally {
    close();
  }
}

function lookAt(
  module: PdfiumModule,
  text: number,
  { x, y }: Vec,
  ofLine: boolean,
): PrintedLook | null {
  const { wasmExports: pdfium } = module;
  const found = pdfium.FPDFText_GetCharIndexAtPos(text, x, y, REACH, REACH);
  if (found < 0) return null;
  const index = ofLine ? likeMost(module, text, found) : found;
  const held = pdfium.malloc(ROOM + 24);
  try {
    const [flags, places] = [held + ROOM, held + ROOM + 8];
    const length = pdfium.FPDFText_GetFontInfo(text, index, held, ROOM, flags);
    const said = length > 1 && length <= ROOM ? length - 1 : 0;
    const font = [...module.HEAPU8.subarray(held, held + said)]
      .map((b) => String.fromCharCode(b))
      .join('');
    if (!pdfium.FPDFText_GetCharOrigin(text, found, places, places + 8)) return null;
    const [ox, oy] = module.HEAPF64.subarray(places >> 3, (places >> 3) + 2);
    return {
      font,
      flags:
        module.HEAPU8[flags] + 256 * module.HEAPU8[flags + 1] + 65_536 * module.HEAPU8[flags + 2],
      weight: pdfium.FPDFText_GetFontWeight(text, index),
      origin: { x: ox, y: oy },
      letters: ofLine
        ? printedLetters(module, fontAt(module, text, index), codesOn(module, text))
        : [],
    };
  } finally {
    pdfium.free(held);
  }
}

function fontAt({ wasmExports: pdfium }: PdfiumModule, text: number, index: number): number {
  const object = pdfium.FPDFText_GetTextObject(text, index);
  return object === 0 ? 0 : pdfium.FPDFTextObj_GetFont(object);
}

/** A line is no longer, characters. */
const LONGEST = 2_000;
const ENDS = new Set([10, 13]);

/** A letter of the same line whose font most of its letters are of. */
function likeMost(module: PdfiumModule, text: number, index: number): number {
  const { FPDFText_GetUnicode: codeOf, FPDFText_CountChars: countOf } = module.wasmExports;
  const isOn = (k: number): boolean =>
    Math.abs(k - index) < LONGEST && k >= 0 && k < countOf(text) && !ENDS.has(codeOf(text, k));
  const counts = new Map<number, { count: number; readonly first: number }>();
  let from = index;
  while (isOn(from - 1)) from--;
  for (let k = from; isOn(k); k++) {
    const font = fontAt(module, text, k);
    const known = counts.get(font);
    if (known) known.count++;
    else if (font !== 0) counts.set(font, { count: 1, first: k });
  }
  const [most] = [...counts.values()].sort((a, b) => b.count - a.count);
  return most?.first ?? index;
}

/** A page is looked through so far for what is printed on it, characters. */
const MOST_CHARACTERS = 20_000;

function codesOn({ wasmExports: pdfium }: PdfiumModule, text: number): Set<number> {
  const count = Math.min(MOST_CHARACTERS, pdfium.FPDFText_CountChars(text));
  const codes = new Set<number>();
  for (let k = 0; k < count; k++) codes.add(pdfium.FPDFText_GetUnicode(text, k));
  return codes;
}
