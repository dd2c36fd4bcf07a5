import {
  type Change,
  changeOf,
  cropPage,
  type DocState,
  findMark,
  markChange,
  type Page,
  pagesOfSource,
  type Transaction,
  turnPage,
} from '../document/index.ts';
import {
  boxHeight,
  boxWidth,
  type Matrix,
  type PageBox,
  transform,
  transformBox,
} from '../geometry/index.ts';
import type { MarkId } from '../marks/index.ts';
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
  const changes: Change[] = [];
  for (const page of document.pages) {
    const after = arranged.pages.find(({ id }) => id === page.id) ?? null;
    if (JSON.stringify(after) !== JSON.stringify(page)) changes.push(changeOf('page', page, after));
  }
  for (const page of arranged.pages)
    if (!document.pages.some(({ id }) => id === page.id))
      changes.push(changeOf('page', null, page));
  for (const { mark: id, page, after } of carried.placed) {
    const before = findMark(document, id);
    if (!before) continue;
    const isTaken = page !== null && after !== null && !left.has(id);
    const there = isTaken ? arranged.idOf(before.page, page) : null;
    const now =
      there === null || !after
        ? { ...before, page: waitingPage(before.page) }
        : { ...after, page: there };
    if (JSON.stringify(now) !== JSON.stringify(before)) changes.push(markChange(before, now));
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

interface Arranged {
  readonly pages: readonly Page[];
  /** What a page of the new edition is called: of several the one that takes the place of this page. */
  idOf(before: string, page: number): string | null;
}

function arrange({ document, was, is, pages, carried, newId }: NewEdition): Arranged {
  const fresh = pagesOfSource(is, pages, () => '');
  /** For each page of the new edition, the pages of the document that it takes the place of. */
  const takes = pages.map((): Page[] => []);
  /** Pages that show something else, by the page of the new edition that they follow; -1 before all. */
  const others = new Map<number, Page[]>();
  let last = -1;
  for (const page of document.pages) {
    const { shows } = page;
    if ('source' in shows && shows.source === was) {
      const to = carried.fates[shows.index]?.to ?? null;
      if (to === null) continue;
      takes[to].push(page);
      last = to;
    } else others.set(last, [...(others.get(last) ?? []), page]);
  }
  const row: Page[] = [...(others.get(-1) ?? [])];
  const ids = new Map<string, string>();
  fresh.forEach((page, k) => {
    // What showed one page of the earlier edition several times shows this one as often.
    const shown = new Set<number>();
    const olds = takes[k].filter(({ shows }) => 'source' in shows);
    const [first, ...more] = olds;
    row.push(first ? looked(page, first) : { ...page, id: newId() });
    const name = row[row.length - 1].id;
    if (first && 'source' in first.shows) shown.add(first.shows.index);
    for (const old of olds) ids.set(`${old.id} ${k}`, name);
    for (const old of more)
      if ('source' in old.shows && shown.has(old.shows.index)) {
        row.push(looked(page, old));
        ids.set(`${old.id} ${k}`, old.id);
      }
    ids.set(` ${k}`, name);
    row.push(...(others.get(k) ?? []));
  });
  return {
    pages: row.map((page, order) => ({ ...page, order })),
    idOf: (before, page) => ids.get(`${before} ${page}`) ?? ids.get(` ${page}`) ?? null,
  };
}

/** Sizes differ by less than this where they are the same, points. */
const SAME = 1;

/** A page of the new edition in the place of one of the earlier, turned and cut down as that was. */
function looked(page: Page, before: Page): Page {
  const { numbering } = before;
  const kept = { ...page, id: before.id, ...(numbering ? { numbering } : {}) };
  const turned = turnPage(kept, before.turn);
  const isSame =
    Math.abs(boxWidth(page.sheet) - boxWidth(before.sheet)) < SAME &&
    Math.abs(boxHeight(page.sheet) - boxHeight(before.sheet)) < SAME;
  return before.crop && isSame ? cropPage(turned, before.crop) : turned;
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
  const changes: Change[] = [];
  for (const one of bookmarks.values()) {
    const to = moved(one.page);
    if (!to) continue;
    const after = { ...one, page: to.page, at: one.at && transform(to.map, one.at) };
    if (JSON.stringify(after) !== JSON.stringify(one))
      changes.push(changeOf('bookmark', one, after));
  }
  for (const link of links.values()) {
    const on = link.mark === undefined ? moved(link.page) : null;
    const led = link.to && 'page' in link.to ? moved(link.to.page) : null;
    if (link.to === null && on) {
      // What was taken away of the earlier file says nothing of this one.
      changes.push(changeOf('link', link, null));
      continue;
    }
    const target =
      led && link.to && 'page' in link.to
        ? { page: led.page, at: link.to.at && transform(led.map, link.to.at) }
        : link.to;
    const { instead: _, parts, ...rest } = link;
    const area = on ? transformBox(on.map, link.area) : link.area;
    const after = {
      ...(on ? rest : link),
      page: on?.page ?? link.page,
      area,
      ...(parts ? { parts: parts.map((part) => (on ? transformBox(on.map, part) : part)) } : {}),
      to: target,
    };
    if (JSON.stringify(after) !== JSON.stringify(link)) changes.push(changeOf('link', link, after));
  }
  return changes;
}
