import { readFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import { PNG } from 'pngjs';
import { layeredPdf, lockedPdf, taggedPdf } from '../core/testing/pdfs';
import { addFile, drawn, openDesk, openDocument, pageBox } from './support/reader';

const sheet = (page: Page) => page.getByRole('dialog', { name: 'About this document' });

test('a document says what kind it is, and what its file says of itself', async ({ page }) => {
  await openDesk(page);
  await openDocument(page, 'How barnacles choose a rock');
  await page.keyboard.press('i');
  await expect(sheet(page)).toContainText('Text: its words can be marked');
  await expect(sheet(page)).toContainText('6, A4, 210 × 297 mm');
  await page.keyboard.press('Escape');
  await page.goBack();
  await openDocument(page, 'Tide log, scanned');
  await page.keyboard.press('i');
  await expect(sheet(page)).toContainText('Scanned: its pages are pictures');
});

test('layers are shown and hidden, attachments saved under a name without a path', async ({
  page,
}) => {
  await openDesk(page);
  await addFile(page, 'pools.pdf', await layeredPdf());
  await page.waitForURL('**/read/**');
  await drawn(page, 1);
  await page.keyboard.press('Control+9');
  await page.waitForTimeout(500);
  const answerAt = async (): Promise<number> => {
    const box = await pageBox(page, 1).boundingBox();
    if (!box) throw new Error('The page is not on the screen.');
    const clip = {
      x: box.x + (210 / 300) * box.width,
      y: box.y + (250 / 400) * box.height,
      width: 4,
      height: 4,
    };
    return PNG.sync.read(await page.screenshot({ clip })).data[0];
  };
  expect(await answerAt()).toBeGreaterThan(240);
  await page.keyboard.press('i');
  await expect(sheet(page)).toContainText('Saltmarsh Field Station');
  const saved = page.waitForEvent('download');
  await sheet(page).getByRole('button', { name: 'Save pools.csv' }).click();
  expect((await saved).suggestedFilename()).toBe('pools.csv');
  expect(await readFile(await (await saved).path(), 'utf8')).toContain('limpet');
  await sheet(page).getByRole('switch', { name: 'Answers' }).click();
  await expect(sheet(page).getByRole('switch', { name: 'Answers' })).toBeChecked();
  await page.keyboard.press('Escape');
  await expect(sheet(page)).toBeHidden();
  await expect.poll(answerAt).toBeLessThan(40);
});

test('a file that asks that its words be not copied says so', async ({ page }) => {
  await openDesk(page);
  await addFile(page, 'locked.pdf', await lockedPdf(''));
  await page.waitForURL('**/read/**');
  await drawn(page, 1);
  await page.keyboard.press('i');
  await expect(sheet(page)).toContainText('Its author asks that its words not be copied.');
});

test('a tagged file says so, and what its pictures show is there for those who do not see them', async ({
  page,
}) => {
  await openDesk(page);
  await addFile(page, 'tagged.pdf', await taggedPdf());
  await page.waitForURL('**/read/**');
  await drawn(page, 1);
  await expect(page.getByRole('img', { name: 'A limpet from the side' })).toBeAttached();
  await page.keyboard.press('i');
  await expect(sheet(page)).toContainText('Tagged: it says what is a heading');
});
