import type { Page } from '@playwright/test';
import { solveQP } from 'quadprog';
import { placeCards } from '../core/src/margin';
import { setText } from '../core/src/type/typesetter';
import { shippedFonts } from '../core/testing/faces';
import { openDocument, placeOn, take } from '../e2e/support/reader';
import { inBrowser } from './inBrowser';
import { FRAME_MARK, recordTasks } from './mainThread';
import { inTurn, median, quantile, type Row, tableOf, timed } from './report';
import { BASE } from './server';

/** Long texts: how long setting takes, and what a letter costs while it is typed; cards beside a page. */

const WORDS = 5000;
const LETTERS = 60;
const ROUNDS = 3;
const CARDS = 50;
const BAG =
  'the tide leaves pools where barnacles and limpets wait between rocks for water that returns twice a day measured quadrat number of individuals shaded crevice height above chart datum salinity'.split(
    ' ',
  );

/** Words at random, in paragraphs; the same each time. */
function longText(): string {
  let seed = 7;
  const next = (): number => (seed = (seed * 1103515245 + 12345) % 2147483648);
  return Array.from(
    { length: WORDS },
    (_, k) => BAG[next() % BAG.length] + (k % 9 === 8 ? '.' : '') + (k % 400 === 399 ? '\n' : ''),
  ).join(' ');
}

async function settingRows(): Promise<Row[]> {
  const text = longText();
  const fonts = shippedFonts();
  const face = fonts.face('sans');
  if (!face) throw new Error('The face did not load.');
  const set = (words: string) => setText(words, { face: 'sans', size: 10 }, 400, fonts);
  const shaped = (): void => text.split('\n').forEach((paragraph) => face.shape(paragraph, false));
  let typed = 0;
  const known = await inTurn(
    15,
    () => timed(() => set(text + ++typed)),
    () => timed(shaped),
  );
  const fresh = await inTurn(
    7,
    () => {
      const own = shippedFonts();
      own.face('sans')?.shape('a', false);
      return timed(() => setText(text, { face: 'sans', size: 10 }, 400, own));
    },
    () => timed(shaped),
  );
  const reference = 'the font library shaping its paragraphs, without lines';
  return [
    { what: `${WORDS} words set, a letter later`, reference, ...known },
    { what: `${WORDS} words set for the first time`, reference, ...fresh },
  ];
}

async function cardRow(): Promise<Row> {
  const cards = Array.from({ length: CARDS }, (_, k) => ({
    at: 16 * k + ((k * 37) % 11),
    height: 40 + ((k * 53) % 90),
  }));
  const gap = 8;
  const square = (n: number) => Array.from({ length: n + 1 }, () => Array<number>(n + 1).fill(0));
  const byProgram = (): void => {
    const d = square(CARDS);
    for (let k = 1; k <= CARDS; k++) d[k][k] = 1;
    const a = Array.from({ length: CARDS + 1 }, () => Array<number>(CARDS).fill(0));
    const b = [0];
    for (let k = 1; k < CARDS; k++) {
      a[k][k] = -1;
      a[k + 1][k] = 1;
      b.push(cards[k - 1].height + gap);
    }
    solveQP(d, [0, ...cards.map(({ at }) => at)], a, b, 0);
  };
  const times = await inTurn(
    41,
    () => timed(() => placeCards(cards, gap, 20)),
    () => timed(byProgram),
  );
  return { what: `${CARDS} cards placed`, reference: 'a quadratic program (quadprog)', ...times };
}

/** What the main thread does for each letter, ms. */
async function letters(page: Page): Promise<number[]> {
  await page.evaluate((mark) => {
    window.addEventListener('keydown', () => performance.mark(mark), true);
  }, FRAME_MARK);
  const recorder = await recordTasks(page);
  for (let k = 0; k < LETTERS; k++) await page.keyboard.press('e', { delay: 60 });
  await page.waitForTimeout(200);
  return (await recorder.stop()).map(({ processor }) => processor);
}

const inPage = (words: number): Promise<number[]> =>
  inBrowser(async (context) => {
    const page = await context.newPage();
    await page.goto(BASE);
    await openDocument(page, 'Rock-pool zones');
    await take(page, 'Answer text');
    await page.mouse.click(...(await placeOn(page, 1, 0.1, 0.02)));
    await page.getByRole('textbox', { name: 'Text', exact: true }).waitFor();
    await page.keyboard.insertText(some(words));
    await page.waitForTimeout(1500);
    await page.getByRole('textbox', { name: 'Text', exact: true }).focus();
    return letters(page);
  });

const some = (words: number): string => longText().split(' ').slice(0, words).join(' ');

/** A page with nothing but a field of the browser's own, as wide, that says as much; its caret at the end. */
const inBareField = (words: number): Promise<number[]> =>
  inBrowser(async (context) => {
    const page = await context.newPage();
    await page.setContent(
      '<div contenteditable style="width:500px;font:16px sans-serif;white-space:pre-wrap"></div>',
    );
    await page.locator('div').focus();
    await page.keyboard.insertText(some(words));
    await page.waitForTimeout(1500);
    return letters(page);
  });

export async function typingTable(): Promise<string> {
  const rows = [...(await settingRows()), await cardRow()];
  const lines: string[] = [];
  for (const words of [WORDS, 5]) {
    const ours: number[] = [];
    const bare: number[] = [];
    // In turn, so that neither has the quieter moments.
    for (let k = 0; k < ROUNDS; k++) {
      ours.push(...(await inPage(words)));
      bare.push(...(await inBareField(words)));
    }
    const cell = (all: readonly number[]): string =>
      `${median(all).toFixed(1)} ms | ${quantile(all, 0.95).toFixed(1)} ms`;
    lines.push(`| a box of ${words} words | ${ours.length} | ${cell(ours)} | ${cell(bare)} |`);
  }
  return [
    tableOf(rows),
    '',
    '| a letter typed into | letters | on a processor: median | 95th percentile | a bare field of the browser: median | 95th percentile |',
    '|---|---:|---:|---:|---:|---:|',
    ...lines,
  ].join('\n');
}
