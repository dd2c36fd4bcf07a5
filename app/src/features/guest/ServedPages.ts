import type { Tile } from '@marginalis/core/geometry';
import { PICTURE_WIDTHS } from '@marginalis/core/wire';
import { ServerError } from '@/remote';
import type { DrawnPages } from '@/stage';
import type { PictureJob, SeenPage } from '@/work';
import { keepNewest } from './keepNewest';
import { keyOf, ServedPictures, type Wanted } from './ServedPictures';

const WIDEST = PICTURE_WIDTHS[PICTURE_WIDTHS.length - 1];
/** Pictures that are kept ready to be drawn. */
const MOST_READY = 4;

/** Pages that the server draws, and of which nothing else comes. */
export class ServedPages implements DrawnPages {
  readonly pictures: ServedPictures;
  private readonly ready = new Map<string, Promise<ImageBitmap>>();
  private isClosed = false;

  constructor(
    token: string,
    /** Widths of the pages as they are seen, points. */
    private readonly widths: readonly number[],
    /** Told when a page does not come, in words. */
    private readonly onTrouble: (message: string) => void,
  ) {
    this.pictures = new ServedPictures(token);
  }

  request({ index }: SeenPage, scale: number, tile: Tile, urgency: () => number): PictureJob {
    let isDropped = false;
    const across = this.widths[index] * scale;
    const wanted = { index, width: PICTURE_WIDTHS.find((w) => w >= across) ?? WIDEST };
    const draw = async (): Promise<HTMLCanvasElement | null> => {
      try {
        const picture = await this.bitmap(wanted, urgency);
        return isDropped || this.isClosed ? null : cut(picture, tile, picture.width / across);
      } catch (e) {
        if (isDropped || this.isClosed) return null;
        if (!(e instanceof ServerError)) throw e;
        this.onTrouble(e.message);
        return null;
      }
    };
    return {
      picture: draw(),
      drop: () => {
        isDropped = true;
        this.pictures.leave(wanted, urgency);
      },
    };
  }

  /** Pictures stay for whoever comes back to the page: they cost the server more than they take here. */
  forget(): void {}

  /** Nobody knows what of a picture is a picture. */
  picturesOn(): Promise<readonly never[]> {
    return Promise.resolve([]);
  }

  close(): void {
    this.isClosed = true;
    this.ready.clear();
    this.pictures.close();
  }

  private async bitmap(wanted: Wanted, urgency: () => number): Promise<ImageBitmap> {
    const blob = await this.pictures.get(wanted, urgency);
    const bitmap = this.ready.get(keyOf(wanted)) ?? createImageBitmap(blob);
    keepNewest(this.ready, keyOf(wanted), bitmap, MOST_READY);
    return bitmap;
  }
}

/** A tile of a picture that has `by` pixels for each of the tile's. */
function cut(picture: ImageBitmap, tile: Tile, by: number): HTMLCanvasElement {
  const { x, y, width, height } = tile;
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const ctx = canvas.getContext('2d');
  ctx?.drawImage(picture, x * by, y * by, width * by, height * by, 0, 0, width, height);
  return canvas;
}
