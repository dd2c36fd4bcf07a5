import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { command, inkOn, kept, openWorksheet, placeOn } from './support/reader';
import { sound } from './support/sound';
import { wave } from './support/pen';

/** A new edition arrives for a document with marks. */

const SECOND = readFileSync('demo/documents/rock-pool-zones-2.pdf');

test('marks are carried over to the second edition, looked through before, and back in one step', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  // An answer to the first question, and a mark in the field for the name.
  await pen.draw(wave(...(await placeOn(page, 1, 0.15, 0.245)), 90));
  await pen.draw(wave(...(await placeOn(page, 1, 0.22, 0.13)), 60));
  await kept(page);
  const inked = await inkOn(page, 1);
  await command(page, /^Carry over/);
  const sheet = page.getByRole('dialog', { name: 'Carry over to a new edition' });
  const chooser = page.waitForEvent('filechooser');
  await sheet.getByRole('button', { name: 'From a file …' }).click();
  const again = readFileSync('demo/documents/rock-pool-zones.pdf');
  await (await chooser).setFiles({ name: 'same.pdf', mimeType: 'application/pdf', buffer: again });
  await expect(sheet.getByRole('alert')).toHaveText(
    'This is the file that the document shows already.',
  );
  const other = page.waitForEvent('filechooser');
  await sheet.getByRole('button', { name: 'From a file …' }).click();
  const file = { name: 'second.pdf', mimeType: 'application/pdf', buffer: SECOND };
  await (await other).setFiles(file);
  await expect(sheet.getByRole('status')).toContainText('2 marks:');
  await expect(sheet.getByRole('img', { name: 'Where it goes' })).toHaveCount(2);
  await sound(page);
  await sheet.getByRole('checkbox').last().click();
  await sheet.getByRole('button', { name: 'Carry 1 over' }).click();
  await expect(sheet).toBeHidden();
  const waiting = page.getByRole('button', { name: /^Put here/ });
  await expect(waiting).toHaveCount(1);
  await waiting.click();
  await expect(page.getByLabel('Page, 1 to 3')).toBeVisible();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(0.5 * inked);
  await kept(page);
  await page.reload();
  await expect(page.getByLabel('Page, 1 to 3')).toBeVisible();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(0.5 * inked);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Page, 1 to 2')).toBeVisible();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(0.8 * inked);
});
