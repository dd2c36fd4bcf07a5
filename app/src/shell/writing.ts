import type { Matrix, Vec } from '@marginalis/core/geometry';
import type { InkSample } from '@marginalis/core/ink';
import { type Instrument, instrumentWidth } from '@marginalis/core/marks';
import { type LiveLook, LiveTiles, NibRing, type StageController } from '@/stage';

/** What is drawn over the page that is no mark: guides, the lasso. */
export const GUIDE_INK = '#a8281a';

/** Where a contact came down. */
export interface Hit {
  /** Page of the document, from 0. */
  readonly index: number;
  readonly pageId: string;
  /** In the page's user space. */
  readonly user: Vec;
}

/** What an instrument does with the contact that holds it. */
export interface InstrumentWriter {
  start(event: PointerEvent, hit: Hit, instrument: Instrument): void;
  move(event: PointerEvent): void;
  end(event: PointerEvent): void;
  /** The contact was taken away, or meant something else; what is there stays when `keep`. */
  cancel(keep: boolean): void;
  /** It is near, not down. */
  hover?(event: PointerEvent): void;
  /** Another instrument comes down: what is still in the making is finished. */
  yield?(): void;
  /** The window's size or the camera changed: what is shown is drawn anew. */
  fit?(): void;
  /** The reader closes. */
  leave?(): void;
  /** Shows no ring of its size. */
  readonly bare?: boolean;
}

/** What writers draw with, above the pages. */
export class WritingTools {
  readonly tiles: LiveTiles;
  private readonly ring: NibRing;

  constructor(
    readonly stage: StageController,
    /** Holds what is being drawn; takes its opacity and blending, so that overlaps never darken. */
    private readonly live: HTMLElement,
    ring: HTMLElement,
  ) {
    this.tiles = new LiveTiles(live);
    this.ring = new NibRing(ring);
  }

  fit(): void {
    const { width, height } = this.stage.getView();
    this.tiles.fit(width, height, pixelRatio());
  }

  /** From a page's user space to the window's device pixels. */
  matrix = (page: number): Matrix => {
    const dpr = pixelRatio();
    const m = this.stage.userToView(page);
    return [m[0] * dpr, m[1] * dpr, m[2] * dpr, m[3] * dpr, m[4] * dpr, m[5] * dpr];
  };

  /** A place on a page under a contact, in user space. */
  userAt = (page: number, { clientX, clientY }: MouseEvent): Vec =>
    this.stage.toUser(page, this.stage.fromClient(clientX, clientY));

  lookLike({ opacity, multiplied }: LiveLook): void {
    this.live.style.opacity = String(opacity);
    this.live.style.mixBlendMode = multiplied ? 'multiply' : 'normal';
  }

  /** The true size of the instrument under the pointer; nothing with null. */
  showRing(event: MouseEvent | null, instrument: Instrument): void {
    if (!event) return this.ring.hide();
    const size = Math.max(3, instrumentWidth(instrument) * this.stage.getCamera().zoom);
    this.ring.show(this.stage.fromClient(event.clientX, event.clientY), size);
  }

  remove(): void {
    this.tiles.remove();
    this.ring.remove();
  }
}

/** The events a contact was sampled at since the last one. */
export function samplesOf(event: PointerEvent): readonly PointerEvent[] {
  const coalesced = event.getCoalescedEvents?.() ?? [];
  return coalesced.length > 0 ? coalesced : [event];
}

/** What an event says of the pen at a place: the pressure of what has none to tell is made up. */
export const inkSampleOf = (
  { pointerType, pressure, tiltX, tiltY, timeStamp: t }: PointerEvent,
  at: Vec,
  pressureOf: (at: Vec, t: number) => number,
): InkSample =>
  // A mouse presses evenly, a finger as the glass guesses: their speed says more.
  pointerType === 'pen'
    ? { ...at, t, pressure, tiltX, tiltY }
    : { ...at, t, pressure: pressureOf(at, t) };

const pixelRatio = (): number => window.devicePixelRatio || 1;
