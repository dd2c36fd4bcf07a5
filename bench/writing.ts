import { chromium, type Browser, type Page } from '@playwright/test';
import { bringInInk } from '@marginalis/core/editing';
import { writeInkml } from '@marginalis/core/formats';
import { applyTransaction, emptyDocument } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import { FIRST_ROLL, writtenInk } from '@marginalis/core/marks';
import config from '../playwright.config';
import { pageRefsFor } from '../core/testing/marks';
import { wavePath, writeAlong } from '../core/testing/hand';
import { BASE, startServer } from './server';

/** Main-thread work in each frame while writing and panning over a page full of ink, in Chromium. */

const STROKES = 5000;
const RATE = 240;
const SECONDS = 20;

/** Word-like strokes all over the first page, as an InkML file. */
function fullPage(): string {
  const state = emptyDocument(pageRefsFor([plainPage(595, 842)]));
  let n = 0;
  const incoming = Array.from({ length: STROKES }, (_, i) => ({
    page: 'p0',
    tool: 'pen' as const,
    style: { colour: '#1f3361', width: 1, opacity: 1 },
    ink: writtenInk(
      writeAlong(wavePath({ x: 20 + 11 * (i % 50), y: 20 + 8 * Math.floor(i / 50) }, 9, 2, 1.5), {
        seed: i + 1,
        rate: 120,
      }),
      FIRST_ROLL[0],
    ),
  }));
  const change = bringInInk(state, incoming, () => `m${n++}`, 0);
  const applied = change && applyTransaction(state, change);
  if (!applied?.ok) throw new Error('The strokes could not be put on the page.');
  return writeInkml(applied.state, 'A full page');
}

/** One frame: the main thread's time for all of it, and for the application's own part, ms. */
interface Frame {
  readonly all: number;
  readonly own: number;
  /** Whether the pen was put down or lifted in it. */
  readonly edge: boolean;
}

/** What is done in every frame: `write` moves a stylus at 240 Hz, `pan` the wheel. */
function workPerFrame(page: Page, act: 'write' | 'pan'): Promise<Frame[]> {
  return page.evaluate(
    ([what, rate, seconds]) =>
      new Promise<Frame[]>((done) => {
        const stage = document.querySelector('[data-testid=stage]') as HTMLElement;
        const r = stage.getBoundingClientRect();
        const work: Frame[] = [];
        const channel = new MessageChannel();
        let began = 0;
        let own = 0;
        let edge = false;
        // A message posted in a frame is handled after its style, layout and painting.
        channel.port1.onmessage = () => work.push({ all: performance.now() - began, own, edge });
        const place = (t: number) => {
          const u = (t / 3000) % 1;
          return {
            clientX: r.left + r.width * (0.25 + 0.5 * u),
            clientY: r.top + r.height * (0.3 + 0.1 * Math.sin(t / 60) + 0.1 * Math.sin(t / 900)),
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
        const start = performance.now();
        let last = start;
        let down = false;
        const frame = (now: number): void => {
          began = performance.now();
          edge = false;
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
          own = performance.now() - began;
          channel.port2.postMessage(0);
          if (now - start < 1000 * seconds) requestAnimationFrame(frame);
          else {
            if (down) stage.dispatchEvent(pen('pointerup', last));
            setTimeout(() => done(work), 300);
          }
        };
        requestAnimationFrame(frame);
      }),
    [act, RATE, SECONDS] as const,
  );
}

const share = (times: readonly number[], u: number): string => {
  const sorted = [...times].sort((a, b) => a - b);
  return `${(sorted[Math.min(sorted.length - 1, Math.floor(u * sorted.length))] ?? NaN).toFixed(1)} ms`;
};

function rowOf(what: string, frames: readonly Frame[]): string {
  const all = frames.map((f) => f.all);
  const own = frames.map((f) => f.own);
  const cells = [
    share(all, 0.5),
    share(all, 0.99),
    share(all, 1),
    share(own, 0.5),
    share(own, 0.99),
  ];
  return `| ${what} | ${frames.length} | ${cells.join(' | ')} |`;
}

export async function writingTable(): Promise<string> {
  const stop = await startServer();
  let browser: Browser | null = null;
  try {
    browser = await chromium.launch(config.use?.launchOptions);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript('globalThis.__name = (f) => f');
    await page.goto(BASE);
    await page.getByRole('button', { name: 'Open Rock-pool zones' }).click({ timeout: 60_000 });
    await page.locator('[data-page="1"][data-drawn]').waitFor();
    const lines = [
      `| ${STROKES.toLocaleString('en')} strokes on the page | frames | median | 99th percentile | longest | the application’s own | its 99th percentile |`,
      '|---|---:|---:|---:|---:|---:|---:|',
    ];
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'View' }).click();
    await page.getByRole('menuitem', { name: 'Bring in ink' }).click();
    const file = {
      name: 'full.inkml',
      mimeType: 'application/inkml+xml',
      buffer: Buffer.from(fullPage()),
    };
    const began = Date.now();
    await (await chooser).setFiles(file);
    await page.getByTestId('saving').getByText('Kept').waitFor({ timeout: 120_000 });
    await page.waitForFunction(
      () => document.querySelector('[data-page="1"] [data-layer="ink"] canvas') !== null,
    );
    const brought = Date.now() - began;
    await page.waitForTimeout(1500);
    const written = await workPerFrame(page, 'write');
    lines.push(
      rowOf(`writing at ${RATE} Hz`, written),
      rowOf(
        'of these, without putting down or lifting the pen',
        written.filter((f) => !f.edge),
      ),
      rowOf(
        'of these, putting it down or lifting it',
        written.filter((f) => f.edge),
      ),
      rowOf('panning', await workPerFrame(page, 'pan')),
    );
    return `${lines.join('\n')}\n\nBringing the strokes in took ${(brought / 1000).toFixed(1)} s.`;
  } finally {
    await browser?.close();
    stop();
  }
}
