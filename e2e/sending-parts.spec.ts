import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { beginOnWords, say } from './support/notes';
import { Pen } from './support/pen';
import { kept, makeCopy, openDesk, openDocument, take } from './support/reader';
import { textOf } from './support/typing';

/** Of which pages something leaves, and as what. */

async function fileFrom(page: Page): Promise<{ name: string; bytes: Buffer }> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download' }).click();
  const file = await download;
  return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) };
}

async function noted(page: Page): Promise<void> {
  await openDesk(page);
  await openDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  await take(page, 'Word picker');
  await beginOnWords(page, pen, [0.14, 0.188], 0.34);
  await say(page, 'Is that *so*?');
  await kept(page);
}

test('pages that are named leave, with the notes on them or without; nothing of others is in the copy', async ({
  page,
}) => {
  await noted(page);
  await makeCopy(page);
  const sheet = page.getByRole('dialog');
  await expect(page.getByTestId('copy-made')).toContainText('7 pages');
  await sheet.getByRole('radio', { name: 'Beside the page' }).click();
  await expect(page.getByTestId('copy-made')).toContainText('6 pages');
  const beside = textOf((await fileFrom(page)).bytes);
  // On the first page, before the second begins.
  expect(beside.split('\f')[0]).toContain('Is that so?');
  await sheet.getByRole('radio', { name: 'Left out' }).click();
  await expect(page.getByTestId('copy-made')).toContainText('6 pages');
  expect(textOf((await fileFrom(page)).bytes)).not.toContain('Is that so?');

  await sheet.getByRole('radio', { name: 'Pages …' }).click();
  await expect(sheet.getByText('Say which pages: 2-5, 9.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Download' })).toBeHidden();
  const which = sheet.getByRole('textbox', { name: 'Pages' });
  await which.fill('2-3, 12');
  await expect(sheet.getByText('There is no page “12”.')).toBeVisible();
  await which.fill('2-3, 5');
  await expect(page.getByTestId('copy-made')).toContainText('3 pages');
  await expect(sheet.getByRole('radio', { name: 'At the end' })).toBeHidden();
  const some = await fileFrom(page);
  expect(some.name).toBe('How barnacles choose a rock, pages 2-3, 5 – marked.pdf');
  expect(textOf(some.bytes)).not.toContain('An adult barnacle cannot');

  await sheet.getByRole('radio', { name: /^Pages with marks \(1\)/ }).click();
  await sheet.getByRole('radio', { name: 'At the end' }).click();
  await expect(page.getByTestId('copy-made')).toContainText('2 pages');
  expect(textOf((await fileFrom(page)).bytes)).toMatch(/An adult barnacle cannot[^]*Is that so\?/);
});

test('notes leave alone, as a text and as a table; the answers are remembered', async ({
  page,
}) => {
  await noted(page);
  await makeCopy(page);
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('radio', { name: 'Notes as text' }).click();
  const text = await fileFrom(page);
  expect(text.name).toBe('How barnacles choose a rock – notes.md');
  expect(text.bytes.toString()).toMatch(
    /^# Notes on How barnacles choose a rock\n\n## Page 1\n\n### 1\n\n> An adult barnacle cannot\n\nIs that \*so\*\?\n/,
  );
  await page.keyboard.press('Escape');
  await page.reload();
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(sheet.getByRole('radio', { name: 'Notes as text' })).toBeChecked();
  await sheet.getByRole('radio', { name: 'Notes as a table' }).click();
  const table = await fileFrom(page);
  expect(table.name).toBe('How barnacles choose a rock – notes.csv');
  expect(table.bytes.toString()).toMatch(/\r\n1,1,An adult barnacle cannot,Is that so\?,/);
});
