import type { Page } from '@playwright/test';
import { FRAME_MARK } from './mainThread';

/** Of a simulated stylus, a second. */
export const RATE = 240;
const SECONDS = 15;

/** What was done in one frame. */
export interface Handled {
  /** The application's handling of the pen, ms by the clock. */
  readonly own: number;
  /** Whether the pen was put down or lifted in it. */
  readonly edge: boolean;
}

/** Moves a stylus (`write`) or the wheel (`pan`) in every frame of a quarter of a minute. */
export function actInFrames(page: Page, act: 'write' | 'pan'): Promise<Handled[]> {
  return page.evaluate(
    ([what, rate, seconds, mark]) =>
      new Promise<Handled[]>((done) => {
        const stage = document.querySelector('[data-testid=stage]') as HTMLElement;
        const r = stage.getBoundingClientRect();
        const handled: Handled[] = [];
        const start = performance.now();
        const place = (t: number) => {
          // From one side to the other while a stroke lasts, and back while the pen is lifted.
          const u = (Math.max(0, t - start) / 3000) % 1;
          return {
            clientX: r.left + r.width * (0.25 + 0.5 * u),
            // As tall as writing; a taller to and fro is what strikes out.
            clientY: r.top + r.height * (0.3 + 0.03 * Math.sin(t / 60) + 0.15 * Math.sin(t / 900)),
          };
        };
        const pen = (type: string, t: number, more: PointerEventInit = {}) => {
          const e = new PointerEvent(type, {
            bubbles: true,
            cancelable: true,
            pointerId: 77_078,
            pointerType: 'pen',
            pressure: type === 'pointerup' ? 0 : 0.4 + 0.3 * Math.sin(t / 200),
            buttons: type === 'pointerup' ? 0 : 1,
            button: type === 'pointermove' ? -1 : 0,
            ...place(t),
            ...more,
          });
          Object.defineProperty(e, 'timeStamp', { value: t });
          return e;
        };
        let last = start;
        let down = false;
        const frame = (now: number): void => {
          performance.mark(mark);
          const began = performance.now();
          let edge = false;
          if (what === 'write') {
            const due: PointerEvent[] = [];
            for (; last + 1000 / rate <= now; last += 1000 / rate)
              due.push(pen('pointermove', last));
            if (due.length > 0) {
              // A stroke of two and a half seconds, then half a second's pause.
              const writing = (now - start) % 3000 < 2500;
              if (writing && !down) stage.dispatchEvent(pen('pointerdown', last));
              else if (!writing && down) stage.dispatchEvent(pen('pointerup', last));
              else if (down)
                stage.dispatchEvent(pen('pointermove', last, { coalescedEvents: due }));
              edge = writing !== down;
              down = writing;
            }
          } else {
            const deltaY = Math.sin((now - start) / 700) > 0 ? 12 : -12;
            stage.dispatchEvent(
              new WheelEvent('wheel', { deltaY, bubbles: true, cancelable: true, ...place(0) }),
            );
          }
          if (now - start < 1000 * seconds) {
            handled.push({ own: performance.now() - began, edge });
            requestAnimationFrame(frame);
          } else {
            if (down) stage.dispatchEvent(pen('pointerup', last));
            setTimeout(() => done(handled), 300);
          }
        };
        requestAnimationFrame(frame);
      }),
    [act, RATE, SECONDS, FRAME_MARK] as const,
  );
}

/** Takes the eraser, and lets it take what it passes over. */
export async function holdFineEraser(page: Page): Promise<void> {
  const eraser = page.getByRole('button', { name: /^Eraser/ });
  await eraser.click();
  await eraser.click();
  await page.getByRole('radio', { name: 'What it passes over' }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
}
