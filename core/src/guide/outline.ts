import type { PageBox, Vec } from '../geometry/index.ts';

/** Where an entry or a link of a file leads: a page of the file, from 0, and where on it. */
export interface FilePlace {
  readonly page: number;
  /** What is to stand at the upper left of the window, in user space; each is null where the page's own corner is meant. */
  readonly left: number | null;
  readonly top: number | null;
}

/** An entry of a file's outline (ISO 32000-1 §12.3.3). */
export interface OutlineEntry {
  readonly title: string;
  /** Null where it leads nowhere, or out of the file. */
  readonly place: FilePlace | null;
  /** The address it leads to, when it leads out of the file. */
  readonly address: string | null;
  /** What stands under it is to be seen at first. */
  readonly open: boolean;
  readonly under: readonly OutlineEntry[];
}

/** The place on its page, in user space; null for the page as a whole. */
export function pointOf({ left, top }: FilePlace, page: PageBox): Vec | null {
  if (left === null && top === null) return null;
  const corner = upperLeft(page);
  return { x: left ?? corner.x, y: top ?? corner.y };
}

/** The corner of a page that stands at the upper left as it is seen, in user space. */
function upperLeft({ box, rotate }: PageBox): Vec {
  const right = rotate === 180 || rotate === 270;
  const low = rotate === 90 || rotate === 180;
  return { x: right ? box.maxX : box.minX, y: low ? box.minY : box.maxY };
}

const finite = (value: unknown): number | null =>
  typeof value === 'number' && Number.isFinite(value) ? value : null;

/**
 * What an explicit destination says (ISO 32000-1 table 151), but for its page: `[page, /XYZ, left, top, zoom]`, `[page, /FitH, top]` and so on.
 * Whatever else is written there means the page as a whole.
 */
export function cornerOf(
  fit: string,
  numbers: readonly unknown[],
): Pick<FilePlace, 'left' | 'top'> {
  const [a, b, , d] = numbers.map(finite);
  switch (fit) {
    case 'XYZ':
      return { left: a ?? null, top: b ?? null };
    case 'FitH':
    case 'FitBH':
      return { left: null, top: a ?? null };
    case 'FitV':
    case 'FitBV':
      return { left: a ?? null, top: null };
    case 'FitR':
      return { left: a ?? null, top: d ?? null };
    default:
      return { left: null, top: null };
  }
}
