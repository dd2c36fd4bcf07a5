import { type PackedPath, PathPacker } from '../geometry/index.ts';
import { LETTER_UNITS, type PrintedLetter } from '../print/index.ts';
import type { PdfiumModule } from './module.ts';

/** Of FPDFPathSegment_GetType (fpdf_edit.h). */
const LINE = 0;
const CURVE = 1;
const MOVE = 2;
/** Letters of more pieces are drawings. */
const MOST_PIECES = 2_000;
/** What a font is asked for beside what is printed: the letters and signs of Western languages (ISO 8859-1), and those that typesetters use. */
const ASKED = [
  ...Array.from({ length: 0x7f - 0x21 }, (_, k) => 0x21 + k),
  ...Array.from({ length: 0x100 - 0xa1 }, (_, k) => 0xa1 + k),
  ...[...'–—‘’‚“”„•…‹›€ŒœŠšŽžŸ'].map((c) => c.codePointAt(0) ?? 0),
];
/** Nothing is called so: what a font gives for it is its sign for what it has not. */
const NOWHERE = 0xfffe;
const SPACE = 0x20;

/**
 * The letters of a font that a file carries, by what they stand for: those that it has, as outlines, no space among them. None where it carries none, or its letters are drawings.
 * @param font of FPDFTextObj_GetFont
 * @param printed what is printed on the page, asked for too
 */
export function printedLetters(
  module: PdfiumModule,
  font: number,
  printed: Iterable<number>,
): PrintedLetter[] {
  const { wasmExports: pdfium } = module;
  if (font === 0 || pdfium.FPDFFont_GetIsEmbedded(font) !== 1) return [];
  const scratch = pdfium.malloc(16);
  try {
    const missing = JSON.stringify(outlineOf(module, font, NOWHERE, scratch));
    const letters: PrintedLetter[] = [];
    for (const code of new Set([...ASKED, ...printed])) {
      // PDFium asks for one unit of UTF-16.
      if (code > 0xffff || code <= SPACE) continue;
      const advance = advanceOf(module, font, code, scratch);
      const outline = outlineOf(module, font, code, scratch);
      const char = String.fromCodePoint(code);
      if (outline && advance > 0 && JSON.stringify(outline) !== missing)
        letters.push({ char, advance, outline });
    }
    return letters;
  } finally {
    pdfium.free(scratch);
  }
}

function advanceOf(module: PdfiumModule, font: number, code: number, scratch: number): number {
  const { wasmExports: pdfium } = module;
  if (!pdfium.FPDFFont_GetGlyphWidth(font, code, LETTER_UNITS, scratch)) return 0;
  return Math.round(module.HEAPF32[scratch >> 2]);
}

const inUnits = (x: number): number => Math.round(LETTER_UNITS * x);

/** Null where there is none, or one that is no outline of a letter. */
function outlineOf(
  module: PdfiumModule,
  font: number,
  code: number,
  scratch: number,
): PackedPath | null {
  const { wasmExports: pdfium } = module;
  // As large as the size of type, whatever size is asked for.
  const path = pdfium.FPDFFont_GetGlyphPath(font, code, 1);
  if (path === 0) return null;
  const count = pdfium.FPDFGlyphPath_CountGlyphSegments(path);
  if (count < 3 || count > MOST_PIECES) return null;
  const packer = new PathPacker((x, y) => [inUnits(x), inUnits(y)]);
  let controls: number[] = [];
  let isOpen = false;
  for (let k = 0; k < count; k++) {
    const piece = pdfium.FPDFGlyphPath_GetGlyphPathSegment(path, k);
    if (!pdfium.FPDFPathSegment_GetPoint(piece, scratch, scratch + 4)) return null;
    const [x, y] = module.HEAPF32.subarray(scratch >> 2, (scratch >> 2) + 2);
    const type = pdfium.FPDFPathSegment_GetType(piece);
    if (type === MOVE) {
      if (isOpen) packer.closePath();
      packer.moveTo(x, y);
      isOpen = true;
    } else if (!isOpen) return null;
    else if (type === LINE) packer.lineTo(x, y);
    else if (type === CURVE) {
      controls.push(x, y);
      if (controls.length < 6) continue;
      const [a, b, c, d, e, f] = controls;
      packer.bezierCurveTo(a, b, c, d, e, f);
      controls = [];
    } else return null;
  }
  if (isOpen) packer.closePath();
  return packer.packed();
}
