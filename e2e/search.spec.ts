import { expect, type Page, test } from '@playwright/test';
import { line, Pen } from './support/pen';
import { goToDocument, kept, openDesk, openDocument, placeOn, take } from './support/reader';

/** Finding printed words again. */

const field = (page: Page) => page.getByRole('searchbox', { name: 'Search the document' });
const status = (page: Page) => page.locator('[data-hits]');

async function search(page: Page, term: string): Promise<void> {
  await page.keyboard.press('Control+f');
  await field(page).fill(term);
}

test('words are found as one types, framed on the page and shown along the fore-edge; next and before go round', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  await search(page, 'CYPRID');
  // All pages have been read.
  await expect(status(page)).toHaveText(/^\d+ hits$/);
  const all = Number(await status(page).getAttribute('data-hits'));
  await expect(page.locator('[data-hit]').first()).toBeVisible();
  await expect(page.getByTestId('hits-on-page').first()).toBeVisible();

  await field(page).press('Enter');
  await expect(status(page)).toHaveText(`1 of ${all}`);
  await field(page).press('Shift+Enter');
  await expect(status(page)).toHaveText(`${all} of ${all}`);
  await page.keyboard.press('F3');
  await expect(status(page)).toHaveText(`1 of ${all}`);

  const rows = page.getByLabel('Hits', { exact: true });
  await rows.getByRole('button', { name: /^Page/ }).nth(3).click();
  await expect(status(page)).toHaveText(`4 of ${all}`);

  await page.getByRole('button', { name: 'Whole word' }).click();
  await expect(status(page)).not.toHaveAttribute('data-hits', String(all));

  await page.getByRole('button', { name: 'Close search' }).click();
  const strip = page.getByRole('group', { name: 'Search for CYPRID' });
  await expect(strip).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(strip).toBeHidden();
  await expect(page.getByTestId('hits-on-page')).toHaveCount(0);
});

test('a document of 800 pages is searched while one reads on; a hit far away can be come back from', async ({
  page,
}) => {
  await openDesk(page);
  await page.getByRole('button', { name: /Add “Tide almanac”/ }).click();
  await openDocument(page, 'Tide almanac');
  await search(page, '4.72');
  await expect(status(page)).toContainText('pages read');
  await expect(status(page)).not.toContainText('pages read', { timeout: 60_000 });
  await search(page, 'station 400');
  await expect(status(page)).toHaveText('1 hit');
  await page.keyboard.press('F3');
  await expect(page.getByRole('textbox', { name: /^Page, 1 to/ })).not.toHaveValue('1');
  await page.keyboard.press('Control+[');
  await expect(page.getByRole('textbox', { name: /^Page, 1 to/ })).toHaveValue('1');
});

test('what is a picture of print is said', async ({ page }) => {
  await goToDocument(page, 'Tide log, scanned');
  await search(page, 'tide');
  await expect(status(page)).toHaveText('Not found in print');
  await expect(page.getByText(/no words can be read/)).toBeVisible();
});

test('hits on words that are marked, or that ink means, are known by the colour of that', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  await take(page, 'Word highlighter');
  await pen.draw(line(await placeOn(page, 1, 0.13, 0.158), await placeOn(page, 1, 0.35, 0.158)));
  await take(page, 'Marking pen');
  await pen.draw(line(await placeOn(page, 1, 0.157, 0.197), await placeOn(page, 1, 0.3, 0.198)));
  await kept(page);
  const rows = page.getByLabel('Hits', { exact: true });
  for (const term of ['decision made', 'adult barnacle']) {
    await search(page, term);
    await expect(status(page)).toContainText('1 marked');
    await expect(rows.getByRole('button', { name: /^Page 1, marked/ })).toBeVisible();
  }
});
