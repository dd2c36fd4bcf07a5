import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { goToDocument, makeCopy } from './reader';

/** What is typed into. */
export const field = (page: Page) => page.getByRole('textbox', { name: 'Text', exact: true });
/** What poppler reads in a copy. */
export const textOf = (copy: Buffer): string => {
  const { status, stdout } = spawnSync('pdftotext', ['-layout', '-', '-'], { input: copy });
  expect(status).toBe(0);
  return stdout.toString();
};
/** The fixed copy of what is open. */
export async function copyOf(page: Page): Promise<Buffer> {
  await makeCopy(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download' }).click();
  return readFileSync(await (await download).path());
}
/** Goes on to the next line with Tab, and types there. */
export async function next(page: Page, text: string): Promise<void> {
  const before = await field(page).boundingBox();
  await page.keyboard.press('Tab');
  await expect.poll(() => field(page).boundingBox()).not.toEqual(before);
  await expect(field(page)).toBeFocused();
  await page.keyboard.type(text);
}

/** Opens a sample and begins to type on its first free line, by keyboard. */
export async function typeOnLine(page: Page): Promise<void> {
  await goToDocument(page, 'Rock-pool zones');
  await page.keyboard.press('e');
  await expect(field(page)).toBeFocused();
}
