import type { TaggedPart } from '../print/index.ts';
import type { PdfiumModule } from './module.ts';

/** Parts of a page that are read, and how deep they lie within each other: more has been made to harm. */
const MOST_PARTS = 20_000;
const DEEPEST = 60;
/** Bytes of a text that are read. */
const LONGEST = 8_192;

/** What a tagged file says of a page that is open in PDFium: its parts in reading order; none where it is not tagged. */
export function readTagged(module: PdfiumModule, page: number): TaggedPart[] {
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
