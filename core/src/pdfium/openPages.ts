import type { Covered } from '../kinds/index.ts';
import { coverAnnotations, hideLinks } from './coverAnnotations.ts';
import { type Box, EMPTY_BOX } from '../geometry/index.ts';
import { hasWords } from './drawAnnotations.ts';
import { drawPage, drawPlaced } from './drawPage.ts';
import type { PdfiumModule } from './module.ts';
import { openDocument } from './openDocument.ts';
import { onPage } from './readRaw.ts';
import type { Placed, Raster, Window } from './raster.ts';

/** A page that is open. */
export interface OpenPage {
  /** As it is seen, points; UserUnit is not looked at. */
  readonly size: { readonly width: number; readonly height: number };
  /** What of it is seen in a window, on white, or on nothing, with its annotations and the values of its fields. @throws RangeError when there is no room for the picture */
  draw(window: Window, onNothing?: boolean): Raster;
  /** The same at any scale and place; it cannot be drawn otherwise afterwards. @throws RangeError when there is no room for the picture */
  drawPlaced(placed: Placed): Raster;
  /**
   * Its characters, with what its annotations and fields show; no spaces. It cannot be drawn afterwards.
   * @param rotate as it would be read if it were turned so, clockwise, degrees: characters of lines that run across are put in another order. As it is without
   * @param isIn asked of the box of each, as high as its face, in user space; all are without
   */
  characters(rotate?: number, isIn?: (box: Box) => boolean): string;
  /** How many annotations it has of each kind, by their numbers in fpdf_annot.h. */
  annotations(): ReadonlyMap<number, number>;
}

/** A PDF whose pages are looked at. */
export interface OpenPages {
  readonly pageCount: number;
  /** How large a page, from 0, is seen, points, without opening it; null where that cannot be read. UserUnit is not looked at. */
  size(index: number): { readonly width: number; readonly height: number } | null;
  /** Opens a page, from 0, for as long as it is looked at; null where it cannot be read. What is `covered` is hidden, or seen in the state that is said; links at `linksAway`, in user space, are hidden. */
  page<T>(
    index: number,
    look: (page: OpenPage) => T,
    covered?: readonly Covered[],
    linksAway?: readonly Box[],
  ): T | null;
  close(): void;
}

/** Of FPDFAnnot_GetSubtype: a link. */
export const LINK = 2;

const SPACE = /[\s\u0000-\u001f\u00ad\u00a0\u200b-\u200f\ufeff\ufffe\uffff]/u;

/**
 * Opens a PDF in PDFium to look at its pages. The bytes are copied.
 * @throws PdfRefusal when it needs another password, or cannot be read
 */
export function openPages(module: PdfiumModule, bytes: Uint8Array, password?: string): OpenPages {
  const { wasmExports: pdfium } = module;
  const { handle, pageCount, close } = openDocument(module, bytes, password);
  const form = openForm(module, handle);
  return {
    pageCount,
    size: (index) => sizeOf(module, handle, index),
    page(index, look, covered = [], linksAway = []) {
      const page = pdfium.FPDF_LoadPage(handle, index);
      if (page === 0) return null;
      coverAnnotations(module, page, covered);
      const showLinks = hideLinks(module, page, linksAway);
      if (form.handle) pdfium.FORM_OnAfterLoadPage(page, form.handle);
      // Once they are drawn into the page it has them no more.
      let saysMore: boolean | null = null;
      try {
        const size = {
          width: pdfium.FPDF_GetPageWidthF(page),
          height: pdfium.FPDF_GetPageHeightF(page),
        };
        return look({
          size,
          draw: (window, onNothing) => drawPage(module, page, form.handle, window, onNothing),
          drawPlaced: (placed) => drawPlaced(module, page, form.handle, placed),
          characters: (rotate, isIn) =>
            turned(pdfium, page, rotate, () =>
              (saysMore ??= hasWords(pdfium, page))
                ? onPage(module, handle, index, '', (_, text) => charactersIn(module, text, isIn))
                : charactersOn(module, page, isIn),
            ),
          annotations: () => annotationsOn(module, page),
        });
      } finally {
        showLinks();
        if (form.handle) pdfium.FORM_OnBeforeClosePage(page, form.handle);
        pdfium.FPDF_ClosePage(page);
      }
    },
    close() {
      form.close();
      close();
    },
  };
}

