import type { Page } from '@playwright/test';
import { fillFirstPage } from './fillPage';
import { inBrowser } from './inBrowser';
import { FRAME_MARK, type FrameWork, recordTasks } from './mainThread';
import { median, quantile } from './report';

/** The list of marks with thousands of rows: how long it takes to open and to search, and what a frame of scrolling costs. */

const ROWS = 10_000;
const SECONDS = 10;
const ROUNDS = 3;
/** A frame of 60 Hz, ms. */
const FRAME = 1000 / 60;

/** Scrolls the list to and fro by the wheel's steps, one each frame. */
async function scroll(page: Page): Promise<FrameWork[]> {
  const recorder = await recordTasks(page);
  await page.evaluate(
    ([seconds, mark]) =>
      new Promise<void>((done) => {
        const row = document.querySelector('[aria-label^="Go to "]');
        let list = row?.parentElement ?? null;
        while (list && list.scrollHeight <= list.clientHeight + 1) list = list.parentElement;
        if (!list) throw new Error('Nothing can be scrolled.');
        const scrolled = list;
        const start = performance.now();
        const frame = (now: number): void => {
          performance.mark(mark);
          scrolled.scrollTop += Math.sin((now - start) / 1500) > -0.5 ? 60 : -60;
          if (now - start < 1000 * seconds) requestAnimationFrame(frame);
          else setTimeout(done, 300);
        };
        requestAnimationFrame(frame);
      }),
    [SECONDS, FRAME_MARK] as const,
  );
  return recorder.stop();
}

export function listTable(): Promise<string> {
  return inBrowser(async (context) => {
    const page = await context.newPage();
    await fillFirstPage(page, 'Rock-pool zones', ROWS);
    const taken = async (act: () => Promise<unknown>): Promise<string> => {
      const began = Date.now();
      await act();
      return `${Date.now() - began} ms`;
    };
    const opened = await taken(async () => {
      await page.getByRole('button', { name: 'List of marks' }).click();
      await page.getByText(`${ROWS} marks`).waitFor();
    });
    const rounds: FrameWork[][] = [];
    for (let i = 0; i < ROUNDS; i++) rounds.push(await scroll(page));
    const found = await taken(async () => {
      await page.getByPlaceholder('Search the marks').fill('no such word');
      await page.getByText('No mark fits.').waitFor();
    });
    const cell = (kind: 'time' | 'processor', share: number): string => {
      const ofRounds = rounds.map((frames) => frames.map((f) => f[kind]));
      return `${median(ofRounds.map((all) => quantile(all, share))).toFixed(1)} ms`;
    };
    const late = rounds.flat().filter((f) => f.processor > FRAME).length;
    return [
      `| ${ROWS.toLocaleString('en')} rows | frames | by the clock: median | 99th percentile | on a processor: median | 99th percentile | longer than a frame of 60 Hz |`,
      '|---|---:|---:|---:|---:|---:|---:|',
      `| scrolling | ${rounds.flat().length} | ${cell('time', 0.5)} | ${cell('time', 0.99)} | ${cell('processor', 0.5)} | ${cell('processor', 0.99)} | ${late} |`,
      '',
      `From the button to the list ${opened}; from the last letter of a search to its answer ${found}.`,
    ].join('\n');
  });
}
