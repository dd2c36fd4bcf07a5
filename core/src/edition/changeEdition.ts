import {
  type Change,
  changeOf,
  type DocState,
  findMark,
  framePage,
  markChange,
  type OwnLink,
  type Page,
  pagesOfSource,
  type Transaction,
  turnPage,
} from '../document/index.ts';
import { type Matrix, type PageBox, transform, transformBox } from '../geometry/index.ts';
import type { MarkId, PageId } from '../marks/index.ts';
import type { CarriedOver } from './carryOver.ts';
import type { PageFate } from './editionText.ts';
import { waitingPage } from './waiting.ts';

export interface NewEdition {
  readonly document: DocState;
  /** The files of both, by the SHA-256 of their bytes. */
  readonly was: string;
  readonly is: string;
  /** The pages of the new one as they came. */
  readonly pages: readonly PageBox[];
  readonly carried: CarriedOver;
  /** Marks that are left where they were: they wait, as lost ones do. */
  readonly left: ReadonlySet<MarkId>;
  newId(): string;
}

/**
 * The pages of a new edition in the place of the earlier one’s, with the marks where they belong. Those that are lost or left wait, seen on no page, until
 * they are put somewhere. Pages that show something else, or paper, follow the page they followed.
 */
export function changeEdition(edition: NewEdition): Transaction {
  const { document, was, carried, left } = edition;
  const arranged = arrange(edition);
  const ofOld = new Map(
    document.pages.flatMap(({ id, shows }) =>
      'source' in shows && shows.source === was ? [[id, shows.index] as const] : [],
    ),
  );
  const changes = pagesChanged(document.pages, arranged.pages);
  for (const { mark: id, page, after } of carried.placed) {
    const before = findMark(document, id);
    if (!before) continue;
    const isTaken = page !== null && after !== null && !left.has(id);
    const there = isTaken ? arranged.idOf(before.page, page) : null;
    const now =
      there === null || !after
        ? { ...before, page: waitingPage(before.page) }
        : { ...after, page: there };
    if (!isSame(before, now)) changes.push(markChange(before, now));
  }
  const fateOf = (id: string): PageFate | null => {
    const index = ofOld.get(id);
    return index === undefined ? null : (carried.fates[index] ?? null);
  };
  return {
    label: 'Carry over to a new edition',
    changes: [...changes, ...placesCarried(document, fateOf, arranged.idOf)],
  };
}

const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

function pagesChanged(was: readonly Page[], is: readonly Page[]): Change[] {
  const after = new Map(is.map((page) => [page.id, page]));
  const before = new Set(was.map(({ id }) => id));
  return [
    ...was
      .filter((page) => !isSame(page, after.get(page.id)))
      .map((page) => changeOf('page', page, after.get(page.id) ?? null)),
    ...is.filter(({ id }) => !before.has(id)).map((page) => changeOf('page', null, page)),
  ];
}

interface Arranged {
  readonly pages: readonly Page[];
  /** What a page of the new edition is called: of several the one that takes the place of this page. */
  idOf(before: string, page: number): string | null;
}

function arrange({ document, was, is, pages, carried, newId }: NewEdition): Arranged {
  const fresh = pagesOfSource(is, pages, () => '');
  /** For each page of the new edition, the pages of the document that it takes the place of, and which page of the earlier one these show. */
  const takes = pages.map((): { readonly page: Page; readonly index: number }[] => []);
  /** Pages that show something else, by the page of the new edition that they follow; -1 before all. */
  const others = new Map<number, Page[]>();
  let last = -1;
  for (const page of document.pages) {
    const { shows } = page;
    if ('source' in shows && shows.source === was) {
      const to = carried.fates[shows.index]?.to ?? null;
      if (to === null) continue;
      takes[to].push({ page, index: shows.index });
      last = to;
    } else others.set(last, [...(others.get(last) ?? []), page]);
  }
  const row: Page[] = [...(others.get(-1) ?? [])];
  const ids = new Map<string, string>();
  fresh.forEach((page, k) => {
    const [first, ...more] = takes[k];
    const now = first ? looked(page, first.page) : { ...page, id: newId() };
    row.push(now);
    ids.set(` ${k}`, now.id);
    for (const { page: old, index } of more) {
      // What showed one page of the earlier edition several times shows this one as often.
      const isAgain = index === first.index;
      if (isAgain) row.push(looked(page, old));
      ids.set(`${old.id} ${k}`, isAgain ? old.id : now.id);
    }
    row.push(...(others.get(k) ?? []));
  });
  return {
    pages: row.map((page, order) => ({ ...page, order })),
    idOf: (before, page) => ids.get(`${before} ${page}`) ?? ids.get(` ${page}`) ?? null,
  };
}

/** Sheets differ by less than this where they are the same, points. */
const SAME = 1;

/** A page of the new edition in the place of one of the earlier, turned, and cut down or widened, as that was. */
function looked(page: Page, before: Page): Page {
  const { numbering } = before;
  const kept = { ...page, id: before.id, ...(numbering ? { numbering } : {}) };
  const turned = turnPage(kept, before.turn);
  const lieAlike = (['minX', 'minY', 'maxX', 'maxY'] as const).every(
    (side) => Math.abs(page.sheet[side] - before.sheet[side]) < SAME,
  );
  return before.crop && lieAlike ? framePage(turned, before.crop) : turned;
}

/** Bookmarks and links on pages that have become others; those over marks go with these. */
function placesCarried(
  { bookmarks, links }: DocState,
  fateOf: (page: string) => PageFate | null,
  idOf: Arranged['idOf'],
): Change[] {
  const moved = (page: string): { readonly page: string; readonly map: Matrix } | null => {
    const fate = fateOf(page);
    if (!fate || fate.to === null) return null;
    return { page: idOf(page, fate.to) ?? page, map: fate.map };
  };
  const ofBookmarks = [...bookmarks.values()].flatMap((one): Change[] => {
    const to = moved(one.page);
    const after = to && { ...one, page: to.page, at: one.at && transform(to.map, one.at) };
    return after && !isSame(one, after) ? [changeOf('bookmark', one, after)] : [];
  });
  const ofLinks = [...links.values()].flatMap((link): Change[] => {
    const on = link.mark === undefined ? moved(link.page) : null;
    // What was taken away of the earlier file says nothing of this one.
    if (link.to === null && on) return [changeOf('link', link, null)];
    const led = link.to && 'page' in link.to ? moved(link.to.page) : null;
    const to =
      led && link.to && 'page' in link.to
        ? { page: led.page, at: link.to.at && transform(led.map, link.to.at) }
        : link.to;
    const after = { ...(on ? linkOn(link, on.page, on.map) : link), to };
    return isSame(link, after) ? [] : [changeOf('link', link, after)];
  });
  return [...ofBookmarks, ...ofLinks];
}

/** A link on another page; there it stands for none of the file's. */
function linkOn({ instead: _, ...link }: OwnLink, page: PageId, map: Matrix): OwnLink {
  const { area, parts } = link;
  return {
    ...link,
    page,
    area: transformBox(map, area),
    ...(parts ? { parts: parts.map((part) => transformBox(map, part)) } : {}),
  };
}