function sizeOf(
  module: PdfiumModule,
  document: number,
  index: number,
): { width: number; height: number } | null {
  const { wasmExports: pdfium } = module;
  // FS_SIZEF: two floats.
  const held = pdfium.malloc(8);
  const isRead = pdfium.FPDF_GetPageSizeByIndexF(document, index, held) !== 0;
  const [width, height] = module.HEAPF32.subarray(held >> 2, (held >> 2) + 2);
  pdfium.free(held);
  return isRead ? { width, height } : null;
}

/** What draws the fields of a form; its handle is 0 where PDFium has no room for it. Nothing of a form is run. */
function openForm(
  { wasmExports: pdfium }: PdfiumModule,
  document: number,
): { readonly handle: number; close(): void } {
  const info = pdfium.PDFiumExt_OpenFormFillInfo();
  const handle = pdfium.PDFiumExt_InitFormFillEnvironment(document, info);
  // Fields are drawn as they are printed, without the colour that says that one can write there.
  if (handle) pdfium.FPDF_SetFormFieldHighlightAlpha(handle, 0);
  return {
    handle,
    close() {
      if (handle) pdfium.PDFiumExt_ExitFormFillEnvironment(handle);
      pdfium.PDFiumExt_CloseFormFillInfo(info);
    },
  };
}

/** Looks at a page while it is turned. */
function turned<T>(
  pdfium: PdfiumModule['wasmExports'],
  page: number,
  rotate: number | undefined,
  look: () => T,
): T {
  const was = pdfium.FPDFPage_GetRotation(page);
  const quarters = rotate === undefined ? was : rotate / 90;
  if (quarters === was) return look();
  pdfium.FPDFPage_SetRotation(page, quarters);
  try {
    return look();
  } finally {
    pdfium.FPDFPage_SetRotation(page, was);
  }
}

function charactersOn(
  module: PdfiumModule,
  page: number,
  isIn: ((box: Box) => boolean) | undefined,
): string {
  const text = module.wasmExports.FPDFText_LoadPage(page);
  if (text === 0) return '';
  const characters = charactersIn(module, text, isIn);
  module.wasmExports.FPDFText_ClosePage(text);
  return characters;
}

function charactersIn(
  module: PdfiumModule,
  text: number,
  isIn: ((box: Box) => boolean) | undefined,
): string {
  const { wasmExports: pdfium } = module;
  const parts: string[] = [];
  const count = pdfium.FPDFText_CountChars(text);
  for (let k = 0; k < count; k++) {
    if (pdfium.FPDFText_IsGenerated(text, k) === 1) continue;
    const code = pdfium.FPDFText_GetUnicode(text, k);
    if (code === 0 || code > 0x10ffff) continue;
    const character = String.fromCodePoint(code);
    if (SPACE.test(character) || (isIn && !isIn(boxOfCharacter(module, text, k)))) continue;
    parts.push(character);
  }
  return parts.join('');
}

/** Of a character as high as its face, user space; an empty one where it has none. */
function boxOfCharacter(module: PdfiumModule, text: number, index: number): Box {
  // FS_RECTF: left, top, right, bottom.
  const held = module.wasmExports.malloc(16);
  const isRead = module.wasmExports.FPDFText_GetLooseCharBox(text, index, held);
  const [minX, maxY, maxX, minY] = module.HEAPF32.subarray(held >> 2, (held >> 2) + 4);
  module.wasmExports.free(held);
  return isRead ? { minX, minY, maxX, maxY } : EMPTY_BOX;
}

function annotationsOn({ wasmExports: pdfium }: PdfiumModule, page: number): Map<number, number> {
  const kinds = new Map<number, number>();
  const count = pdfium.FPDFPage_GetAnnotCount(page);
  for (let k = 0; k < count; k++) {
    const annotation = pdfium.FPDFPage_GetAnnot(page, k);
    if (annotation === 0) continue;
    const kind = pdfium.FPDFAnnot_GetSubtype(annotation);
    kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
    pdfium.FPDFPage_CloseAnnot(annotation);
  }
  return kinds;
}
