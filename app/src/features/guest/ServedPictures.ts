import type { PICTURE_WIDTHS } from '@marginalis/core/wire';
import { readPagePicture, ServerError } from '@/remote';
import { keepNewest } from './keepNewest';

/** Asked of the server at the same time. */
const AT_ONCE = 2;
/** Pictures that are kept, as they came; those used longest ago go first. */
const MOST_KEPT = 60;
/** How often a picture is asked for again where the server has much to do, or is away for a moment; and after how long, ms. */
const TRIES = 3;
const PAUSE = 2_000;

/** A picture of a page, from 0. */
export interface Wanted {
  readonly index: number;
  readonly width: (typeof PICTURE_WIDTHS)[number];
}
export const keyOf = ({ index, width }: Wanted): string => `${index} ${width}`;

interface Asking {
  readonly wanted: Wanted;
  /** How near each place is that waits for it; nobody does when it is empty. */
  readonly waiting: Set<() => number>;
  readonly picture: Promise<Blob>;
  start(): void;
}

const mayPass = (e: unknown): boolean =>
  e instanceof ServerError && (e.status === 503 || e.status === 429 || e.status === 0);

const nearness = ({ waiting }: Asking): number =>
  Math.min(...[...waiting].map((urgency) => urgency()));

/** Pictures of pages as the server sends them, a few at a time, the most urgent first. */
export class ServedPictures {
  private readonly kept = new Map<string, Blob>();
  private readonly asked = new Map<string, Asking>();
  private queue: Asking[] = [];
  private busy = 0;
  private isClosed = false;

  constructor(private readonly token: string) {}

  /** `urgency` is asked whenever a place is free; the smallest number goes first. The promise stays open when nobody waits any more. @throws ServerError */
  get(wanted: Wanted, urgency: () => number): Promise<Blob> {
    const key = keyOf(wanted);
    const kept = this.kept.get(key);
    if (kept) return Promise.resolve(kept);
    const asking = this.asked.get(key) ?? this.enqueue(wanted);
    asking.waiting.add(urgency);
    this.next();
    return asking.picture;
  }

  /** One place waits no more. */
  leave(wanted: Wanted, urgency: () => number): void {
    this.asked.get(keyOf(wanted))?.waiting.delete(urgency);
  }

  close(): void {
    this.isClosed = true;
    this.queue = [];
    this.kept.clear();
  }

  private enqueue(wanted: Wanted): Asking {
    const key = keyOf(wanted);
    let start: () => void = () => undefined;
    const picture = new Promise<void>((resolve) => (start = resolve))
      .then(() => this.fetched(wanted))
      .then((blob) => {
        keepNewest(this.kept, key, blob, MOST_KEPT);
        return blob;
      })
      .finally(() => {
        this.busy--;
        this.asked.delete(key);
        this.next();
      });
    const asking: Asking = { wanted, waiting: new Set(), picture, start };
    this.asked.set(key, asking);
    this.queue.push(asking);
    return asking;
  }

  private async fetched({ index, width }: Wanted): Promise<Blob> {
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
    this.queue = this.queue.filter(({ wanted, waiting }) => {
      if (waiting.size > 0) return true;
      this.asked.delete(keyOf(wanted));
      return false;
    });
    while (this.busy < AT_ONCE && this.queue.length > 0) {
      this.queue.sort((a, b) => nearness(a) - nearness(b));
      this.busy++;
      this.queue.shift()?.start();
    }
  }
}
