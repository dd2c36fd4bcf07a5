import { isFromRight, type RawPrint, type TaggedPage } from '../print/index.ts';
import { loadWithAnnotations } from './drawAnnotations.ts';
import type { PdfiumModule } from './module.ts';
import { readTagged } from './readTagged.ts';

/** A page is read to so many characters and no further: more has been made to harm. */
const MOST_CHARACTERS = 100_000;
/** Bytes for a matrix of six floats, or whatever else is asked for at a time. */
const SCRATCH = 64;
/** Of a box (FS_RECTF), bytes. */
const BOX_SIZE = 16;

/** A line is level, or upright, when it slants by no more than this. */
const LEVEL = 0.01;
/** Ink reaches no farther beyond what its character takes of the line, in sizes of type. */
const OVERHANG = 0.15;
/** Heights of faces that can be true, in sizes of type. */
const LEAST_REACH = 0.4;
const MOST_REACH = 3;

const NOTHING: RawPrint = {
  codes: new Uint32Array(0),
  origins: new Float32Array(0),
  boxes: new Float32Array(0),
  sizes: new Float32Array(0),
  faces: new Uint32Array(0),
  angles: new Float32Array(0),
};

/** The characters of a page (from 0) of an open document; none where PDFium cannot read it. */
export const readRaw = (module: PdfiumModule, document: number, index: number): RawPrint =>
  onPage(module, document, index, NOTHING, (_, text) => charactersOf(module, text).raw);

