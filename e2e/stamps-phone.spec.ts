import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { textOf } from '../references/support/programs';
import {
  command,
  downloadProved,
  drawn,
  inkOn,
  kept,
  openMarks,
  openSend,
  openWorksheet,
} from './support/reader';

test('a stamp is chosen by keys, put on the page and on every other, there again after a reload, and text in the copy', async ({
  page,
}) => {
  await openWorksheet(page);
  await command(page, 'Put a stamp on the page');
  const sheet = page.getByRole('dialog', { name: 'Stamps' });
  await sheet.getByRole('button', { name: 'Which unit?' }).focus();
  await page.keyboard.press('Enter');
  await expect(sheet).toBeHidden();
  await expect(page.getByRole('button', { name: 'Change' })).toBeVisible();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(200);
  // The same on every other page, in one step.
  await page.getByRole('button', { name: /^More for/ }).click();
  const more = page.getByRole('dialog', { name: 'More' });
  await more.getByLabel('On these pages too').fill('9');
  await more.getByRole('button', { name: 'Put there' }).click();
  await expect(more.getByRole('alert')).toHaveText('There is no page “9”.');
  await more.getByRole('button', { name: 'On every page' }).click();
  await expect.poll(() => inkOn(page, 2)).toBeGreaterThan(200);
  await kept(page);
  await page.reload();
  await drawn(page, 1);
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(200);
  await openMarks(page);
  await expect(page.getByText('Stamp: Which unit?')).toHaveCount(2);
  await page.keyboard.press('Escape');
  const send = await openSend(page);
  const path = await downloadProved(page, send);
  expect(textOf(new Uint8Array(readFileSync(path)))).toContain('Which unit?');
});
