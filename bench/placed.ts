import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { type Attachment, changeOf, type Change } from '@marginalis/core/document';
import { encodeRecord } from '@marginalis/core/journal';
import type { PictureMark } from '@marginalis/core/kinds';
import { toBase64 } from '@marginalis/core/marks';
import { pictureName } from '@marginalis/core/pictures';
import type { Page } from '@playwright/test';
import { photograph } from '../core/testing/photographs';
import { command } from '../e2e/support/reader';
import { inBrowser } from './inBrowser';
import { FRAME_MARK, type FrameWork, recordTasks } from './mainThread';
import { median } from './report';
import { putRecord, scroll, scrollRow } from './scrolling';
import { BASE } from './server';

/** What is put on pages: a stamp on thirty of them in one step, and what a frame of scrolling costs over two hundred pictures beside none. */

const TITLE = 'Course handbook';
const FILE = 'demo/documents/handbook.pdf';
const PAGES = 39;
const PICTURES = 200;
/** Pictures that are different; the others show one of them once more. */
const DIFFERENT = 20;
const STAMPED = 30;
const ROUNDS = 3;

/** Pictures as the document's journal keeps them, five on a page. */
function journalOfPictures(): string {
  const source = createHash('sha256').update(readFileSync(FILE)).digest('hex').slice(0, 12);
  const pictures = Array.from({ length: DIFFERENT }, (_, k): Attachment => {
    const [width, height] = [480 + 16 * k, 320];
    const bytes = new Uint8Array(photograph(width, height));
    return {
      ...{ id: pictureName(bytes), name: `Shore ${k}.jpg`, type: 'image/jpeg', width, height },
      data: toBase64(bytes),
    };
  });
  const marks = Array.from({ length: PICTURES }, (_, k): PictureMark => ({
    ...{ kind: 'picture', id: `picture ${k}`, page: `${source}-${k % PAGES}`, order: k },
    ...{ madeAt: k, style: { colour: '#1b1b1d', width: 1, opacity: 1 } },
    source: pictures[k % DIFFERENT].id,
    place: [90, 0, 0, 60, 60 + 95 * (Math.floor(k / PAGES) % 5), 120 + 40 * (k % 11)],
    says: '',
  }));
  const changes: Change[] = [
    ...pictures.map((one) => changeOf('attachment', null, one)),
    ...marks.map((mark) => changeOf('mark', null, mark)),
  ];
  return encodeRecord({
    ...{ seq: 1, client: 'bench', act: 'do' },
    transaction: { label: 'Put pictures', changes },
  });
}

async function open(page: Page): Promise<void> {
  await page.getByRole('button', { name: `Open ${TITLE}` }).click({ timeout: 60_000 });
  // Where it was left.
  await page.locator('[data-page][data-drawn]').first().waitFor();
  await page.waitForTimeout(3000);
}

async function toFirst(page: Page): Promise<void> {
  await page.getByRole('textbox', { name: /^Page, / }).fill('1');
  await page.keyboard.press('Enter');
  await page.waitForTimeout(2000);
}

/** What the main thread does from the press of the button until the pages have it, ms on a processor: all of it, its longest frame, as long when the sheet is only closed, and when nothing is done. */
async function stampPages(
  page: Page,
): Promise<{ all: number; longest: number; closed: number; idle: number }> {
  await page.evaluate((mark) => {
    const frame = (): void => {
      performance.mark(mark);
      requestAnimationFrame(frame);
    };
    requestAnimationFrame(frame);
  }, FRAME_MARK);
  await command(page, 'Put a stamp on the page');
  await page.getByRole('button', { name: 'Well observed' }).click();
  const more = page.getByRole('dialog', { name: 'More' });
  const ask = async (): Promise<void> => {
    await page.getByRole('button', { name: /^More for/ }).click();
    await more.getByLabel('On these pages too').fill(`2-${STAMPED + 1}`);
    await page.waitForTimeout(1000);
  };
  await ask();
  const idle = await mainThread(page, async () => undefined);
  const closed = await mainThread(page, () =>
    more.getByRole('button', { name: 'Close' }).press('Enter'),
  );
  await ask();
  const pressed = await mainThread(page, () =>
    more.getByRole('button', { name: 'Put there' }).press('Enter'),
  );
  return { ...pressed, closed: closed.all, idle: idle.all };
}

/** What the main thread does in a second and a half from the beginning of something on, ms on a processor. */
async function mainThread(
  page: Page,
  begin: () => Promise<void>,
): Promise<{ all: number; longest: number }> {
  const recorder = await recordTasks(page);
  await begin();
  await page.waitForTimeout(1500);
  const times = (await recorder.stop()).map(({ processor }) => processor);
  return { all: times.reduce((sum, one) => sum + one, 0), longest: Math.max(...times) };
}

export function placedTable(): Promise<string> {
  return inBrowser(async (context) => {
    const page = await context.newPage();
    await page.goto(BASE);
    await open(page);
    const id = new URL(page.url()).pathname.split('/').pop() ?? '';
    const without: FrameWork[][] = [];
    for (let i = 0; i < ROUNDS; i++) {
      await toFirst(page);
      without.push(await scroll(page));
    }
    await page.getByRole('button', { name: 'Back to the desk' }).click();
    await page.waitForTimeout(2000);
    await putRecord(page, id, journalOfPictures());
    await open(page);
    const over: FrameWork[][] = [];
    for (let i = 0; i < ROUNDS; i++) {
      await toFirst(page);
      over.push(await scroll(page));
    }
    await toFirst(page);
    const stamped: Awaited<ReturnType<typeof stampPages>>[] = [];
    for (let i = 0; i < ROUNDS; i++) {
      stamped.push(await stampPages(page));
      await page.waitForTimeout(1500);
    }
    const of = (which: keyof (typeof stamped)[number]): string =>
      `${median(stamped.map((one) => one[which])).toFixed(0)} ms`;
    return [
      `| scrolling over the first pages of ${PAGES} | frames | on a processor: median | 99th percentile | longer than a frame of 60 Hz |`,
      '|---|---:|---:|---:|---:|',
      scrollRow(without, 'reference: without pictures'),
      scrollRow(over, `with ${PICTURES} pictures on them`),
      '',
      `A stamp on ${STAMPED} pages in one step: ${of('all')} of the main thread in the second and a half from the press on, ${of('longest')} in the longest frame; references: as long when the sheet is only closed, ${of('closed')}, and when nothing is done, ${of('idle')}.`,
    ].join('\n');
  });
}
