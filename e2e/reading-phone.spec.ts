import { expect, type Page, test } from '@playwright/test';
import { Pen } from './support/pen';
import {
  command,
  dragGrip,
  goOver,
  goToDocument,
  inkOn,
  openMarks,
  placeOn,
  take,
} from './support/reader';
import { said, standInVoice, voice } from './support/voice';

/** Marking words and finding one's way on a phone. */

const field = (page: Page) => page.getByRole('textbox', { name: /^Page/ });

/** What the rows of the list of marks say. */
async function listed(page: Page): Promise<string[]> {
  await openMarks(page);
  const rows = page.getByRole('button', { name: /^Go to / });
  await expect(rows.first()).toBeVisible();
  const names = await rows.evaluateAll((all) => all.map((row) => row.getAttribute('aria-label')));
  await page.keyboard.press('Escape');
  await expect(rows.first()).toBeHidden();
  return names.map((name) => String(name).replace(/^Go to /, ''));
}

test('words are marked, over columns and pages, joined, made fewer, rubbed out word by word, and looked up', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  await take(page, 'Word highlighter');
  await goOver(page, pen, [0.13, 0.188], [0.28, 0.188]);
  await expect.poll(() => inkOn(page, 1, 'highlights')).toBeGreaterThan(100);
  await goOver(page, pen, [0.35, 0.188], [0.2, 0.2145]);
  await expect
    .poll(() => listed(page))
    .toEqual(['Text highlight, Sap green, page 1, An adult barnacle cannot walk away from']);

  await take(page, 'Picker');
  const at = await placeOn(page, 1, 0.2, 0.188);
  await pen.draw([at, at]);
  // It hangs beneath its line.
  await dragGrip(page, 'End of what is marked', [0.2, 0.208]);
  await expect
    .poll(() => listed(page))
    .toEqual([expect.stringMatching(/^Text highlight, Sap green, page 1, An adult( barnacle)?$/)]);

  await take(page, 'Eraser');
  await take(page, 'Eraser');
  await page.getByRole('radio', { name: 'What it passes over' }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await goOver(page, pen, [0.14, 0.184], [0.14, 0.192]);
  await expect.poll(() => listed(page)).toEqual([expect.not.stringContaining('An adult')]);

  // From the last words of a column to the first of the next, and over the border of the page.
  await take(page, 'Word highlighter');
  await goOver(page, pen, [0.3, 0.905], [0.65, 0.165]);
  await expect
    .poll(() => listed(page))
    .toContainEqual(expect.stringMatching(/page 1, .*hours, from counting/));
  await goOver(page, pen, [0.6, 0.888, 1], [0.2, 0.09, 2]);
  await expect.poll(() => listed(page)).toContainEqual(expect.stringMatching(/page 2, working/));
});

test('search, contents with a bookmark, back and forward, and reading aloud', async ({ page }) => {
  await standInVoice(page, 1);
  await goToDocument(page, 'Course handbook');

  await openMarks(page);
  await page.getByRole('tab', { name: 'Search' }).click();
  await page.getByRole('searchbox', { name: 'Search the document' }).fill('whistle');
  const status = page.locator('[data-hits]').first();
  await expect(status).toHaveText(/^\d+ hits$/);
  const all = Number(await status.getAttribute('data-hits'));
  expect(all).toBeGreaterThan(1);
  await page
    .getByLabel('Hits', { exact: true })
    .getByRole('button', { name: /^Page/ })
    .first()
    .click();
  // The panel makes way; a strip goes on from hit to hit.
  const strip = page.getByRole('group', { name: 'Search for whistle' });
  await expect(strip).toBeVisible();
  await expect(page.getByTestId('hits-on-page').first()).toBeVisible();
  await expect(page.locator('[data-hit]').first()).toBeVisible();
  await strip.getByRole('button', { name: 'Next hit' }).click();
  await expect(strip).toContainText(`2 of ${all}`);
  await strip.getByRole('button', { name: 'Hit before' }).click();
  await expect(strip).toContainText(`1 of ${all}`);
  await page.keyboard.press('Escape');
  await expect(strip).toBeHidden();

  await openMarks(page);
  await page.getByRole('tab', { name: 'Contents' }).click();
  const contents = page.getByLabel('Contents', { exact: true });
  await contents.getByRole('link', { name: 'Methods, page 8' }).click();
  await expect(field(page)).toHaveValue('8');
  await command(page, 'Bookmark this place');
  const title = page.getByRole('textbox', { name: 'Title of the bookmark' });
  await title.fill('Sampling');
  await title.press('Enter');
  const own = contents.getByRole('link', { name: /^Bookmark, Sampling/ });
  await expect(own).toBeVisible();
  const [above, below] = [contents.getByRole('link', { name: 'Methods, page 8' }), own];
  const top = (row: typeof own) => row.evaluate((one) => one.getBoundingClientRect().top);
  expect(await top(below)).toBeGreaterThan(await top(above));
  await page.keyboard.press('Escape');
  await command(page, /^Back/);
  await expect(field(page)).not.toHaveValue('8');
  await command(page, /^Forward/);
  await expect(field(page)).toHaveValue('8');

  await command(page, 'Read aloud from here');
  await expect.poll(async () => (await said(page)).length).toBe(1);
  await expect(page.getByTestId('being-read').locator('polygon').first()).toBeVisible();
  await voice(page, 'end');
  await expect.poll(async () => (await said(page)).length).toBe(2);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('group', { name: 'Reading aloud' })).toBeHidden();
});
