import type { PageId } from '@marginalis/core/marks';

type Ids = ReadonlySet<PageId>;

/** A page more, or one less. */
export function toggled(chosen: Ids, id: PageId): Ids {
  const next = new Set(chosen);
  if (!next.delete(id)) next.add(id);
  return next;
}

/** All from one page to another are chosen too, whichever stands first. */
export function chosenTo(chosen: Ids, ids: readonly PageId[], from: PageId, to: PageId): Ids {
  const ends = [ids.indexOf(from), ids.indexOf(to)];
  if (ends.includes(-1)) return toggled(chosen, to);
  const [first, last] = ends.sort((a, b) => a - b);
  return new Set([...chosen, ...ids.slice(first, last + 1)]);
}

/**
 * Behind which page some come to stand that are moved together by so many places among those that stay; null at the beginning.
 * @param ids of the pages that are shown, in order
 */
export function behindBy(
  ids: readonly PageId[],
  moving: readonly PageId[],
  by: number,
): PageId | null {
  const isMoving = new Set(moving);
  const rest = ids.filter((id) => !isMoving.has(id));
  const first = ids.findIndex((id) => isMoving.has(id));
  const before = ids.slice(0, first).length;
  const place = Math.min(rest.length, Math.max(0, before + by));
  return rest[place - 1] ?? null;
}

/** How the cells of a table lie, CSS pixels. */
export interface Cells {
  readonly count: number;
  readonly columns: number;
  /** From the left side of one to that of the next, and from the top of a row to that of the next. */
  readonly across: number;
  readonly down: number;
}

/** Before which cell something is that lies at a place of the table; their number behind all. */
export function gapAt({ count, columns, across, down }: Cells, x: number, y: number): number {
  const rows = Math.ceil(count / columns);
  const row = Math.min(Math.max(0, Math.floor(y / down)), Math.max(0, rows - 1));
  const column = Math.min(columns, Math.max(0, Math.round(x / across)));
  return Math.min(count, row * columns + column);
}
