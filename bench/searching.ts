import { readdirSync, readFileSync } from 'node:fs';
import type { WrappedPdfiumModule } from '@embedpdf/pdfium';
import { openPrint, type PdfiumModule } from '@marginalis/core/pdfium';
import { DocumentText, readPrint } from '@marginalis/core/print';
import type { Page } from '@playwright/test';
import { loadPdfium } from '../cli/pdfium';
import { inBrowser } from './inBrowser';
import { inTurn, type Row, tableOf } from './report';
import { BASE } from './server';

/** The text of 800 pages, and searching it: beside PDFium alone, and what the main thread and the memory notice of it. */

const ALMANAC = 'demo/documents/tide-almanac.pdf';
const TERM = '4.72';
const ROUNDS = 5;
const PAGES = 800;
/** Leafing goes on after so long, ms. */
const PAGE_TIME = 15;
/** What a person feels, ms. */
const FELT = 50;

/** Processor time of some work of this process, ms. */
function processorTime(work: () => void): number {
  const before = process.cpuUsage();
  work();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}

/** What PDFium alone gives: the text of each page, in the order of the file. */
function bareText(
  { pdfium, FPDFText_GetText, FPDF_LoadMemDocument, ...f }: WrappedPdfiumModule,
  bytes: Uint8Array,
): number {
  const { malloc, free } = (pdfium as unknown as PdfiumModule).wasmExports;
  const held = malloc(bytes.length);
  (pdfium as unknown as PdfiumModule).HEAPU8.set(bytes, held);
  const document = FPDF_LoadMemDocument(held, bytes.length, '');
  let length = 0;
  for (let n = 0; n < f.FPDF_GetPageCount(document); n++) {
    const page = f.FPDF_LoadPage(document, n);
    const text = f.FPDFText_LoadPage(page);
    const count = f.FPDFText_CountChars(text);
    const room = malloc(2 * (count + 1));
    FPDFText_GetText(text, 0, count, room);
    length += pdfium.UTF16ToString(room).length;
    free(room);
    f.FPDFText_ClosePage(text);
    f.FPDF_ClosePage(page);
  }
  f.FPDF_CloseDocument(document);
  free(held);
  return length;
}

function readAll(module: PdfiumModule, bytes: Uint8Array): DocumentText {
  const pdf = openPrint(module, bytes);
  const text = new DocumentText(pdf.pageCount, (page) => readPrint(pdf.raw(page)));
  for (let page = 0; page < pdf.pageCount; page++) text.page(page);
  pdf.close();
  return text;
}

const searchAll = (text: DocumentText, term: string): number =>
  [...text.search(term)].reduce((n, { hits, more }) => n + hits.length + more, 0);

async function ofText(): Promise<Row[]> {
  const bytes = new Uint8Array(readFileSync(ALMANAC));
  const wrapped = await loadPdfium();
  const module = wrapped.pdfium as unknown as PdfiumModule;
  const read = await inTurn(
    ROUNDS,
    () => processorTime(() => readAll(module, bytes)),
    () => processorTime(() => bareText(wrapped, bytes)),
  );
  const bare = read.theirs;
  let text = readAll(module, bytes);
  const first = await inTurn(
    ROUNDS,
    () => {
      // A fresh one: what is prepared for searching is kept with it.
      text = readAll(module, bytes);
      return processorTime(() => searchAll(text, TERM));
    },
    () => bare,
  );
  const again = await inTurn(
    ROUNDS,
    () => processorTime(() => searchAll(text, `${TERM}0`.slice(0, -1))),
    () => bare,
  );
  const reference = 'PDFium alone, text of 800 pages';
  return [
    { what: 'text of 800 pages ready for search, in reading order', reference, ...read },
    { what: 'a first search over it', reference, ours: first.ours, theirs: bare },
    { what: 'a search after that', reference, ours: again.ours, theirs: bare },
  ];
}

/** What the browser's renderers hold, MB: shared memory counted by its share. */
function renderersHold(): number {
  const kilobytes = readdirSync('/proc').map((name) => {
    if (!/^\d+$/.test(name)) return 0;
    try {
      if (!readFileSync(`/proc/${name}/cmdline`, 'utf8').includes('--type=renderer')) return 0;
      const [, pss] =
        /^Pss:\s+(\d+)/m.exec(readFileSync(`/proc/${name}/smaps_rollup`, 'utf8')) ?? [];
      return Number(pss ?? 0);
    } catch {
      // It has ended meanwhile.
      return 0;
    }
  });
  return kilobytes.reduce((sum, n) => sum + n, 0) / 1024;
}

/** Tasks of the main thread longer than is felt while something goes on, ms. */
async function longTasks(page: Page, act: () => Promise<void>): Promise<number[]> {
  await page.evaluate(() => {
    const tasks: number[] = [];
    Object.assign(window, { longTasks: tasks });
    new PerformanceObserver((list) =>
      tasks.push(...list.getEntries().map(({ duration }) => duration)),
    ).observe({ type: 'longtask' });
  });
  await act();
  await page.waitForTimeout(500);
  return page.evaluate(() => (window as unknown as { longTasks: number[] }).longTasks);
}

/** From the first page to the last, page by page. */
async function leafThrough(page: Page): Promise<void> {
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Home');
  for (let n = 0; n < PAGES; n++) {
    await page.keyboard.press('PageDown');
    await page.waitForTimeout(PAGE_TIME);
  }
  await page.waitForTimeout(5000);
}

function inApp(): Promise<string> {
  return inBrowser(async (context) => {
    const page = await context.newPage();
    await page.goto(BASE);
    await page.getByRole('button', { name: /Add “Tide almanac”/ }).click({ timeout: 60_000 });
    await page.getByRole('button', { name: 'Open Tide almanac' }).click({ timeout: 60_000 });
    await page.locator('[data-page="1"][data-drawn]').waitFor();
    await leafThrough(page);
    const once = renderersHold();
    await leafThrough(page);
    const before = renderersHold();
    await page.keyboard.press('Control+f');
    const field = page.getByRole('searchbox', { name: 'Search the document' });
    const said = page.locator('[data-hits]');
    let took = 0;
    const tasks = await longTasks(page, async () => {
      const began = Date.now();
      await field.fill(TERM);
      await said.filter({ hasText: 'pages read' }).waitFor();
      await said.filter({ hasNotText: 'pages read' }).waitFor({ timeout: 120_000 });
      took = Date.now() - began;
    });
    const searched = renderersHold() - before;
    await page.getByRole('button', { name: 'Close search' }).click();
    await leafThrough(page);
    const leafed = renderersHold() - before;
    const longest = Math.max(0, ...tasks);
    return [
      `In the browser the first search over the almanac took ${(took / 1000).toFixed(1)} s by the clock. Meanwhile the main thread had ${tasks.length} tasks over ${FELT} ms (the longest ${longest.toFixed(0)} ms).`,
      `The renderers held ${once.toFixed(0)} MB when all 800 pages had been leafed through, ${before.toFixed(0)} MB when that had been done twice, ${searched.toFixed(0)} MB more when they had been searched, and ${leafed.toFixed(0)} MB more than that when they had been leafed through a third time.`,
    ].join('\n');
  });
}

export const searchingTable = async (): Promise<string> =>
  `${tableOf(await ofText())}\n\n${await inApp()}`;
