/** What ink was meant to be is asked so long after it is shown: one frame does not pay for all, ms. */
const ASKED_AFTER = 24;

/** The stroke under the pen, what is still being worked out of it, and what is about to be asked about it. */
export class StrokeInHand {
  private isDown = false;
  private unfinished: (() => void) | null = null;
  private asking: ReturnType<typeof setTimeout> | null = null;

  constructor(
    /** Whether it is busy may have changed. */
    private readonly onChange: () => void,
  ) {}

  /** While this is so, nothing is said to be kept. */
  get isBusy(): boolean {
    return this.isDown || this.unfinished !== null || this.asking !== null;
  }

  /** A stroke is under the pen. */
  start(): void {
    this.isDown = true;
    // In a frame of its own: the one in which the pen comes down has enough to do.
    requestAnimationFrame(this.onChange);
  }

  /** The stroke under the pen came to nothing. */
  drop(): void {
    this.isDown = false;
    this.onChange();
  }

  /**
   * Calls `finish` with what is being worked out elsewhere, or with null at once when anything else is about to
   * change the document, so that changes keep their order.
   */
  finishWhen<T>(ready: Promise<T | null>, finish: (value: T | null) => void): void {
    this.finishNow();
    const mine = (): void => finish(null);
    this.unfinished = mine;
    this.isDown = false;
    this.onChange();
    void ready.then((value) => {
      if (this.unfinished === mine) this.endWith(() => finish(value));
    });
  }

  /** Finishes what is still being worked out. */
  finishNow(): void {
    if (this.unfinished) this.endWith(this.unfinished);
  }

  private endWith(finish: () => void): void {
    this.unfinished = null;
    finish();
    this.onChange();
  }

  /** Does what may wait until a change is shown; before it is done nothing is said to be kept. */
  askSoon(ask: () => void): void {
    this.askNoMore();
    this.asking = setTimeout(() => {
      this.asking = null;
      ask();
      this.onChange();
    }, ASKED_AFTER);
  }

  /** What was to be asked does not matter any more. */
  askNoMore(): void {
    if (!this.asking) return;
    clearTimeout(this.asking);
    this.asking = null;
    this.onChange();
  }
}
