import { expect, type Page, test } from '@playwright/test';
import { command, drawn, inkOn, kept, openDesk, openWorksheet } from './support/reader';
import { sound } from './support/sound';

/** Sheets of paper that are photographed. */

const sheetOf = (page: Page) => page.getByRole('dialog', { name: 'Photograph paper' });
const cornersOf = (page: Page) =>
  sheetOf(page).getByRole('group', { name: 'Corners of the sheet' });

async function chooseFiles(
  page: Page,
  files: { name: string; mimeType: string; buffer: Buffer }[],
) {
  const chooser = page.waitForEvent('filechooser');
  await sheetOf(page).getByRole('button', { name: 'Choose photographs' }).click();
  await (await chooser).setFiles(files);
}

/** The sample photograph, whose sheet is found. */
async function takeSample(page: Page): Promise<void> {
  await sheetOf(page).getByRole('button', { name: 'Use a sample photograph' }).click();
  await expect(sheetOf(page).getByText('Are these the corners of the sheet?')).toBeVisible();
}

test('photographed sheets become a document: corners found, moved by keys, laid straight, several pages', async ({
  page,
}) => {
  await openDesk(page);
  await page.getByRole('button', { name: 'Photograph paper' }).click();
  await takeSample(page);
  await sound(page);
  const corner = cornersOf(page).getByRole('button', { name: 'Upper left corner of the sheet' });
  const before = await corner.boundingBox();
  await corner.focus();
  for (let k = 0; k < 5; k++) await page.keyboard.press('ArrowRight');
  expect((await corner.boundingBox())?.x).toBeGreaterThan((before?.x ?? 0) + 2);
  await sheetOf(page).getByRole('button', { name: 'See it straight' }).click();
  const straight = sheetOf(page).getByRole('img', { name: 'The page that comes of it' });
  await expect(straight).toBeVisible();
  await sheetOf(page).getByRole('button', { name: 'Back to the corners' }).click();
  await expect(corner).toBeVisible();

  // What is no photograph is said, and nothing else is lost.
  await chooseFiles(page, [
    { name: 'Torn.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no photograph') },
  ]);
  await expect(sheetOf(page).getByText(/“Torn.jpg” is/)).toBeVisible();
  const second = await page.request.get('/demo/photographed-sheet.jpg');
  await chooseFiles(page, [
    { name: 'Second.jpg', mimeType: 'image/jpeg', buffer: await second.body() },
  ]);
  const strip = sheetOf(page).getByRole('group', { name: 'Photographs' });
  await expect(strip.getByRole('button')).toHaveCount(2);
  await sheetOf(page).getByRole('button', { name: 'Make a document of 2 pages' }).click();
  await expect(page).toHaveURL(/\/read\//);
  await drawn(page, 1);
  await expect(page.getByText('/ 2', { exact: true })).toBeVisible();
});

test('a photographed sheet is put on a page as a picture', async ({ page }) => {
  await openWorksheet(page);
  await command(page, 'Photograph a sheet of paper for the page');
  await takeSample(page);
  await sheetOf(page).getByRole('button', { name: 'Put it on the page' }).click();
  await expect(sheetOf(page)).toBeHidden();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(1000);
  await kept(page);
});
