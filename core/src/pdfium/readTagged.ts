import type { TaggedPage, TaggedPart } from '../print/index.ts';
import { charactersOf } from './characters.ts';
import type { PdfiumModule } from './module.ts';
import { NOTHING, onPage } from './readRaw.ts';
import type { Type } from './typeOf.ts';

/** Parts of a page that are read, and how deep they lie within each other: more has been made to harm. */
const MOST_PARTS = 20_000;
const DEEPEST = 60;
/** Bytes of a text that are read. */
const LONGEST = 8_192;

/** The characters of a page (from 0), and what a tagged file says of them. */
export function readTagged(module: PdfiumModule, document: number, index: number): TaggedPage {
  const nothing = { raw: NOTHING, marked: new Int32Array(0), parts: [] };
  return onPage(module, document, index, nothing, (page, text) => {
    const parts = partsOf(module, page);
    const { raw, types } = charactersOf(module, text);
    const { FPDFPageObj_GetMarkedContentID: numberOf } = module.wasmExports;
    const numbers = new Map<Type, number>();
    const marked = Int32Array.from(types, (type) => {
      let number = numbers.get(type);
      if (number === undefined) numbers.set(type, (number = numberOf(type.object)));
      return number;
    });
    return { raw, marked, parts };
  });
}

/** The parts of a page that is open in PDFium, in reading order; none where it is not tagged. */
function partsOf(module: PdfiumModule, page: number): TaggedPart[] {
  const { wasmExports: pdfium } = module;
  const tree = pdfium.FPDF_StructTree_GetForPage(page);
  if (tree === 0) return [];
  const room = pdfium.malloc(LONGEST);
  let count = 0;

  const textBy = (ask: (element: number, at: number, size: number) => number, element: number) => {
    // Its length in bytes with the zero at its end, UTF-16LE; nothing is written when it is longer than there is room.
    const length = ask(element, room, LONGEST);
    if (length < 2 || length > LONGEST) return '';
    return module.UTF16ToString(room);
  };

  const read = (element: number, depth: number): TaggedPart => {
    const holds: (number | TaggedPart)[] = [];
    const children = pdfium.FPDF_StructElement_CountChildren(element);
    for (let k = 0; k < children && count < MOST_PARTS; k++) {
      count++;
      const child = pdfium.FPDF_StructElement_GetChildAtIndex(element, k);
      if (child !== 0) {
        if (depth < DEEPEST) holds.push(read(child, depth + 1));
        continue;
      }
      const number = pdfium.FPDF_StructElement_GetChildMarkedContentID(element, k);
      if (number >= 0) holds.push(number);
    }
    const type = textBy(pdfium.FPDF_StructElement_GetType, element);
    const alternative = textBy(pdfium.FPDF_StructElement_GetAltText, element).trim();
    return { type, alternative, holds };
  };

  try {
    const parts: TaggedPart[] = [];
    const children = pdfium.FPDF_StructTree_CountChildren(tree);
    for (let k = 0; k < children && count < MOST_PARTS; k++) {
      const element = pdfium.FPDF_StructTree_GetChildAtIndex(tree, k);
      if (element !== 0) parts.push(read(element, 0));
    }
    return parts;
  } finally {
    pdfium.free(room);
    pdfium.FPDF_StructTree_Close(tree);
  }
}
