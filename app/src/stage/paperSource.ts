import { isWidened, type Page } from '@marginalis/core/document';
import { displayMatrix, type Tile, transformBox } from '@marginalis/core/geometry';
import type { Covered } from '@marginalis/core/kinds';
import { paperDrawing, type Ruling } from '@marginalis/core/paper';
import type { PdfPictures, PictureJob, SeenPage } from '@/work';
import { paintDrawing } from './paintDrawing';
import type { PagePicture } from './pagePicture';

/** The page pictures of a source by its SHA-256; null while it is not open. */
export type SourcePictures = (source: string) => PdfPictures | null;

/** Pages that somebody draws, here or elsewhere; they go by their place in their source, from 0. */
export type DrawnPages = Pick<PdfPictures, 'request' | 'forget' | 'picturesOn'>;
/** The same of a source, for those who want to see its pages and nothing else of it. */
export type SourcePages = (source: string) => DrawnPages | null;

/** Where the print of one page comes from, tile by tile. */
export interface PaperSource {
  /** A tile of the page; `urgency` is asked whenever a place is free, the smallest number goes first. */
  request(picture: PagePicture, tile: Tile, urgency: () => number): PictureJob;
  /** Lets go of what is kept of the page while it is out of sight. */
  forget(): void;
}

/** The print of a page, without what marks take the place of: drawn from its source, or ruled. */
export function paperSourceOf(
  page: Page,
  pictures: SourcePages,
  covered: () => readonly Covered[],
): PaperSource {
  const { shows } = page;
  if ('paper' in shows) return ruled(page, shows.paper);
  const source = pictures(shows.source);
  return source ? printed(page, shows.index, source, covered) : NOTHING;
}

/** A page whose source is not there yet stays white. */
const NOTHING: PaperSource = {
  request: () => ({ picture: Promise.resolve(null), drop: () => undefined }),
  forget: () => undefined,
};

const printed = (
  page: Page,
  index: number,
  pictures: DrawnPages,
  covered: () => readonly Covered[],
): PaperSource => ({
  request: ({ scale }, tile, urgency) =>
    pictures.request({ index, ...asSeen(page, scale), covered: covered() }, scale, tile, urgency),
  forget: () => pictures.forget(index),
});

/** How the person has turned the page, where what is seen of it begins, and where its print ends if there is room beyond, device pixels. */
function asSeen(page: Page, scale: number): Omit<SeenPage, 'index'> {
  if (page.turn === 0 && !page.crop) return {};
  const whole = displayMatrix({ ...page, box: page.sheet }, scale);
  const seen = displayMatrix(page, scale);
  return {
    rotation: page.rotate,
    x: seen[4] - whole[4],
    y: seen[5] - whole[5],
    ...(isWidened(page) ? { within: transformBox(seen, page.sheet) } : {}),
  };
}

function ruled(page: Page, ruling: Ruling): PaperSource {
  const drawing = paperDrawing(ruling, page.sheet);
  return {
    request(picture, tile) {
      const canvas = document.createElement('canvas');
      canvas.width = tile.width;
      canvas.height = tile.height;
      const ctx = canvas.getContext('2d');
      if (ctx) paintDrawing(ctx, drawing, picture.matrixFor(tile));
      return { picture: Promise.resolve(canvas), drop: () => undefined };
    },
    forget: () => undefined,
  };
}
