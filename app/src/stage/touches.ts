import { distance, type Vec } from '@marginalis/core/geometry';

/** A finger that moves farther is no tap, and holds nothing, CSS pixels. */
const STILL = 8;
/** A tap is lifted before, ms. */
const TAP = 300;
/** Taps follow on each other within so long, ms, and no farther apart than this, CSS pixels. */
const NEXT_TAP = 320;
const NEAR = 30;
/** A finger that rests for so long holds what is under it, ms. */
export const HOLD = 480;

/** A touch of a page by what moves the paper. */
export interface Touch {
  /** The page, from 0, and where on it, in user space. */
  readonly index: number;
  readonly user: Vec;
  readonly event: PointerEvent;
}

/** Whoever has taken a finger that holds: told what it does until it is lifted. */
export interface Follower {
  move(event: PointerEvent): void;
  end(event: PointerEvent): void;
  cancel(): void;
}

type OnTap = (touch: Touch, taps: number) => boolean;
type OnPress = (touch: Touch) => boolean;
type OnHold = (touch: Touch) => Follower | null | Promise<Follower | null>;

/** What a finger does that moves the paper, but has not moved: it taps, or it holds. */
export class Touches {
  private onTaps: readonly OnTap[] = [];
  private onHolds: readonly OnHold[] = [];
  private onPresses: readonly OnPress[] = [];
  private down: { readonly at: Vec; readonly touch: Touch } | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private taps = 0;
  private tappedAt = { time: -Infinity, at: { x: 0, y: 0 } };
  private follower: Follower | null = null;

  /** Whoever is told of taps says whether the tap was for it; then nobody else hears of it. `first` is asked before all others. */
  tap(handler: OnTap, first = false): () => void {
    this.onTaps = first ? [handler, ...this.onTaps] : [...this.onTaps, handler];
    return () => (this.onTaps = this.onTaps.filter((other) => other !== handler));
  }

  /** Whoever would take a finger that holds says so, perhaps only when it has looked at what is under it; then nobody else is asked. `first` is asked before all others. */
  hold(handler: OnHold, first = false): () => void {
    this.onHolds = first ? [handler, ...this.onHolds] : [...this.onHolds, handler];
    return () => (this.onHolds = this.onHolds.filter((other) => other !== handler));
  }

  /**
   * Whoever lies on the page to be pressed by a finger or a mouse, also by one that holds an instrument and does not move, says whether the press was for it.
   */
  press(handler: OnPress): () => void {
    this.onPresses = [...this.onPresses, handler];
    return () => (this.onPresses = this.onPresses.filter((other) => other !== handler));
  }

  /** Tells of a press; whether it was for anybody. */
  pressed(touch: Touch): boolean {
    return this.onPresses.some((handler) => handler(touch));
  }

  /** Tells of a tap that was seen elsewhere; whether it was for anybody. */
  tell(touch: Touch, taps: number): boolean {
    return this.onTaps.some((handler) => handler(touch, taps));
  }

  /** Whoever would take a finger that holds here does what it does then, as if it were lifted at once. */
  async holdBriefly(touch: Touch): Promise<void> {
    this.letGo();
    (await this.heldBy(touch))?.end(touch.event);
  }

  private async heldBy(touch: Touch): Promise<Follower | null> {
    for (const handler of this.onHolds) {
      const asked = handler(touch);
      const follower = asked instanceof Promise ? await asked : asked;
      if (follower) return follower;
    }
    return null;
  }

  /** A first finger came down on a page; `taken` is called when somebody takes it because it holds. */
  begin(at: Vec, touch: Touch, taken: () => void): void {
    this.letGo();
    const down = { at, touch };
    this.down = down;
    this.timer = setTimeout(() => {
      void this.heldBy(touch).then((follower) => {
        // It has moved, or been lifted, while somebody looked at what is under it.
        if (this.down !== down) return follower?.cancel();
        this.follower = follower;
        if (follower) taken();
        this.down = null;
      });
    }, HOLD);
  }

  /** Whether the finger belongs to somebody who has taken it. */
  move(at: Vec, event: PointerEvent): boolean {
    if (this.follower) this.follower.move(event);
    else if (this.down && distance(this.down.at, at) > STILL) this.letGo();
    return this.follower !== null;
  }

  end(at: Vec, event: PointerEvent): void {
    const { down, follower } = this;
    this.letGo();
    if (follower) return follower.end(event);
    if (!down || event.timeStamp - down.touch.event.timeStamp > TAP) return;
    const { time, at: before } = this.tappedAt;
    const follows = event.timeStamp - time < NEXT_TAP && distance(at, before) < NEAR;
    this.taps = follows ? this.taps + 1 : 1;
    this.tappedAt = { time: event.timeStamp, at };
    if (!this.pressed(down.touch)) this.tell(down.touch, this.taps);
  }

  /** A second finger came, or the browser took the first away. */
  cancel(): void {
    const { follower } = this;
    this.letGo();
    follower?.cancel();
  }

  private letGo(): void {
    clearTimeout(this.timer);
    this.down = this.follower = null;
  }
}
