import type { CDPSession, Page } from '@playwright/test';

export type Point = readonly [x: number, y: number];

export interface Stroke {
  readonly pressure?: (share: number) => number;
  readonly button?: 'left' | 'right';
  /** ms between moves. */
  readonly pause?: number;
  /** Leave the pen on the paper. */
  readonly hold?: boolean;
  /** The Shift key is held. */
  readonly shift?: boolean;
}

/** Of Input.dispatchMouseEvent. */
const SHIFT = 8;

/** A true stylus: pressure and tilt reach the page as from hardware. */
export class Pen {
  private modifiers = 0;

  private constructor(
    private readonly cdp: CDPSession,
    readonly page: Page,
  ) {}

  static async of(page: Page): Promise<Pen> {
    return new Pen(await page.context().newCDPSession(page), page);
  }

  private send(
    type: string,
    [x, y]: Point,
    button: string,
    buttons: number,
    force: number,
  ): Promise<unknown> {
    return this.cdp.send('Input.dispatchMouseEvent', {
      type: type as 'mouseMoved',
      x,
      y,
      button: button as 'left',
      buttons,
      pointerType: 'pen',
      force,
      modifiers: this.modifiers,
      tiltX: 20,
      tiltY: 10,
      clickCount: type === 'mouseMoved' ? 0 : 1,
    });
  }

  async draw(points: readonly Point[], stroke: Stroke = {}): Promise<void> {
    const { pressure = () => 0.5, button = 'left', pause = 4, hold = false } = stroke;
    const buttons = button === 'right' ? 2 : 1;
    this.modifiers = stroke.shift ? SHIFT : 0;
    await this.send('mousePressed', points[0], button, buttons, pressure(0));
    const sent: Promise<unknown>[] = [];
    for (let i = 1; i < points.length; i++) {
      // Not awaited one by one, so that some come coalesced, as from a fast stylus.
      const moved = this.send(
        'mouseMoved',
        points[i],
        button,
        buttons,
        pressure(i / (points.length - 1)),
      );
      // Awaited below; a page that ends meanwhile is no second failure.
      moved.catch(() => undefined);
      sent.push(moved);
      await this.page.waitForTimeout(pause);
    }
    await Promise.all(sent);
    if (!hold) await this.lift(points[points.length - 1], button);
  }

  async lift(at: Point, button: 'left' | 'right' = 'left'): Promise<void> {
    await this.send('mouseReleased', at, button, 0, 0);
  }

  async hover(at: Point): Promise<void> {
    await this.send('mouseMoved', at, 'none', 0, 0);
  }

  /** Fingers on the glass; an empty list lifts them all. `radius` in CSS pixels. */
  async fingers(
    type: 'touchStart' | 'touchMove' | 'touchEnd',
    points: readonly Point[],
    radius = 4,
  ): Promise<void> {
    await this.cdp.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: points.map(([x, y], id) => ({ x, y, id, radiusX: radius, radiusY: radius })),
    });
  }
}

export const circle = (x: number, y: number, r: number, count = 64): Point[] =>
  Array.from({ length: count + 1 }, (_, i) => {
    const a = -Math.PI / 2 + (2 * Math.PI * i) / count;
    return [x + r * Math.cos(a) + 0.5 * Math.sin(5 * a), y + r * Math.sin(a)];
  });

export const wave = (x: number, y: number, length: number, height = 7, count = 60): Point[] =>
  Array.from({ length: count + 1 }, (_, i) => [
    x + (length * i) / count,
    y + height * Math.sin((4 * Math.PI * i) / count),
  ]);

export const line = (from: Point, to: Point, count = 24): Point[] =>
  Array.from({ length: count + 1 }, (_, i) => [
    from[0] + ((to[0] - from[0]) * i) / count,
    from[1] + ((to[1] - from[1]) * i) / count,
  ]);
