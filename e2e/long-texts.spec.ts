import { expect, type Page, test } from '@playwright/test';
import { kept } from './support/reader';
import { field, typeOnLine } from './support/typing';

/** Texts of many paragraphs, and longer than their page. */

const PARAGRAPH = 'the tide leaves pools where barnacles wait '.repeat(30).trim();

/** Where the caret is seen, CSS pixels from the head of the window. */
const caretAt = (page: Page): Promise<number> =>
  page.evaluate(() => document.getSelection()?.getRangeAt(0).getBoundingClientRect().bottom ?? 0);

test('in a long text every paragraph is laid out by itself: joined and parted as ever, and copied as it is', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await typeOnLine(page);
  const one = PARAGRAPH;
  for (let k = 0; k < 2; k++) {
    await page.keyboard.insertText(one);
    await page.keyboard.press('Enter');
  }
  await page.keyboard.type('last');
  const parts = field(page).locator('> span');
  await expect(parts).toHaveCount(3);
  await page.keyboard.press('Home');
  await page.keyboard.press('Backspace');
  await expect(parts).toHaveCount(2);
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Delete');
  await expect(parts).toHaveCount(2);
  const text = async () => field(page).evaluate((element) => element.textContent);
  expect(await text()).toBe(`${one}\n${one}last`);
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+c');
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(`${one}\n${one}last`);
  await page.keyboard.type('x');
  expect(await text()).toBe('x');
  await page.keyboard.press('Control+z');
  expect(await text()).toBe(`${one}\n${one}last`);
});

test('of a text that is longer than its page one sees what one types; what lies beyond the edge is told', async ({
  page,
}) => {
  await typeOnLine(page);
  await page.keyboard.insertText(Array.from({ length: 20 }, () => PARAGRAPH).join('\n'));
  await page.keyboard.type('so');
  await expect.poll(() => caretAt(page)).toBeLessThan(780);
  expect(await caretAt(page)).toBeGreaterThan(60);
  await page.keyboard.press('Escape');
  await expect(page.getByText('The text is longer than its page.')).toBeVisible();
  await kept(page);
  // The pages are in sight again, and nothing beyond them.
  await page.getByTestId('stage').focus();
  await page.keyboard.press('End');
  const { y, height } = (await page.locator('[data-page="2"]').boundingBox()) ?? {};
  expect((y ?? 0) + (height ?? 0)).toBeGreaterThan(700);
});

test('of a hundred thousand letters and more that are pasted those a box holds are there, and that is said', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await typeOnLine(page);
  const much = Array.from({ length: 90 }, () => PARAGRAPH).join('\n');
  await page.evaluate((text) => navigator.clipboard.writeText(text), `\u0007${much}`);
  await page.keyboard.press('Control+v');
  await expect(page.getByText(/^A text box holds 100,000 characters/)).toBeVisible();
  const text = await field(page).evaluate((element) => element.textContent);
  expect(text).toBe(much.slice(0, 100_000));
  await page.keyboard.press('Control+z');
  await expect(field(page)).toHaveText('');
});
