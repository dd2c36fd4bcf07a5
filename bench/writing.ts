import type { Page } from '@playwright/test';
import { type FrameWork, recordTasks } from './mainThread';
import { actInFrames, type Handled, holdFineEraser, RATE } from './penInFrames';
import { fillFirstPage } from './fillPage';
import { inBrowser } from './inBrowser';
import { median, quantile } from './report';

/** Main-thread work in each frame while writing and panning over a page full of ink, in Chromium, beside a bare canvas. */

const STROKES = 5000;
/** Each figure is the median of so many rounds. */
const ROUNDS = 5;

type Frame = Handled & FrameWork;

/** What is done in every frame: `write` moves a stylus at 240 Hz, `pan` the wheel. */
async function workPerFrame(page: Page, act: 'write' | 'pan'): Promise<Frame[]> {
  const recorder = await recordTasks(page);
  const handled = await actInFrames(page, act);
  const work = await recorder.stop();
  return handled.map((frame, i) => ({ ...frame, ...work[i] }));
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
