/** A page as it is seen, points. */
export interface PageSize {
  readonly width: number;
  readonly height: number;
}

/** A picture that is asked for. */
export interface PictureAsk {
  /** Path of the PDF. */
  readonly file: string;
  /** Of the page, from 0. */
  readonly index: number;
  /** Pixels; a page that would be too large at that is smaller. */
  readonly width: number;
  /** Laid over the page again and again, so that a picture of it tells who was shown it; empty for nothing. */
  readonly written: string;
}

/**
 * Shows PDFs without giving them away. Files are taken for hostile: what draws them may die of one or never end, and
 * nothing else does. All reject with `CannotDraw` or `TooBusy`.
 */
export interface PageArtist {
  /** Of every page in order. */
  sizes(file: string): Promise<readonly PageSize[]>;
  /** A page as a JPEG file; null where there is no such page. */
  picture(ask: PictureAsk): Promise<Uint8Array | null>;
  /** The words of a page, from 0, in reading order, paragraphs parted by empty lines; null where there is no such page. */
  words(file: string, index: number): Promise<string | null>;
  close(): void;
}

/** Thrown for a file or page that cannot be drawn, or not within its time. */
export class CannotDraw extends Error {
  override readonly name = 'CannotDraw';
}

/** Thrown when so much waits to be drawn that more would only wait. */
export class TooBusy extends Error {
  override readonly name = 'TooBusy';
}
