import { expect, test } from '@playwright/test';
import { linksOf } from '../references/support/programs';
import { readFileSync } from 'node:fs';
import {
  command,
  downloadProved,
  dragOver,
  drawn,
  goToDocument,
  kept,
  openSend,
  panel,
  take,
} from './support/reader';
import { sound } from './support/sound';

/** Links of one's own: made, followed, listed, and in the copy. */

test('links are made over an area and over words, followed, changed, listed, and leave', async ({
  page,
}) => {
  await goToDocument(page, 'Course handbook');
  await command(page, 'Make and change links');
  await dragOver(page, 1, [0.1, 0.27], [0.75, 0.36]);
  const sheet = page.getByRole('dialog', { name: 'New link' });
  await sheet.getByLabel('Page', { exact: true }).fill('999');
  await sheet.getByRole('button', { name: 'Make the link' }).click();
  await expect(sheet.getByRole('alert')).toHaveText('There is no page 999.');
  await sound(page);
  await sheet.getByRole('radio', { name: 'An address' }).click();
  await sheet.getByLabel('Web or mail address').fill('javascript:alert(1)');
  await sheet.getByRole('button', { name: 'Make the link' }).click();
  await expect(sheet.getByRole('alert')).toContainText('are not opened from a document');
  await sheet.getByRole('radio', { name: 'A page' }).click();
  await sheet.getByLabel('Page', { exact: true }).fill('5');
  await sheet.getByRole('switch', { name: 'A frame around it' }).click();
  await sheet.getByRole('button', { name: 'Make the link' }).click();
  await expect(sheet).toBeHidden();
  const made = page.locator('[data-page="1"]').getByRole('link', { name: 'Link: Page 5' });
  await expect(made).toBeAttached();

  // The link maker changes it, by the keyboard too.
  await made.focus();
  await page.keyboard.press('Enter');
  const change = page.getByRole('dialog', { name: 'Change a link' });
  await expect(change.getByLabel('Page', { exact: true })).toHaveValue('5');
  await change.getByLabel('Page', { exact: true }).fill('6');
  await change.getByRole('button', { name: 'Keep' }).click();
  const changed = page.locator('[data-page="1"]').getByRole('link', { name: 'Link: Page 6' });
  await expect(changed).toBeAttached();

  // A place on a page, by the keyboard.
  await changed.focus();
  await page.keyboard.press('Enter');
  await change.getByRole('button', { name: 'A place on it …' }).click();
  await page.getByRole('button', { name: 'The place in sight' }).focus();
  await page.keyboard.press('Enter');
  await expect(change.getByRole('button', { name: 'Another place …' })).toBeVisible();
  await expect(change.getByLabel('Page', { exact: true })).toHaveValue('i');
  await page.keyboard.press('Escape');

  // Every other instrument lets it be followed.
  await take(page, 'Fine pen');
  await changed.focus();
  await page.keyboard.press('Enter');
  await drawn(page, 8);

  await command(page, /^Links: /);
  const list = panel(page, 'Links');
  await sound(page);
  await list.getByRole('button', { name: 'Yours 1' }).click();
  await expect(list.getByRole('link')).toHaveCount(1);
  await list.getByRole('button', { name: /^All/ }).click();
  const ofFile = list.getByRole('link', { name: /of the file/ });
  await expect(ofFile.first()).toBeVisible();
  const before = await ofFile.count();
  await list
    .getByRole('button', { name: /^More about the link/ })
    .nth(1)
    .click();
  await page.getByRole('menuitem', { name: 'Remove' }).click();
  await expect(ofFile).toHaveCount(before - 1);
  await list.getByRole('button', { name: 'Close' }).click();

  await command(page, 'Make a contents page');
  await expect(page.getByRole('link', { name: /^Link: Page/ }).first()).toBeAttached();
  await kept(page);
  const send = await openSend(page);
  const path = await downloadProved(page, send);
  const links = linksOf(new Uint8Array(readFileSync(path)));
  // The contents page comes first, and so every page is one farther on; the sixth numbered one is the eighth of the file.
  expect(links.filter(({ on }) => on === 1).length).toBeGreaterThan(5);
  expect(links.filter(({ on, to: led }) => on === 2 && led === 9)).toHaveLength(1);
});
