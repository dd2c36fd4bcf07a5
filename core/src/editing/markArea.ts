import { type DocState, markChange, nextOrder, type Transaction } from '../document/index.ts';
import type { Strip, WordsMark } from '../kinds/index.ts';
import { instrumentStyle, type MarkId, type PageId, type WordMarker } from '../marks/index.ts';

export interface AreaMarking {
  readonly id: MarkId;
  readonly page: PageId;
  readonly marker: Pick<WordMarker, 'manner' | 'colour' | 'opacity' | 'widthMm'>;
  readonly area: Strip;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  /** Nobody when left out or empty. */
  readonly author?: string;
}

/** Marks an area of a page whose words cannot be read, as words are marked elsewhere. */
export function markArea(state: DocState, marking: AreaMarking): Transaction {
  const { id, page, marker, area, madeAt, author } = marking;
  const mark: WordsMark = {
    kind: 'words',
    id,
    page,
    order: nextOrder(state, page),
    style: instrumentStyle(marker),
    madeAt,
    ...(author ? { author } : {}),
    manner: marker.manner,
    strips: [area],
    before: '',
    after: '',
  };
  return { label: 'Mark an area', changes: [markChange(null, mark)] };
}

/** Gives an area that is marked other ends; null when they are the same. */
export function resizeArea(mark: WordsMark, area: Strip): Transaction | null {
  const [same] = mark.strips;
  const isSame = same.quad.every(({ x, y }, k) => x === area.quad[k].x && y === area.quad[k].y);
  if (isSame) return null;
  return {
    label: 'Change the area marked',
    changes: [markChange(mark, { ...mark, strips: [area] })],
  };
}
