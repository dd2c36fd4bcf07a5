import type { Vec } from '../geometry/index.ts';
import type { PdfiumModule } from './module.ts';
import { openDocument } from './openDocument.ts';
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
}

/** Letters farther away than this are not the one that is meant, points. */
const REACH = 6;
const ROOM = 256;

/** How the letter of a page, from 0, looks that is nearest to a place, in user space; null where there is none. @throws PdfRefusal */
export function lineLook(
  module: PdfiumModule,
  bytes: Uint8Array,
  { page, at, password }: { readonly page: number; readonly at: Vec; readonly password?: string },
): PrintedLook | null {
  const { handle, close } = openDocument(module, bytes, password);
  try {
    return onPage<PrintedLook | null>(module, handle, page, null, (_, text) =>
      lookAt(module, text, at),
    );
  } finally {
    close();
  }
}

function lookAt(module: PdfiumModule, text: number, { x, y }: Vec): PrintedLook | null {
  const { wasmExports: pdfium } = module;
  const index = pdfium.FPDFText_GetCharIndexAtPos(text, x, y, REACH, REACH);
  if (index < 0) return null;
  const held = pdfium.malloc(ROOM + 24);
  try {
    const [flags, places] = [held + ROOM, held + ROOM + 8];
    const length = pdfium.FPDFText_GetFontInfo(text, index, held, ROOM, flags);
    const said = length > 1 && length <= ROOM ? length - 1 : 0;
    const font = [...module.HEAPU8.subarray(held, held + said)]
      .map((b) => String.fromCharCode(b))
      .join('');
    if (!pdfium.FPDFText_GetCharOrigin(text, index, places, places + 8)) return null;
    const [ox, oy] = module.HEAPF64.subarray(places >> 3, (places >> 3) + 2);
    return {
      font,
      flags:
        module.HEAPU8[flags] + 256 * module.HEAPU8[flags + 1] + 65_536 * module.HEAPU8[flags + 2],
      weight: pdfium.FPDFText_GetFontWeight(text, index),
      origin: { x: ox, y: oy },
    };
  } finally {
    pdfium.free(held);
  }
}
