import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { goToDocument, openDesk, openSend } from './support/reader';

/** The file that stands first on the page of what stands in, which a link of the sheet leads to. */
async function taken(page: Page, link: string): Promise<{ name: string; path: string }> {
  const opening = page.waitForEvent('popup');
  await page.getByRole('link', { name: link }).click();
  const shown = await opening;
  const first = shown.getByRole('listitem').first();
  const download = shown.waitForEvent('download');
  await first.getByRole('link', { name: 'The file' }).click();
  const file = await download;
  const name = (await first.getByRole('heading').textContent()) ?? '';
  expect(file.suggestedFilename()).toBe(name);
  const path = await file.path();
  await shown.close();
  return { name, path };
}

test('where the browser has neither printer nor share sheet, what is printed and shared with the sample data can be seen', async ({
  page,
  context,
}) => {
  await goToDocument(page, 'Rock-pool zones');
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'Print' }).click();
  await expect(sheet.getByText('This browser cannot print PDFs.')).toBeVisible();
  await sheet.getByRole('radio', { name: '2', exact: true }).click();
  const print = sheet.getByRole('button', { name: 'Print', exact: true });
  await print.click();
  await expect(sheet.getByText('Printed.')).toBeVisible();
  const printed = await taken(page, 'See what was printed');
  expect(printed.name).toBe('Rock-pool zones – marked.pdf');
  const info = execFileSync('pdfinfo', [printed.path], { encoding: 'utf8' });
  expect(info).toMatch(/Pages:\s+1\n[\s\S]*Page size:\s+841.89 x 595.28/);

  await sheet.getByRole('radio', { name: 'Notes as text' }).click();
  await expect(sheet.getByRole('radio', { name: 'Print' })).toBeHidden();
  await sheet.getByRole('radio', { name: 'Pictures' }).click();
  await sheet.getByRole('radio', { name: 'JPEG' }).click();
  await sheet.getByRole('radio', { name: 'Share' }).click();
  await sheet.getByRole('button', { name: 'Share', exact: true }).click();
  await expect(sheet.getByText('Shared.')).toBeVisible();
  const shared = await taken(page, 'See what was shared');
  expect(shared.name).toMatch(/^Rock-pool zones.*\.zip$/);
  expect(readFileSync(shared.path).subarray(0, 2).toString()).toBe('PK');

  // Nothing is written down that has not left.
  await sheet.getByRole('radio', { name: 'A fixed copy' }).click();
  await sheet.getByRole('radio', { name: 'Print' }).click();
  await context.setOffline(true);
  await print.click();
  await expect(sheet.getByRole('alert')).toContainText('server cannot be reached');
  await context.setOffline(false);
  await openDesk(page);
  await page.getByRole('button', { name: 'What was sent' }).click();
  const sent = page.getByRole('dialog', { name: 'What was sent' }).getByRole('listitem');
  await expect(sent.filter({ hasText: 'Rock-pool zones' })).toHaveCount(2);
});
