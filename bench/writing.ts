import type { Page } from '@playwright/test';
import { FRAME_MARK, type FrameWork, recordTasks } from './mainThread';
import { fillFirstPage } from './fillPage';
import { inBrowser } from './inBrowser';
import { median, quantile } from './report';

/** Main-thread work in each frame while writing and panning over a page full of ink, in Chromium, beside a bare canvas. */

const STROKES = 5000;
const RATE = 240;
const SECONDS = 15;
/** Each figure is the median of so many rounds. */
const ROUNDS = 5;

/** What was done in one frame. */
interface Handled {
  /** The application's handling of the pen, ms by the clock. */
  readonly own: number;
  /** Whether the pen was put down or lifted in it. */
  readonly edge: boolean;
}

type Frame = Handled & FrameWork;

/** What is done in every frame: `write` moves a stylus at 240 Hz, `pan` the wheel. */
async function workPerFrame(page: Page, act: 'write' | 'pan'): Promise<Frame[]> {
  const recorder = await recordTasks(page);
  const handled = await actInFrames(page, act);
  const work = await recorder.stop();
  return handled.map((frame, i) => ({ ...frame, ...work[i] }));
}

function actInFrames(page: Page, act: 'write' | 'pan'): Promise<Handled[]> {
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

/** A row of the table: each figure is the median of the rounds'. */
function rowOf(what: string, rounds: readonly (readonly Frame[])[]): string {
  const column = (kind: 'time' | 'processor' | 'own', shares: readonly number[]): string[] =>
    shares.map((u) => {
      const ofRounds = rounds.map((frames) => frames.map((f) => f[kind]));
      return `${median(ofRounds.map((all) => quantile(all, u))).toFixed(1)} ms`;
    });
  const cells = [
    ...column('time', [0.5, 0.99, 1]),
    ...column('processor', [0.5, 0.99]),
    ...column('own', [0.5, 0.99]),
  ];
  return `| ${what} | ${rounds.flat().length} | ${cells.join(' | ')} |`;
}

/** Takes the eraser, and lets it take what it passes over. */
async function holdFineEraser(page: Page): Promise<void> {
  const eraser = page.getByRole('button', { name: /^Eraser/ });
  await eraser.click();
  await eraser.click();
  await page.getByRole('radio', { name: 'What it passes over' }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
}

/** What the browser takes by itself: a page with one canvas, on which lines are drawn as they come, and which is moved. */
async function openBarePage(page: Page): Promise<void> {
  await page.setContent(`
    <body style="margin:0;overflow:hidden">
    <div data-testid="stage" style="position:absolute;inset:0;touch-action:none">
    <canvas width="1200" height="1600" style="position:absolute;left:40px;top:0"></canvas></div>`);
  await page.evaluate(() => {
    const stage = document.querySelector('[data-testid=stage]') as HTMLElement;
    const canvas = document.querySelector('canvas') as HTMLCanvasElement;
    const ctx = canvas.getContext('2d') as CanvasRenderingContext2D;
    ctx.lineWidth = 2;
    let last: readonly [number, number] = [0, 0];
    let top = 0;
    const lineTo = ({ clientX, clientY }: PointerEvent): void => {
      ctx.beginPath();
      ctx.moveTo(...last);
      last = [clientX - 40, clientY];
      ctx.lineTo(...last);
      ctx.stroke();
    };
    stage.addEventListener('pointerdown', (e) => (last = [e.clientX - 40, e.clientY]));
    stage.addEventListener('pointermove', (e) => e.getCoalescedEvents().forEach(lineTo));
    stage.addEventListener('wheel', (e) => {
      top = Math.max(-800, Math.min(0, top - e.deltaY));
      canvas.style.transform = `translate(0, ${top}px)`;
    });
  });
}

export function writingTable(): Promise<string> {
  return inBrowser(async (context) => {
    const page = await context.newPage();
    const brought = await fillFirstPage(page, 'Rock-pool zones', STROKES);
    const lines = [
      `| ${STROKES.toLocaleString('en')} strokes on the page | frames | by the clock: median | 99th percentile | longest | on a processor: median | 99th percentile | of it for the pen: median | 99th percentile |`,
      '|---|---:|---:|---:|---:|---:|---:|---:|---:|',
    ];
    const bare = await context.newPage();
    await openBarePage(bare);
    const bareWritten: Frame[][] = [];
    const barePanned: Frame[][] = [];
    const written: Frame[][] = [];
    const panned: Frame[][] = [];
    for (let round = 0; round < ROUNDS; round++) {
      await bare.bringToFront();
      bareWritten.push(await workPerFrame(bare, 'write'));
      barePanned.push(await workPerFrame(bare, 'pan'));
      await page.bringToFront();
      written.push(await workPerFrame(page, 'write'));
      panned.push(await workPerFrame(page, 'pan'));
    }
    // On a page nobody has written over, where there is as much under the rubber as at first.
    await fillFirstPage(page, 'How barnacles choose a rock', STROKES);
    await holdFineEraser(page);
    const rubbed: Frame[][] = [];
    for (let round = 0; round < ROUNDS; round++) rubbed.push(await workPerFrame(page, 'write'));
    const only = (edge: boolean): Frame[][] =>
      written.map((frames) => frames.filter((f) => f.edge === edge));
    lines.push(
      rowOf(`writing at ${RATE} Hz`, written),
      rowOf('of these, without putting down or lifting the pen', only(false)),
      rowOf('of these, putting it down or lifting it', only(true)),
      rowOf('panning', panned),
      rowOf(`rubbing out parts at ${RATE} Hz`, rubbed),
      rowOf('the reference, a bare canvas: writing', bareWritten),
      rowOf('the reference, a bare canvas: panning', barePanned),
    );
    return `${lines.join('\n')}\n\nBringing the strokes in took ${(brought / 1000).toFixed(1)} s.`;
  });
}
