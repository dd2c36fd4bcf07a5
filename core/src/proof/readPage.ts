import { LINK, type OpenPage, type OpenPages, type Raster } from '../pdfium/index.ts';
import type { PictureGrid } from './pictureGrid.ts';
import type { WantedPage } from './wantedPage.ts';

/** What a reader finds on a page. */
export interface ReadPage {
  /** Null where the page cannot be read. */
  readonly picture: Raster | null;
  readonly characters: string;
  readonly links: number;
  /** Beside links. */
  readonly annotations: number;
  /** Points, UserUnit not looked at. */
  readonly size: { readonly width: number; readonly height: number };
}

const NOTHING: ReadPage = {
  picture: null,
  characters: '',
  links: 0,
  annotations: 0,
  size: { width: 0, height: 0 },
};

/** The page of the source that a page of a copy shows; nothing where it shows none. */
export function readSource(
  { page, covered, linksAway }: WantedPage,
  { source }: PictureGrid,
  sources: (source: string) => OpenPages | null,
): ReadPage {
  if (!source || !page || !('source' in page.shows)) return NOTHING;
  const open = sources(page.shows.source);
  if (!open) return NOTHING;
  return read(open, page.shows.index, (one) => one.draw(source), {
    ...{ covered, linksAway, rotate: page.rotate },
  });
}

export const readCopy = ({ index }: WantedPage, { copy }: PictureGrid, open: OpenPages): ReadPage =>
  read(open, index, (one) => one.drawPlaced(copy));

function read(
  open: OpenPages,
  index: number,
  draw: (page: OpenPage) => Raster,
  {
    covered = [],
    linksAway = [],
    rotate,
  }: Partial<Pick<WantedPage, 'covered' | 'linksAway'>> & { rotate?: number } = {},
): ReadPage {
  const look = (page: OpenPage): ReadPage => {
    const annotations = page.annotations();
    const links = annotations.get(LINK) ?? 0;
    const all = [...annotations.values()].reduce((sum, n) => sum + n, 0);
    const picture = draw(page);
    const characters = page.characters(rotate);
    return { picture, characters, links, annotations: all - links, size: page.size };
  };
  return open.page(index, look, covered, linksAway) ?? NOTHING;
}
