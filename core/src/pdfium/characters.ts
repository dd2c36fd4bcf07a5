import type { RawPrint } from '../print/index.ts';
import { endBeforeNext, setAcross, shareLigatures } from './characterBoxes.ts';
import type { PdfiumModule } from './module.ts';
import { Faces, type Type, typeOf } from './typeOf.ts';

/** A page is read to so many characters and no further: more has been made to harm. */
const MOST_CHARACTERS = 100_000;
/** Bytes for a matrix of six floats, or whatever else is asked for at a time. */
const SCRATCH = 64;
/** Of a box (FS_RECTF), bytes. */
const BOX_SIZE = 16;

/** The characters of a page, and what each has in common with the others of its object. */
export interface Characters {
  readonly raw: RawPrint;
  readonly types: readonly Type[];
}

/** The characters of a page's text that is open in PDFium. */
export function charactersOf(module: PdfiumModule, text: number): Characters {
  const scratch = module.wasmExports.malloc(SCRATCH);
  try {
    return readCharacters(module, text, scratch);
  } finally {
    module.wasmExports.free(scratch);
  }
}

function readCharacters(module: PdfiumModule, text: number, scratch: number): Characters {
  // Taken out of their object, and the memory looked up only when it has grown: a book has a million characters.
  const {
    FPDFText_GetUnicode: unicodeOf,
    FPDFText_GetTextObject: objectOf,
    FPDFText_GetLooseCharBox: putBox,
    FPDFText_GetCharOrigin: putOrigin,
    FPDFText_IsGenerated: isGenerated,
    FPDFText_CountChars: countOf,
  } = module.wasmExports;
  let { HEAPF32: floats, HEAPF64: doubles } = module;
  const r = scratch >> 2;
  const origin = scratch + BOX_SIZE;
  const o = origin >> 3;
  const all = Math.min(MOST_CHARACTERS, Math.max(0, countOf(text)));
  const codes = new Uint32Array(all);
  const origins = new Float32Array(2 * all);
  const boxes = new Float32Array(4 * all);
  const sizes = new Float32Array(all);
  const faces = new Uint32Array(all);
  const angles = new Float32Array(all);
  const metrics = new Faces(module, scratch);
  let type: Type | null = null;
  const types: Type[] = [];
  let n = 0;
  for (let i = 0; i < all; i++) {
    const code = unicodeOf(text, i);
    if (!isPrinted(code)) continue;
    // Of what PDFium makes up itself only spaces are printed characters.
    if (code === SPACE && isGenerated(text, i) === 1) continue;
    const object = objectOf(text, i);
    if (object !== type?.object) type = typeOf(module, text, i, object, metrics, scratch);
    if (!putBox(text, i, scratch) || !putOrigin(text, i, origin, origin + 8)) continue;
    // Views of memory that has grown have become empty.
    if (floats.length === 0) ({ HEAPF32: floats, HEAPF64: doubles } = module);
    // FS_RECTF: left, top, right, bottom.
    boxes[4 * n] = floats[r];
    boxes[4 * n + 1] = floats[r + 3];
    boxes[4 * n + 2] = floats[r + 2];
    boxes[4 * n + 3] = floats[r + 1];
    origins[2 * n] = doubles[o];
    origins[2 * n + 1] = doubles[o + 1];
    codes[n] = code === SOFT_HYPHEN ? 0x2d : code;
    sizes[n] = type.size;
    faces[n] = type.face;
    angles[n] = type.angle;
    if (type.reach) setAcross(boxes, n, origins, type.reach);
    types[n] = type;
    n++;
  }
  shareLigatures(n, codes, origins, boxes);
  for (let i = 1; i < n; i++)
    if (types[i] === types[i - 1]) endBeforeNext(boxes, origins, i, types[i]);
  const raw = {
    codes: codes.subarray(0, n),
    origins: origins.subarray(0, 2 * n),
    boxes: boxes.subarray(0, 4 * n),
    sizes: sizes.subarray(0, n),
    faces: faces.subarray(0, n),
    angles: angles.subarray(0, n),
  };
  return { raw, types };
}

/** What PDFium says in place of a hyphen at the end of a line. */
const SOFT_HYPHEN = 2;
const SPACE = 0x20;
/** Not a control character; what PDFium cannot name is 0. */
const isPrinted = (code: number): boolean =>
  code === SOFT_HYPHEN || (code >= 0x20 && (code < 0x7f || code > 0x9f));
