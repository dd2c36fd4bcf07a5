import { expect, test } from '@playwright/test';
import { annotatedPdf } from '../core/testing/annotatedPdf';
import { addFile, drawn, inkOn, openDesk, openDocument, openMarks } from './support/reader';

test('what others have written with another program becomes marks and notes, to be changed and answered', async ({
  page,
}) => {
  await openDesk(page);
  await addFile(page, 'How barnacles settle.pdf', await annotatedPdf());
  await expect(
    page.getByText(
      'Ada Rowan and Tom Ferrier have written on this PDF with another program: 10 marks and notes.',
    ),
  ).toBeVisible();
  await expect(page.getByText('1 stamp stays in the print either way.')).toBeVisible();
  await page.getByRole('button', { name: 'Take them up as marks' }).click();
  await drawn(page, 1);
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(500);
  await openMarks(page);
  const list = page.getByRole('complementary', { name: 'Marks' });
  await expect(list).toContainText('Barnacles settle');
  await expect(list).toContainText('feel the rock');
  await expect(list).toContainText('Compare with the limpets');

  const notes = page.getByRole('tab', { name: 'Notes' });
  await notes.click();
  const all = page.getByRole('complementary', { name: 'Notes' });
  await expect(all).toContainText('This page wants a picture.');
  await expect(all).toContainText('1 answer · Settled');

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
