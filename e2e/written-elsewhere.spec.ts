import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { annotatedPdf } from '../core/testing/annotatedPdf';
import {
  addFile,
  command,
  drawn,
  inkOn,
  openDesk,
  openDocument,
  openMarks,
  openSend,
} from './support/reader';

test('what others have written with another program becomes marks and notes, to be changed and answered', async ({
  page,
}) => {
  await openDesk(page);
  await addFile(page, 'How barnacles settle.pdf', await annotatedPdf());
  await expect(
    page.getByText(
      'Ada Rowan and Tom Ferrier have written on this PDF with another program: 11 marks and notes.',
    ),
  ).toBeVisible();
  await expect(page.getByText('in the print either way')).toHaveCount(0);
  await page.getByRole('button', { name: 'Take them up as marks' }).click();
  await drawn(page, 1);
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(500);
  await openMarks(page);
  const list = page.getByRole('complementary', { name: 'Marks' });
  await expect(list).toContainText('Barnacles settle');
  await expect(list).toContainText('feel the rock');
  await expect(list).toContainText('Compare with the limpets');
  // The stamp is a picture now.
  await expect(list).toContainText('Picture');

  const notes = page.getByRole('tab', { name: 'Notes' });
  await notes.click();
  const all = page.getByRole('complementary', { name: 'Notes' });
  await expect(all).toContainText('This page wants a picture.');
  await expect(all).toContainText('1 answer · Settled');

  // What leaves says who wrote it, unless that is left out.
  const send = await openSend(page);
  await send.getByRole('radio', { name: 'Notes as text' }).click();
  const said = page.getByTestId('notes-alone');
  await expect(said).toContainText('Tom Ferrier');
  await send.getByRole('switch', { name: 'Say who made marks and notes' }).click();
  await expect(said).not.toContainText('Tom Ferrier');
  await expect(said).toContainText('A larva that could not wait.');
  await page.keyboard.press('Escape');

  // It stays when it is opened again, and is not asked again; the same file is known.
  await page.goto('/');
  await addFile(page, 'How barnacles settle.pdf', await annotatedPdf());
  await expect(page.getByText('“How barnacles settle” is already on the desk.')).toBeVisible();
  await openDocument(page, 'How barnacles settle');
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(500);
});

test('left in the print it is part of it', async ({ page }) => {
  await openDesk(page);
  await addFile(page, 'How barnacles settle.pdf', await annotatedPdf());
  await page.getByRole('button', { name: 'Leave them in the print' }).click();
  await drawn(page, 1);
  expect(await inkOn(page, 1)).toBe(0);
  await page.reload();
  await drawn(page, 1);
});

test('marks leave as XFDF and come into another document, in one step that can be undone', async ({
  page,
}) => {
  await openDesk(page);
  await addFile(page, 'How barnacles settle.pdf', await annotatedPdf());
  await page.getByRole('button', { name: 'Take them up as marks' }).click();
  await drawn(page, 1);
  const download = page.waitForEvent('download');
  await command(page, 'Marks as XFDF');
  const file = await download;
  expect(file.suggestedFilename()).toBe('How barnacles settle.xfdf');
  const bytes = readFileSync(await file.path());
  expect(bytes.toString()).toContain('<contents>Who was the first, then?</contents>');

  await page.goto('/');
  await openDocument(page, 'Rock-pool zones');
  const before = await inkOn(page, 1);
  const bring = async (name: string, buffer: Buffer): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await command(page, 'Bring in marks');
    await (await chooser).setFiles({ name, mimeType: 'application/xml', buffer });
  };
  await bring('broken.xfdf', Buffer.from('<xfdf'));
  await expect(page.getByText(/broken\.xfdf: This XFDF file is not well-formed/)).toBeVisible();
  await bring('marks.xfdf', bytes);
  await expect(page.getByText('What was marked elsewhere is here now.')).toBeVisible();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(before + 500);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect.poll(() => inkOn(page, 1)).toBe(before);
});
