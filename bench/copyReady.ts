import { readFileSync } from 'node:fs';
import { deflate } from 'node:zlib';
import { promisify } from 'node:util';
import { PDFDocument } from '@cantoo/pdf-lib';
import type { Page as BrowserPage } from '@playwright/test';
import { CopyFonts } from '@marginalis/core/copy';
import { type DocState, emptyDocument, marksOn } from '@marginalis/core/document';
import { writeInkml } from '@marginalis/core/formats';
import { encodeMarks, inspectPdf, makeFixedCopy, type MarkLayer } from '@marginalis/core/pdf';
import { pageRefsFor } from '../core/testing/marks';
import { realPdf } from '../references/support/realPdfs';
import { covered, twentyPages } from './flatten';
import { inBrowser } from './inBrowser';
import { inTurn, median, type Row, timed } from './report';
import { BASE } from './server';

const zlib = promisify(deflate);
const compressed = async (b: Uint8Array): Promise<Uint8Array> => new Uint8Array(await zlib(b));
const REFERENCE = 'loading and saving the numeric language manual of octave-doc, 4 MB';
/** Pages are encoded while nobody writes; so long it may take for all of them, ms. */
const IDLE = 120_000;

/** A file of others of about 4 MB. */
const manual = (): Uint8Array =>
  realPdf({
    name: 'numeric language manual',
    package: 'octave-doc',
    path: 'usr/share/doc/octave/octave.pdf',
  });

interface Reference {
  readonly reference: string;
  readonly theirs: () => Promise<number>;
}

const loadAndSave = (bytes: Uint8Array, reference = REFERENCE): Reference => ({
  reference,
  theirs: () =>
    timed(async () => (await PDFDocument.load(bytes, { updateMetadata: false })).save()),
});

async function layersOf(document: DocState): Promise<Map<string, MarkLayer>> {
  const layers = new Map<string, MarkLayer>();
  for (const { id } of document.pages)
    layers.set(id, await encodeMarks(marksOn(document, id), new CopyFonts({}), compressed));
  return layers;
}

/** A copy whose pages were encoded before, against the reference. */
async function readyRow(
  what: string,
  source: Uint8Array,
  marked: (pages: ReturnType<typeof pageRefsFor>) => DocState,
  { reference, theirs }: Reference,
  rounds = 3,
): Promise<Row> {
  const document = marked(pageRefsFor((await inspectPdf(source)).pages));
  const layers = await layersOf(document);
  const bare = emptyDocument(document.pages);
  let size = 0;
  const ours = (): Promise<number> =>
    timed(async () => {
      const copy = await makeFixedCopy(source, bare, { layers, deflate: compressed });
      size = copy.bytes.length;
    });
  const times = await inTurn(rounds, ours, theirs);
  console.log(`${what}: ${(size / 1e6).toFixed(2)} MB.`);
  return { what, reference, ...times };
}

/** From the button that sends until the copy is said to be ready, and is proved, ms. */
async function sendIn(page: BrowserPage): Promise<number> {
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await page.getByRole('img', { name: /as it leaves/ }).waitFor({ timeout: 60_000 });
  const took = await page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const button = [...document.querySelectorAll<HTMLElement>('[role=button], button')].find(
          (b) => b.textContent?.trim() === 'Download',
        );
        const start = performance.now();
        const look = (): void => {
          if (document.querySelector('[data-testid="copy-made"]'))
            resolve(performance.now() - start);
          else setTimeout(look, 4);
        };
        button?.click();
        look();
      }),
  );
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').waitFor({ state: 'hidden' });
  return took;
}

/** The same in the browser: written, left alone, sent; then again after a reload. */
async function sendRows({ theirs }: Reference): Promise<Row[]> {
  const source = await twentyPages();
  const written = covered(pageRefsFor((await inspectPdf(source)).pages));
  const ink = Buffer.from(writeInkml(written, 'Twenty pages'));
  const reference = median([await theirs(), await theirs(), await theirs()]);
  return inBrowser(async (context) => {
    const page = await context.newPage();
    await page.goto(BASE);
    const pdf = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Open a PDF' }).first().click({ timeout: 60_000 });
    const file = { name: 'twenty.pdf', mimeType: 'application/pdf', buffer: Buffer.from(source) };
    await (await pdf).setFiles(file);
    // What is laid on the desk alone is opened at once.
    await page.locator('[data-page="1"][data-drawn]').waitFor();
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Commands' }).click();
    await page.getByRole('option', { name: 'Bring in ink' }).click();
    await (
      await chooser
    ).setFiles({ name: 'twenty.inkml', mimeType: 'application/inkml+xml', buffer: ink });
    const undo = page.getByRole('button', { name: 'Undo', exact: true });
    await undo.and(page.locator(':not([aria-disabled=true])')).waitFor({ timeout: 300_000 });
    await page.locator('[data-saving=kept]').waitFor({ timeout: 180_000 });
    const rows: Row[] = [];
    // As whoever has written on them has.
    for (let k = 2; k <= written.pages.length; k++) {
      await page.getByRole('textbox', { name: /^Page, / }).fill(String(k));
      await page.keyboard.press('Enter');
      await page.locator(`[data-page="${k}"][data-drawn]`).waitFor();
    }
    for (const when of [', all of them seen', ', after a reload']) {
      if (when === ', after a reload') {
        await page.reload();
        // Where it was left.
        await page.locator(`[data-page="${written.pages.length}"][data-drawn]`).waitFor();
      }
      await page.waitForTimeout(IDLE);
      const ours = median([await sendIn(page), await sendIn(page), await sendIn(page)]);
      const what = `from the button to a ready and proved copy of 20 pages, 4,000 strokes, in the browser${when}`;
      rows.push({ what, reference: REFERENCE, ours, theirs: reference });
    }
    return rows;
  });
}

/** Thirty of 800 pages marked. */
const thirtyMarked = (pages: ReturnType<typeof pageRefsFor>): DocState => {
  const some = pages.filter((_, i) => i % 27 === 0).slice(0, 30);
  return { ...covered(some), pages };
};

const almanacOf800 = (): Uint8Array =>
  new Uint8Array(readFileSync('demo/documents/tide-almanac.pdf'));

/** A copy of many pages, of which few are marked, against the same file as it is. */
export function benchManyPages(): Promise<Row> {
  const almanac = almanacOf800();
  return readyRow(
    'the same copy of 800 pages',
    almanac,
    thirtyMarked,
    loadAndSave(almanac, 'loading and saving these 800 pages with the same library'),
    21,
  );
}

/** Copies whose marks were encoded while nobody wrote. */
export async function benchCopyReady(): Promise<Row[]> {
  const others = loadAndSave(manual());
  const almanac = almanacOf800();
  return [
    await readyRow(
      'copy of 20 pages, 4,000 strokes, encoded before',
      await twentyPages(),
      covered,
      others,
    ),
    await readyRow(
      'copy of 800 pages, 30 with 200 strokes, encoded before',
      almanac,
      thirtyMarked,
      others,
    ),
    await benchManyPages(),
    ...(await sendRows(others)),
  ];
}
