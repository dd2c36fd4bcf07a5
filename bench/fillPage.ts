import { writeInkml } from '@marginalis/core/formats';
import type { Page } from '@playwright/test';
import { fullPage } from './fullPage';
import { BASE } from './server';

/** Milliseconds between the page standing there and the first stroke. */
const SETTLE = 20_000;

/** Opens a document and brings the strokes onto its first page; how long bringing them took, ms. */
export async function fillFirstPage(page: Page, title: string, strokes: number): Promise<number> {
  await page.goto(BASE);
  await page.getByRole('button', { name: `Open ${title}` }).click({ timeout: 60_000 });
  await page.locator('[data-page="1"][data-drawn]').waitFor();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Commands' }).click();
  await page.getByRole('option', { name: 'Bring in ink' }).click();
  const file = {
    name: 'full.inkml',
    mimeType: 'application/inkml+xml',
    buffer: Buffer.from(writeInkml(fullPage(strokes), 'A full page')),
  };
  const began = Date.now();
  await (await chooser).setFiles(file);
  await page.locator('[data-saving=kept]').waitFor({ timeout: 120_000 });
  await page.waitForFunction(
    () => document.querySelector('[data-page="1"] [data-layer="ink"] canvas') !== null,
  );
  const took = Date.now() - began;
  // Until the browser has tidied up after reading the file.
  await page.waitForTimeout(SETTLE);
  return took;
}
