import type { Tile } from '@marginalis/core/geometry';
import { PICTURE_WIDTHS } from '@marginalis/core/wire';
import { readPagePicture, ServerError } from '@/remote';
import type { DrawnPages } from '@/stage';
import type { PictureJob, SeenPage } from '@/work';

const WIDEST = PICTURE_WIDTHS[PICTURE_WIDTHS.length - 1];
/** Asked of the server at the same time. */
const AT_ONCE = 2;
/** Pictures that are kept, as they came; those used longest ago go first. */
const MOST_KEPT = 60;
/** Of these, kept ready to be drawn. */
const MOST_READY = 4;
/** How often a picture is asked for again where the server has much to do, or is away for a moment; and after how long, ms. */
const TRIES = 3;
const PAUSE = 2_000;

interface Fetch {
  readonly key: string;
  readonly index: number;
  readonly width: number;
  /** How near each place is that waits for it; nobody does when it is empty. */
  readonly waiting: Set<() => number>;
  readonly blob: Promise<Blob>;
  start(): void;
}

function keepNewest<T>(kept: Map<string, T>, key: string, value: T, most: number): void {
  kept.delete(key);
  kept.set(key, value);
  for (const [oldest] of kept) {
    if (kept.size <= most) break;
    kept.delete(oldest);
  }
}

const mayPass = (e: unknown): boolean =>
  e instanceof ServerError && (e.status === 503 || e.status === 429 || e.status === 0);

/** Pages that the server draws, and of which nothing else comes. */
export class ServedPages implements DrawnPages {
  private readonly kept = new Map<string, Blob>();
  private readonly ready = new Map<string, Promise<ImageBitmap>>();
  private readonly fetches = new Map<string, Fetch>();
  private queue: Fetch[] = [];
  private busy = 0;
  private isClosed = false;

  constructor(
    private readonly token: string,
    /** Widths of the pages as they are seen, points. */
    private readonly widths: readonly number[],
    /** Told when a page does not come, in words. */
    private readonly onTrouble: (message: string) => void,
  ) {}

  request({ index }: SeenPage, scale: number, tile: Tile, urgency: () => number): PictureJob {
    let isDropped = false;
    const wanted = this.widths[index] * scale;
    const width = PICTURE_WIDTHS.find((w) => w >= wanted) ?? WIDEST;
    const key = `${index} ${width}`;
    const draw = async (): Promise<HTMLCanvasElement | null> => {
      try {
        const picture = await this.bitmap(key, index, width, urgency);
        if (isDropped || this.isClosed) return null;
        const canvas = document.createElement('canvas');
        canvas.width = tile.width;
        canvas.height = tile.height;
        const by = picture.width / wanted;
        canvas
          .getContext('2d')
          ?.drawImage(
            picture,
            tile.x * by,
            tile.y * by,
            tile.width * by,
            tile.height * by,
            0,
            0,
            tile.width,
            tile.height,
          );
        return canvas;
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
        this.fetches.get(key)?.waiting.delete(urgency);
      },
    };
  }

  /** Pictures stay for whoever comes back to the page: they cost the server more than they take here. */
  forget(): void {}

  /** Nobody knows what of a picture is a picture. */
  picturesOn(): Promise<readonly never[]> {
    return Promise.resolve([]);
  }

  /** A picture as it came. */
  async blob(index: number, width: (typeof PICTURE_WIDTHS)[number]): Promise<Blob> {
    return this.blobOf(`${index} ${width}`, index, width, () => 0);
  }

  close(): void {
    this.isClosed = true;
    this.queue = [];
    this.ready.clear();
    this.kept.clear();
  }

  private async bitmap(
    key: string,
    index: number,
    width: number,
    urgency: () => number,
  ): Promise<ImageBitmap> {
    const blob = await this.blobOf(key, index, width, urgency);
    const bitmap = this.ready.get(key) ?? createImageBitmap(blob);
    keepNewest(this.ready, key, bitmap, MOST_READY);
    return bitmap;
  }

  private blobOf(key: string, index: number, width: number, urgency: () => number): Promise<Blob> {
    const kept = this.kept.get(key);
    if (kept) return Promise.resolve(kept);
    const fetching = this.fetches.get(key) ?? this.enqueue(key, index, width);
    fetching.waiting.add(urgency);
    this.next();
    return fetching.blob;
  }

  private enqueue(key: string, index: number, width: number): Fetch {
    let start: () => void = () => undefined;
    const turn = new Promise<void>((resolve) => (start = resolve));
    const blob = turn
      .then(() => this.fetched(index, width))
      .then((picture) => {
        keepNewest(this.kept, key, picture, MOST_KEPT);
        return picture;
      })
      .finally(() => {
        this.busy--;
        this.fetches.delete(key);
        this.next();
      });
    const one: Fetch = { key, index, width, waiting: new Set(), blob, start };
    this.fetches.set(key, one);
    this.queue.push(one);
    return one;
  }

  private async fetched(index: number, width: number): Promise<Blob> {
    for (let k = 1; ; k++) {
      try {
        return await readPagePicture(this.token, index, width);
      } catch (e) {
        if (k === TRIES || !mayPass(e) || this.isClosed) throw e;
        await new Promise((resolve) => setTimeout(resolve, PAUSE));
      }
    }
  }

  private next(): void {
    // What nobody waits for any more is not asked for; whoever comes back asks anew.
    this.queue = this.queue.filter((one) => {
      if (one.waiting.size > 0) return true;
      this.fetches.delete(one.key);
      return false;
    });
    while (this.busy < AT_ONCE && this.queue.length > 0) {
      const nearest = (one: Fetch): number =>
        Math.min(...[...one.waiting].map((urgency) => urgency()));
      const [best] = this.queue.sort((a, b) => nearest(a) - nearest(b)).splice(0, 1);
      this.busy++;
      best.start();
    }
  }
}
