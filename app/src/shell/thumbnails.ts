import type { Page, PageMarks } from '@marginalis/core/document';
import { pictureOfPage, type SourcePictures } from '@/stage';

/** Small pictures kept at a time: each is a few kilobytes. */
const MOST = 400;
/** Pixels a CSS pixel: what is so small is not looked at more closely. */
const DENSITY = 2;

interface Kept {
  readonly page: Page;
  readonly marks: PageMarks;
  readonly picture: string;
}

/** Small pictures of pages with their marks, as they were made last. */
export class Thumbnails {
  private readonly kept = new Map<string, Kept>();

  constructor(private readonly pictures: SourcePictures) {}

  /** The picture of a page as it was made last, though marks may have come since; null where none has been. */
  known(page: Page, width: number): string | null {
    return this.kept.get(keyOf(page, width))?.picture ?? null;
  }

  /** What pages show has changed: all are made anew. */
  forget(): void {
    this.kept.clear();
  }

  /** The picture of a page, `width` CSS pixels wide; null when it cannot be made, or `signal` says that nobody wants it any more. */
  async of(
    page: Page,
    marks: PageMarks,
    width: number,
    signal: AbortSignal,
  ): Promise<string | null> {
    const key = keyOf(page, width);
    const known = this.kept.get(key);
    if (known?.page === page && known.marks === marks) return known.picture;
    const pixels = Math.round(DENSITY * width);
    const picture = await pictureOfPage(page, marks, this.pictures, pixels, { signal });
    if (!picture) return null;
    this.kept.delete(key);
    this.kept.set(key, { page, marks, picture });
    const [oldest] = this.kept.keys();
    if (this.kept.size > MOST && oldest !== undefined) this.kept.delete(oldest);
    return picture;
  }
}

const keyOf = ({ id }: Page, width: number): string => `${id} ${width}`;
