import type { Vec } from '../geometry/index.ts';

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

/** A place on a page, from 0, in user space. */
export const pointOf = ({ left, top }: FilePlace, corner: Vec): Vec | null =>
  left === null && top === null ? null : { x: left ?? corner.x, y: top ?? corner.y };

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
