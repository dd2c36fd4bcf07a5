import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import type * as PdfJs from 'pdfjs-dist';
import { inBrowser } from './inBrowser';
import { inTurn, type Row } from './report';
import { BASE } from './server';

/** Opening the almanac from the desk until its first page is drawn, ms. */
async function openInApp(page: Page): Promise<number> {
  // A page behind another gets few frames.
  await page.bringToFront();
  await page.goto(BASE);
  const card = page.getByRole('button', { name: 'Open Tide almanac' });
  await card.waitFor();
  await page.waitForTimeout(1000);
  return card.evaluate(
    (button: HTMLElement) =>
      new Promise<number>((resolve) => {
        const start = performance.now();
        const look = (): void => {
          if (document.querySelector('[data-page="1"][data-drawn]'))
            resolve(performance.now() - start);
          else requestAnimationFrame(look);
        };
        button.click();
        look();
      }),
  );
}

/** Fetching and drawing the same page at the same size with nothing but pdf.js, ms. */
async function openBare(page: Page): Promise<number> {
  await page.route('**/bench/**', (route) => {
    const name = new URL(route.request().url()).pathname.split('/').pop() ?? '';
    if (name === 'bare')
      return route.fulfill({ contentType: 'text/html', body: '<!doctype html><body></body>' });
    const body = readFileSync(`node_modules/pdfjs-dist/legacy/build/${name}`);
    return route.fulfill({ contentType: 'text/javascript', body });
  });
  await page.bringToFront();
  await page.goto(`${BASE}/bench/bare`);
  await page.waitForTimeout(500);
  return page.evaluate(async () => {
    const start = performance.now();
    const bytes = new Uint8Array(await (await fetch('/demo/tide-almanac.pdf')).arrayBuffer());
    const url = '/bench/pdf.min.mjs';
    const pdfjs = (await import(url)) as typeof PdfJs;
    pdfjs.GlobalWorkerOptions.workerSrc = '/bench/pdf.worker.min.mjs';
    const doc = await pdfjs.getDocument({
      data: bytes,
      isEvalSupported: false,
      useSystemFonts: false,
    }).promise;
    const first = await doc.getPage(1);
    const viewport = first.getViewport({ scale: 1182 / 595.28 });
    const canvas = document.createElement('canvas');
    canvas.width = viewport.width;
    canvas.height = viewport.height;
    document.body.append(canvas);
    await first.render({ canvas, viewport }).promise;
    await new Promise(requestAnimationFrame);
    return performance.now() - start;
  });
}

export function benchOpening(): Promise<Row[]> {
  return inBrowser(async (context) => {
    const app = await context.newPage();
    await app.goto(BASE);
    await app.getByRole('button', { name: /Add “Tide almanac”/ }).click({ timeout: 60_000 });
    await app.getByRole('button', { name: 'Open Tide almanac' }).waitFor({ timeout: 60_000 });
    const bare = await context.newPage();
    const { ours, theirs } = await inTurn(
      7,
      () => openInApp(app),
      () => openBare(bare),
    );
    return [
      {
        what: 'the almanac’s first of 800 pages on the screen',
        reference: 'bare pdf.js, same browser',
        ours,
        theirs,
      },
    ];
  });
}
