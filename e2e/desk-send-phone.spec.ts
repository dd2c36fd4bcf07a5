import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { PDFDocument } from '@cantoo/pdf-lib';
import { wave } from './support/pen';
import {
  addFile,
  drawn,
  kept,
  openDesk,
  openDocument,
  openSend,
  openWorksheet,
  placeOn,
} from './support/reader';

test('a document leaves from the desk as it would when it is open, with its marks and the names of its pages', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  await pen.draw(wave(...(await placeOn(page, 1, 0.2, 0.3)), 150));
  await kept(page);
  // “This page” is remembered, and is none where no page is in sight.
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'This page' }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Back to the desk' }).click();
  await page.getByRole('button', { name: 'More about Rock-pool zones' }).click();
  await page.getByRole('menuitem', { name: 'Send' }).click();
  await expect(sheet.getByRole('radio', { name: 'All pages' })).toBeChecked();
  await expect(sheet.getByRole('radio', { name: 'This page' })).toHaveCount(0);
  await expect(sheet.getByText('1 mark drawn into the pages.')).toBeVisible();
  await expect(sheet.getByRole('img', { name: 'Page 1 as it leaves' })).toBeVisible();
  const download = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Download' }).click();
  const copy = await PDFDocument.load(readFileSync(await (await download).path()));
  expect(copy.getPageCount()).toBe(2);
  await expect(page.getByTestId('proof')).toContainText('every mark found');
  await sheet.getByRole('radio', { name: 'A link' }).click();
  await sheet.getByRole('button', { name: 'Make a link' }).click();
  await expect(sheet.getByTestId('link')).toBeVisible();
  await page.keyboard.press('Escape');
  // It can be opened and written on as ever.
  await openDocument(page, 'Rock-pool zones');
  await drawn(page, 1);
  await pen.draw(wave(...(await placeOn(page, 1, 0.2, 0.5)), 150));
  await kept(page);
});

test('a document that nobody has opened yet, and that is locked, is not offered to be sent', async ({
  page,
}) => {
  await openDesk(page);
  const doc = await PDFDocument.create();
  doc.addPage([300, 400]);
  await doc.encrypt({ userPassword: 'Flut' });
  await addFile(page, 'locked.pdf', await doc.save());
  await page.getByRole('button', { name: 'Skip for now' }).click();
  await page.getByRole('button', { name: 'More about locked' }).click();
  await expect(page.getByRole('menuitem', { name: 'Rename' })).toBeVisible();
  await expect(page.getByRole('menuitem', { name: 'Send' })).toHaveCount(0);
});
