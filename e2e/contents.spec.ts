import { expect, type Page, test } from '@playwright/test';
import { line, Pen } from './support/pen';
import { goToDocument, kept, openDocument, placeOn } from './support/reader';

/** Finding one's way by the contents, bookmarks of one's own, and links. */

const field = (page: Page) => page.getByRole('textbox', { name: /^Page, / });
const contents = (page: Page) => page.getByLabel('Contents', { exact: true });

test.beforeEach(async ({ page }) => {
  await goToDocument(page, 'Course handbook');
  await expect(field(page)).toHaveValue('i');
});

test('the contents lead to their places, bookmarks stand among them; both come back after a reload', async ({
  page,
}) => {
  await page.keyboard.press('c');
  const methods = contents(page).getByRole('link', { name: 'Methods, page 8' });
  await methods.click();
  await expect(field(page)).toHaveValue('8');
  await expect(methods).toHaveAttribute('aria-current', 'location');

  await page.getByRole('button', { name: 'Bookmark this place' }).click();
  const title = page.getByRole('textbox', { name: 'Title of the bookmark' });
  await expect(title).toHaveValue('Methods');
  await title.fill('Sampling with the square');
  await title.press('Enter');
  const own = contents(page).getByRole('link', { name: /^Bookmark, Sampling with the square/ });
  await expect(own).toBeVisible();
  await expect(page.locator('[data-flag]')).toHaveCount(1);
  const under = await own.evaluate((one) => one.getBoundingClientRect().top);
  expect(under).toBeGreaterThan(await methods.evaluate((m) => m.getBoundingClientRect().top));

  await field(page).fill('3');
  await field(page).press('Enter');
  await expect(field(page)).toHaveValue('3');
  await field(page).blur();
  await page.keyboard.press('b');
  await expect(title).toBeFocused();
  await page.keyboard.type('Whistle signals');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Mine' }).click();
  const rows = contents(page).getByRole('link');
  await expect(rows).toHaveText([/^Sampling/, /^Whistle/]);
  await page.getByRole('button', { name: 'More for the bookmark Whistle signals' }).click();
  await page.getByRole('menuitem', { name: 'Move up among my bookmarks' }).click();
  await expect(rows).toHaveText([/^Whistle/, /^Sampling/]);
  await kept(page);

  await page.reload();
  await expect(field(page)).toHaveValue('3');
  await expect(contents(page).getByRole('link', { name: /^Bookmark, / })).toHaveText([
    /^Whistle/,
    /^Sampling/,
  ]);
  await page.getByRole('button', { name: 'More for the bookmark Whistle signals' }).click();
  await page.getByRole('menuitem', { name: 'Remove' }).click();
  await expect(page.locator('[data-flag]')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-flag]')).toHaveCount(2);
});

test('links inside lead on and back again; one that leads out is shown first', async ({ page }) => {
  await field(page).fill('ii');
  await field(page).press('Enter');
  const link = page.getByRole('link', { name: 'Link: Page 14' });
  await expect(link).toBeAttached();
  const box = await link.boundingBox();
  if (!box) throw new Error('The link is not on the screen.');
  await page.mouse.move(box.x + 20, box.y + box.height / 2);
  await page.getByRole('button', { name: 'Follow the link: Page 14' }).click();
  await expect(field(page)).toHaveValue('14');
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(field(page)).toHaveValue('ii');
  await page.keyboard.press('Alt+ArrowRight');
  await expect(field(page)).toHaveValue('14');
  await page.keyboard.press('Alt+ArrowLeft');

  // A pen writes over links.
  await page.mouse.move(box.x + 20, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 160, box.y + box.height / 2 + 4, { steps: 8 });
  await page.mouse.up();
  await expect(field(page)).toHaveValue('ii');
  await page.keyboard.press('Control+z');

  const out = page.getByRole('link', { name: /^Link: station@/ });
  await out.focus();
  await page.keyboard.press('Enter');
  const asked = page.getByRole('dialog', { name: 'Write to this address?' });
  await expect(asked).toContainText('station@saltmarsh.example');
  await asked.getByRole('button', { name: 'Stay here' }).click();
  await expect(asked).toBeHidden();
});

test('all pages are seen small, with their marks; those with marks alone, and one is gone to by a tap', async ({
  page,
}) => {
  const pen = await Pen.of(page);
  await page.getByTestId('stage').focus();
  await page.keyboard.press('PageDown');
  await expect(field(page)).toHaveValue('ii');
  await pen.draw(line(await placeOn(page, 2, 0.3, 0.2), await placeOn(page, 2, 0.6, 0.21)));
  await page.keyboard.press('t');
  const table = page.getByLabel('Pages', { exact: true }).last();
  await expect(table.getByRole('button', { name: 'Page i', exact: true })).toBeVisible();
  await expect(table.locator('img').first()).toBeVisible();
  await page.getByRole('button', { name: 'With marks' }).click();
  await expect(table.getByRole('button')).toHaveCount(1);
  await expect(table.getByRole('button', { name: 'Page ii, 1 mark' })).toBeVisible();
  await page.getByRole('button', { name: 'With marks' }).click();
  await table.getByRole('button', { name: 'Page 2', exact: true }).click();
  await expect(field(page)).toHaveValue('2');

  // The page under the finger is shown while the fore-edge is scrubbed.
  const edge = await page.getByRole('slider', { name: /^Fore-edge/ }).boundingBox();
  if (!edge) throw new Error('There is no fore-edge.');
  await page.mouse.move(edge.x + 10, edge.y + 0.5 * edge.height);
  await page.mouse.down();
  const preview = page.getByTestId('scrubbed-page');
  await expect(preview.locator('img')).toBeVisible();
  await page.mouse.up();
  await expect(preview).toBeHidden();
});

test('a document without contents gets them from its headings, when asked', async ({ page }) => {
  await page.getByRole('button', { name: 'Back to the desk' }).click();
  await openDocument(page, 'How barnacles choose a rock');
  await page.getByTestId('stage').focus();
  await page.keyboard.press('c');
  await page.getByRole('button', { name: 'Make contents from the headings' }).click();
  const heading = contents(page).getByRole('link', { name: /^Six feeding stages and one/ });
  await expect(heading).toBeVisible();
  await expect(page.getByText(/the file has no contents of its own/)).toBeVisible();
  await contents(page)
    .getByRole('link', { name: /, page 3$/ })
    .first()
    .click();
  await expect(field(page)).toHaveValue('3');
  // They are there again.
  await kept(page);
  await page.reload();
  await expect(heading).toBeVisible();
});
