import { expect, test } from '@playwright/test';
import {
  drawn,
  goOver,
  goToDocument,
  kept,
  openMarks,
  openWorksheet,
  placeOn,
  take,
} from './support/reader';
import { copyOf, field, next, textOf } from './support/typing';

/** Filling in forms: squares to tick, cells for letters; text that suits the room it has. */

test('a printed square is ticked with a tap, crossed with a second, and bare again with a third', async ({
  page,
}) => {
  await goToDocument(page, 'Course handbook');
  await page.getByRole('textbox', { name: /^Page, / }).fill('1');
  await page.keyboard.press('Enter');
  await drawn(page, 3);
  await take(page, 'Answer text');
  // The first square of the list, where the sample draws it.
  const first = await placeOn(page, 3, 0.1378, 0.301);
  const tap = async (): Promise<void> => {
    await page.mouse.click(first[0], first[1]);
    await kept(page);
  };
  await tap();
  await openMarks(page);
  await expect(page.getByRole('button', { name: /^Go to Tick/ })).toHaveCount(1);
  await tap();
  await expect(page.getByRole('button', { name: /^Go to Cross/ })).toHaveCount(1);
  await tap();
  await expect(page.getByRole('button', { name: /^Go to (Tick|Cross)/ })).toHaveCount(0);
  await expect(field(page)).toBeHidden();
});

test('letters stand in the cells of a form: found where they are printed, Tab goes from one row of cells to the next', async ({
  page,
}) => {
  await goToDocument(page, 'Equipment form');
  await page.keyboard.press('e');
  await expect(field(page)).toBeFocused();
  await page.keyboard.type('Ines Mara');
  await next(page, '07');
  await next(page, 'MARA');
  // In the middle of what is there; each letter has a cell of its own at once.
  for (let k = 0; k < 2; k++) await page.keyboard.press('ArrowLeft');
  await page.keyboard.type('NTA');
  await expect(field(page)).toHaveText('MANTARA');
  const letters = await field(page)
    .locator('span > span')
    .evaluateAll((all) => all.map((one) => one.getBoundingClientRect().x));
  const steps = letters.slice(1).map((x, k) => x - letters[k]);
  expect(letters).toHaveLength(7);
  for (const step of steps) expect(Math.abs(step - steps[0])).toBeLessThan(0.1);
  await page.keyboard.press('Backspace');
  await expect(field(page)).toHaveText('MANTRA');
  // A space has a cell as well.
  await page.keyboard.press('Home');
  await page.keyboard.press('End');
  await page.keyboard.type(' RAY');
  await expect(field(page)).toHaveText('MANTRA RAY');
  for (const part of ['04', '05', '2026', '30771904']) await next(page, part);
  await page.keyboard.press('Escape');
  const said = textOf(await copyOf(page));
  expect(said).toContain('MANTRA RAY');
  expect(said).toMatch(/04\s+05\s+2026\s+30771904/);
});

test('lists are numbered while they are typed; letters shrink where a box keeps its height', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  await take(page, 'Answer text');
  const sheet = page.getByRole('dialog', { name: 'Answer text' });
  if (!(await sheet.isVisible())) await take(page, 'Answer text');
  await sheet.getByRole('radio', { name: 'Numbers' }).click();
  await sheet.getByRole('switch', { name: /^Keep the box’s height/ }).click();
  await sheet.getByRole('button', { name: 'Close', exact: true }).click();
  const [x, y] = await placeOn(page, 1, 0.3, 0.04);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 220, y + 70, { steps: 5 });
  await page.mouse.up();
  await expect(field(page)).toBeFocused();
  await page.keyboard.type('limpets');
  await page.keyboard.press('Enter');
  await page.keyboard.type('barnacles');
  const items = field(page).locator('> span');
  await expect(items).toHaveCount(2);
  expect(await items.evaluateAll((all) => all.map((one) => getComputedStyle(one).display))).toEqual(
    ['list-item', 'list-item'],
  );
  const heightOf = async () => (await field(page).boundingBox())?.height ?? 0;
  const before = await heightOf();
  for (const item of ['mussels', 'periwinkles', 'crabs', 'anemones']) {
    await page.keyboard.press('Enter');
    await page.keyboard.type(item);
  }
  await page.keyboard.type(' ');
  // Six lines where there was room for three.
  await expect.poll(heightOf).toBeLessThan(before + 12);
  // At the head of an item Backspace joins it to the one before.
  await page.keyboard.press('Home');
  await page.keyboard.press('Backspace');
  await expect(field(page)).toHaveText(/crabsanemones/);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Escape');
  const said = textOf(await copyOf(page));
  for (const item of ['1. limpets', '2. barnacles', '6. anemones']) expect(said).toContain(item);
});

test('printed words are put onto a line as an answer, for who cannot type', async ({ page }) => {
  const pen = await openWorksheet(page);
  await take(page, 'Word picker');
  await goOver(page, pen, [0.12, 0.087], [0.36, 0.087]);
  const chip = page.getByRole('group', { name: 'Selected words' });
  await chip.getByRole('button', { name: 'More for these words' }).click();
  await page.getByRole('menuitem', { name: 'Use as an answer' }).click();
  await expect(page.getByText(/Tap where “.+” goes\./)).toBeVisible();
  await page.mouse.click(...(await placeOn(page, 1, 0.3, 0.245)));
  await kept(page);
  await expect(field(page)).toBeHidden();
  await openMarks(page);
  await expect(page.getByRole('button', { name: /^Go to Text/ })).toHaveCount(1);
});
