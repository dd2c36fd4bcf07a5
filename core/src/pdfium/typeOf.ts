import type { PdfiumModule } from './module.ts';

/** A line is level, or upright, when it slants by no more than this. */
const LEVEL = 0.01;
/** Heights of faces that can be true, in sizes of type. */
const LEAST_REACH = 0.4;
const MOST_REACH = 3;

/** What the characters of one object of the page have in common. */
export interface Type {
  readonly object: number;
  readonly face: number;
  readonly size: number;
  readonly angle: number;
  /** Along the line coordinates grow. */
  readonly isForward: boolean;
  /** Across the line from where it stands, points; null where the face does not say, or the line slants. */
  readonly reach: { readonly up: number; readonly down: number; readonly axis: 'x' | 'y' } | null;
}

/** Heights of the faces of a page above and below where their characters stand, in sizes of type; NaN where a face does not say. */
export class Faces {
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

/** What the character at an index has in common with the others of its object. */
export function typeOf(
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
