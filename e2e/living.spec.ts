import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { complaintOfQpdf } from '../references/support/programs';
import { beginOnWords, card, say } from './support/notes';
import { Pen, wave } from './support/pen';
import {
  drawn,
  inkOn,
  kept,
  layFile,
  openDesk,
  openDocument,
  openMarks,
  placeOn,
  take,
} from './support/reader';

test('a living copy opens somewhere else with every mark and note as it was, to be changed further', async ({
  page,
  browser,
}) => {
  await openDesk(page);
  await openDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  const [x, y] = await placeOn(page, 1, 0.2, 0.4);
  await pen.draw(wave(x, y, 150));
  await kept(page);
  await take(page, 'Word picker');
  await beginOnWords(page, pen, [0.14, 0.188], 0.34);
  await say(page, 'Is that *so*?');
  await kept(page);

  await page.getByRole('button', { name: 'Send', exact: true }).click();
  const sheet = page.getByRole('dialog', { name: 'Send' });
  await sheet.getByRole('radio', { name: 'A living copy' }).click();
  await expect(sheet.getByText('2 marks as annotations.')).toBeVisible();
  const download = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Download' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('How barnacles choose a rock – living.pdf');
  await expect(page.getByTestId('copy-made')).toContainText('The original stands in it unchanged.');
  await expect(page.getByTestId('proof')).toContainText('2 of 2 marks found');
  const bytes = new Uint8Array(readFileSync(await file.path()));
  expect(complaintOfQpdf(bytes)).toBeNull();

  await sheet.getByRole('radio', { name: 'Left out' }).click();
  await expect(sheet.getByText('1 mark as an annotation.')).toBeVisible();
  const without = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Download' }).click();
  await without;
  await expect(page.getByTestId('copy-made')).toContainText('1 annotation added.');

  // On a desk where nothing of it has ever been.
  const elsewhere = await browser.newContext();
  const other = await elsewhere.newPage();
  await other.goto('/');
  await other.getByRole('button', { name: 'Open Course handbook' }).waitFor({ timeout: 60_000 });
  await layFile(other, 'from a colleague.pdf', bytes);
  await other.getByRole('button', { name: /^Open How barnacles choose a rock \(2\)/ }).click();
  await drawn(other, 1);
  await expect.poll(() => inkOn(other, 1)).toBeGreaterThan(80);
  const seen = await inkOn(other, 1);
  // What came with it is no step of one's own: there is nothing to take back.
  await expect(other.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await openMarks(other);
  await other.getByRole('tab', { name: 'Notes' }).click();
  await expect(card(other, 1)).toContainText('Is that so?');
  await other.reload();
  await drawn(other, 1);
  await expect.poll(() => inkOn(other, 1)).toBe(seen);
  await elsewhere.close();
});