/** The same, and what a tagged file says of them. */
export function readTaggedPage(module: PdfiumModule, document: number, index: number): TaggedPage {
  const nothing = { raw: NOTHING, marked: new Int32Array(0), parts: [] };
  return onPage(module, document, index, nothing, (page, text) => {
    const parts = readTagged(module, page);
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

function onPage<T>(
  module: PdfiumModule,
  document: number,
  index: number,
  nothing: T,
  read: (page: number, text: number) => T,
): T {
  const { wasmExports: pdfium } = module;
  const page = loadWithAnnotations(module, document, index);
  if (page === 0) return nothing;
  const text = pdfium.FPDFText_LoadPage(page);
  try {
    return text === 0 ? nothing : read(page, text);
  } finally {
    if (text !== 0) pdfium.FPDFText_ClosePage(text);
    pdfium.FPDF_ClosePage(page);
  }
}

/** What the characters of one object of the page have in common. */
interface Type {
  readonly object: number;
  readonly face: number;
  readonly size: number;
  readonly angle: number;
  /** Along the line coordinates grow. */
  readonly isForward: boolean;
  /** Across the line from where it stands, points; null where the face does not say, or the line slants. */
  readonly reach: { readonly up: number; readonly down: number; readonly axis: 'x' | 'y' } | null;
}

interface Characters {
  readonly raw: RawPrint;
  /** Of each character. */
  readonly types: readonly Type[];
}

function charactersOf(module: PdfiumModule, text: number): Characters {
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

/** Heights of the faces of a page above and below where their characters stand, in sizes of type; NaN where a face does not say. */
class Faces {
  private readonly known = new Map<number, { readonly up: number; readonly down: number }>();

  constructor(
    private readonly module: PdfiumModule,
    private readonly scratch: number,
  ) {}

  of(face: number): { readonly up: number; readonly down: number } {
    let heights = this.known.get(face);
    if (!heights) this.known.set(face, (heights = this.ask(face)));
    return heights;
  }

  private ask(face: number): { readonly up: number; readonly down: number } {
    const { FPDFFont_GetAscent: ascent, FPDFFont_GetDescent: descent } = this.module.wasmExports;
    const at = this.scratch >> 2;
    if (face === 0 || !ascent(face, 1, this.scratch)) return { up: NaN, down: NaN };
    const up = this.module.HEAPF32[at];
    const down = descent(face, 1, this.scratch) ? this.module.HEAPF32[at] : NaN;
    return { up, down };
  }
}

function typeOf(
  module: PdfiumModule,
  text: number,
  index: number,
  object: number,
  faces: Faces,
  scratch: number,
): Type {
  const { wasmExports: pdfium } = module;
  const face = pdfium.FPDFTextObj_GetFont(object);
  if (!pdfium.FPDFText_GetMatrix(text, index, scratch))
    return { object, face, size: 0, angle: 0, isForward: true, reach: null };
  const at = scratch >> 2;
  const heap = module.HEAPF32;
  const a = heap[at];
  const b = heap[at + 1];
  const scale = Math.hypot(heap[at + 2], heap[at + 3]);
  const size = pdfium.FPDFText_GetFontSize(text, index) * scale;
  const angle = Math.atan2(b, a);
  const { up, down } = faces.of(face);
  const isLevel = Math.abs(b) < LEVEL * Math.abs(a);
  const isUpright = !isLevel && Math.abs(a) < LEVEL * Math.abs(b);
  const isTrue = up - down > LEAST_REACH && up - down < MOST_REACH;
  if (!(isLevel || isUpright) || !isTrue)
    return { object, face, size, angle, isForward: Math.cos(angle) > 0, reach: null };
  // Up is to the left where writing goes up, and down where it goes backwards.
  const way = size * (isLevel ? Math.sign(a) : -Math.sign(b));
  const reach = { up: way * up, down: way * down, axis: isLevel ? 'y' : 'x' } as const;
  const isForward = (isLevel ? Math.cos(angle) : Math.sin(angle)) > 0;
  return { object, face, size, angle, isForward, reach };
}

/** Takes a box across the line from what its face says, rather than from the largest of its glyphs. */
function setAcross(
  boxes: Float32Array,
  n: number,
  origins: Float32Array,
  { up, down, axis }: NonNullable<Type['reach']>,
): void {
  const k = axis === 'x' ? 0 : 1;
  const base = origins[2 * n + k];
  boxes[4 * n + k] = base + Math.min(up, down);
  boxes[4 * n + k + 2] = base + Math.max(up, down);
}

/** The box of the character before, which PDFium makes as wide as its ink, ends where this one begins. */
function endBeforeNext(
  boxes: Float32Array,
  origins: Float32Array,
  n: number,
  { reach, isForward, size }: Type,
): void {
  const k = reach?.axis === 'x' ? 1 : 0;
  const [low, high] = [4 * (n - 1) + k, 4 * (n - 1) + k + 2];
  const next = origins[2 * n + k];
  if (Math.abs(origins[2 * (n - 1) + k] - next) < OVERHANG * size) return;
  if (isForward && boxes[high] > next && boxes[high] - next < OVERHANG * size) boxes[high] = next;
  if (!isForward && boxes[low] < next && next - boxes[low] < OVERHANG * size) boxes[low] = next;
}

/** Accents that are drawn by themselves over a letter are none. */
const isLetter = (code: number): boolean => /^\p{L}/u.test(String.fromCodePoint(code));

/** Whether two characters stand at one place and have one box. */
function isOne(a: number, b: number, origins: Float32Array, boxes: Float32Array): boolean {
  return (
    origins[2 * a] === origins[2 * b] &&
    origins[2 * a + 1] === origins[2 * b + 1] &&
    boxes[4 * a] === boxes[4 * b] &&
    boxes[4 * a + 1] === boxes[4 * b + 1] &&
    boxes[4 * a + 2] === boxes[4 * b + 2] &&
    boxes[4 * a + 3] === boxes[4 * b + 3]
  );
}

/** The letters of a ligature come with the box of all of them, each: they share its width evenly. */
function shareLigatures(
  n: number,
  codes: Uint32Array,
  origins: Float32Array,
  boxes: Float32Array,
): void {
  for (let from = 0, to = 1; from < n; from = to++) {
    if (to >= n || !isOne(from, to, origins, boxes) || !isLetter(codes[from])) continue;
    while (to < n && isOne(from, to, origins, boxes) && isLetter(codes[to])) to++;
    const count = to - from;
    if (count === 1) continue;
    // Along the line is the way in which the box begins at the origin.
    const [x, y] = [boxes[4 * from], boxes[4 * from + 1]];
    const k = Math.abs(origins[2 * from] - x) < Math.abs(origins[2 * from + 1] - y) ? 0 : 1;
    const [start, end] = [boxes[4 * from + k], boxes[4 * from + k + 2]];
    for (let i = from; i < to; i++) {
      const nth = isFromRight(codes[i]) ? to - 1 - i : i - from;
      boxes[4 * i + k] = start + ((end - start) * nth) / count;
      boxes[4 * i + k + 2] = start + ((end - start) * (nth + 1)) / count;
    }
  }
}

/** What PDFium says in place of a hyphen at the end of a line. */
const SOFT_HYPHEN = 2;
const SPACE = 0x20;
/** Not a control character; what PDFium cannot name is 0. */
const isPrinted = (code: number): boolean =>
  code === SOFT_HYPHEN || (code >= 0x20 && (code < 0x7f || code > 0x9f));
