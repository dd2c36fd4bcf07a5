import {
  type Change,
  changeOf,
  type DocState,
  type Page,
  paperPage,
  type Transaction,
} from '../../document/index.ts';
import { displaySize } from '../../geometry/index.ts';
import type { PageId } from '../../marks/index.ts';
import { PAPERS, type Ruling } from '../../paper/index.ts';
import { placesAfter } from './places.ts';

/** A4, points: an empty page with no neighbour to take its size from. */
const USUAL = { width: 595.28, height: 841.89 };

/** Puts an empty page after another, in its size as it is seen; before all others when `after` is null or not there. */
export function addPaper(
  { pages }: DocState,
  after: PageId | null,
  ruling: Ruling,
  id: PageId,
): Transaction {
  return {
    label: `Add a ${nameOf(ruling)} page`,
    changes: paperAfter(pages, after, ruling, id),
  };
}

/** Puts an empty page after each of these, each in the size of the one before it; null where none of them is there. */
export function addPapers(
  { pages }: DocState,
  ids: readonly PageId[],
  ruling: Ruling,
  newId: () => PageId,
): Transaction | null {
  const wanted = new Set(ids);
  const was = new Map(pages.map((page) => [page.id, page]));
  let row = pages;
  for (const { id } of pages) {
    if (!wanted.has(id)) continue;
    const now = new Map(row.map((page) => [page.id, page]));
    for (const change of paperAfter(row, id, ruling, newId()))
      if (change.part === 'page' && change.after) now.set(change.after.id, change.after);
    row = [...now.values()].sort((a, b) => a.order - b.order);
  }
  const changes = row.flatMap((page): Change[] => {
    const before = was.get(page.id);
    return before === page ? [] : [changeOf('page', before ?? null, page)];
  });
  const count = row.length - pages.length;
  if (count === 0) return null;
  const name = nameOf(ruling);
  return { label: count === 1 ? `Add a ${name} page` : `Add ${count} ${name} pages`, changes };
}

const nameOf = ({ pattern }: Ruling): string => PAPERS[pattern].name.toLowerCase();

function paperAfter(
  pages: readonly Page[],
  after: PageId | null,
  ruling: Ruling,
  id: PageId,
): Change[] {
  const neighbour = pages.find((page) => page.id === after) ?? pages.at(0);
  const size = neighbour ? displaySize(neighbour) : USUAL;
  const { orders, moved } = placesAfter(pages, after, 1);
  return [...moved, changeOf('page', null, paperPage(id, orders[0], size, ruling))];
}
