import type { Box } from '../geometry/index.ts';
import { LINK, type OpenPage, type OpenPages, type Raster } from '../pdfium/index.ts';
import type { PictureGrid } from './pictureGrid.ts';
import { GoneFromPage } from './goneFromPage.ts';
import type { WantedPage } from './wantedPage.ts';

/** What a reader finds on a page. */
export interface ReadPage {
  /** Null where the page cannot be read. */
  readonly picture: Raster | null;
  readonly characters: string;
  /** Those that are to be gone, and those that are to stay: near a border either may be. */
  readonly gone: string;
  readonly kept: string;
  /** All that need not be gone. */
  readonly rest: string;
  /** Where letters are that a bar reaches into: the rest of them may be gone with what lies beneath, user space. */
  readonly partly: readonly Box[];
  readonly links: number;
  /** Beside links. */
  readonly annotations: number;
  /** Points, UserUnit not looked at. */
  readonly size: { readonly width: number; readonly height: number };
}

const NOTHING: ReadPage = {
  picture: null,
  characters: '',
  gone: '',
  kept: '',
  rest: '',
  partly: [],
  links: 0,
  annotations: 0,
  size: { width: 0, height: 0 },
};

/** The page of the source that a page of a copy shows; nothing where it shows none. */
export function readSource(
  { page, covered, linksAway, bars, takenOut, isCut }: WantedPage,
  { source }: PictureGrid,
  sources: (source: string) => OpenPages | null,
): ReadPage {
  if (!source || !page || !('source' in page.shows)) return NOTHING;
  const open = sources(page.shows.source);
  if (!open) return NOTHING;
  return read(open, page.shows.index, (one) => one.draw(source), {
    ...{ covered, linksAway, bars, takenOut, rotate: page.rotate },
    seen: isCut ? page.box : null,
  });
}

export const readCopy = (
  { index, bars, isCut, geometry }: WantedPage,
  { copy }: PictureGrid,
  open: OpenPages,
): ReadPage =>
  // With what is said beside the page.
  read(open, index, (one) => one.drawPlaced(copy), { bars, seen: isCut ? geometry.box : null });

function read(
  open: OpenPages,
  index: number,
  draw: (page: OpenPage) => Raster,
  {
    covered = [],
    linksAway = [],
    bars = [],
    takenOut = [],
    rotate,
    seen = null,
  }: Partial<Pick<WantedPage, 'covered' | 'linksAway' | 'bars' | 'takenOut'>> & {
    rotate?: number;
    seen?: Box | null;
  } = {},
): ReadPage {
  const look = (page: OpenPage): ReadPage => {
    const annotations = page.annotations();
    const links = annotations.get(LINK) ?? 0;
    const all = [...annotations.values()].reduce((sum, n) => sum + n, 0);
    const picture = draw(page);
    const characters = page.characters(rotate);
    const out = new GoneFromPage(bars, takenOut, seen);
    const where = (isIn: (box: Box) => boolean): string => page.characters(rotate, isIn);
    const partly: Box[] = [];
    const isKept = (box: Box): boolean => {
      if (out.isTouched(box)) partly.push(box);
      return !out.mayBe(box);
    };
    return {
      ...{ picture, characters, links, annotations: all - links, size: page.size },
      gone: out.some ? where(out.isSurely) : '',
      kept: out.some ? where(isKept) : characters,
      rest: out.some ? where((box) => !out.isSurely(box)) : characters,
      partly,
    };
  };
  return open.page(index, look, covered, linksAway) ?? NOTHING;
}
