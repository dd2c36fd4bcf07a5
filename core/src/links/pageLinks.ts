import type { DocState, OwnLink, Page } from '../document/index.ts';
import type { Box } from '../geometry/index.ts';
import { type FilePlace, pointOf } from '../guide/index.ts';
import { type Lead, leadOf } from './leads.ts';

/** A link of a file, over an area of a page in user space. */
export interface FileLink {
  readonly area: Box;
  readonly place: FilePlace | null;
  readonly address: string | null;
}

/** A link as it is on a page: one's own, or of the file. */
export interface PageLink {
  readonly key: string;
  /** The page, by its id. */
  readonly page: string;
  readonly area: Box;
  /** What is pressed of it. */
  readonly parts: readonly Box[];
  /** Null where it leads nowhere: what it named is gone. */
  readonly leads: Lead | null;
  readonly framed: boolean;
  /** One's own; null where it is the file's as it came. */
  readonly own: OwnLink | null;
}

/** Readers round numbers differently, points. */
const SAME_AREA = 0.05;

/** Whether two boxes are the same link of a file. */
export const isSameArea = (a: Box, b: Box): boolean =>
  (['minX', 'minY', 'maxX', 'maxY'] as const).every(
    (side) => Math.abs(a[side] - b[side]) <= SAME_AREA,
  );

const byPage = new WeakMap<ReadonlyMap<string, OwnLink>, ReadonlyMap<string, readonly OwnLink[]>>();

/** One's own links on a page, and what stands for links of its file. */
export function ownLinksOn({ links }: DocState, page: string): readonly OwnLink[] {
  let pages = byPage.get(links);
  if (!pages) {
    const found = new Map<string, OwnLink[]>();
    for (const link of links.values())
      found.set(link.page, [...(found.get(link.page) ?? []), link]);
    byPage.set(links, (pages = found));
  }
  return pages.get(page) ?? NONE;
}
const NONE: readonly OwnLink[] = [];

/** What is pressed of a link. */
export const partsOfLink = ({ area, parts }: Pick<OwnLink, 'area' | 'parts'>): readonly Box[] =>
  parts && parts.length > 0 ? parts : [area];

/** The links of a page as they are: those of its file, but for those that were changed or removed, and one's own over them. */
export function linksOnPage(
  document: DocState,
  page: Page,
  ofFile: readonly FileLink[],
): PageLink[] {
  const own = ownLinksOn(document, page.id);
  const changed = own.flatMap(({ instead }) => instead ?? []);
  const came = ofFile
    .filter(({ area }) => !changed.some((box) => isSameArea(box, area)))
    .map((link, k): PageLink => {
      const { area } = link;
      const key = `file ${k} ${area.minX} ${area.minY}`;
      const leads = leadOfFile(document, page, link);
      return { key, page: page.id, area, parts: [area], leads, framed: false, own: null };
    });
  const mine = own.flatMap((link): PageLink[] => {
    const { id, area, to, framed } = link;
    const parts = partsOfLink(link);
    return to === null
      ? []
      : [{ key: id, page: page.id, area, parts, leads: leadOf(document, to), framed, own: link }];
  });
  return [...came, ...mine];
}

/** Where a link of the file of a page leads in the document; null where that page is gone. */
function leadOfFile({ pages }: DocState, from: Page, { place, address }: FileLink): Lead | null {
  if (address !== null) return { address };
  if (!place || !('source' in from.shows)) return null;
  const { source } = from.shows;
  const index = pages.findIndex(
    ({ shows }) => 'source' in shows && shows.source === source && shows.index === place.page,
  );
  const page = pages.at(index);
  return index < 0 || !page ? null : { index, at: pointOf(place, page), thread: null };
}

/** The link at a place of a page, in user space, the topmost first; or the nearest one no farther away than `reach` points. */
export function linkAt(
  links: readonly PageLink[],
  { x, y }: { readonly x: number; readonly y: number },
  reach = 0,
): PageLink | null {
  let best: PageLink | null = null;
  let nearest = reach;
  for (const link of links)
    for (const { minX, minY, maxX, maxY } of link.parts) {
      const away = Math.hypot(Math.max(minX - x, 0, x - maxX), Math.max(minY - y, 0, y - maxY));
      if (away > nearest) continue;
      nearest = away;
      best = link;
    }
  return best;
}
