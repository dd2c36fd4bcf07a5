import { expect, type Page, test } from '@playwright/test';
import { handwriting } from './support/handwriting';
import { circle, line, Pen, type Point, wave } from './support/pen';
import { command, inkOn, kept, openWorksheet, pageBox, placeOn, take } from './support/reader';

let pen: Pen;
test.beforeEach(async ({ page }) => {
  await openWorksheet(page);
  pen = await Pen.of(page);
});

const open = (page: Page) => page.getByRole('button', { name: 'List of marks' }).click();
const rows = (page: Page) => page.getByRole('button', { name: /^Go to / });

/** A highlight over a printed line, a circle made a figure, a wave, and one on the second page. */
async function mark(page: Page): Promise<void> {
  const width = (await pageBox(page, 1).boundingBox())?.width ?? 0;
  await take(page, 'Broad highlighter');
  const from = await placeOn(page, 1, 0.13, 0.21);
  await pen.draw(line(from, [from[0] + 0.3 * width, from[1]]));
  await take(page, 'Figure pen');
  const at = await placeOn(page, 1, 0.6, 0.3);
  await pen.draw(circle(at[0], at[1], 0.07 * width));
  await kept(page);
  await page.keyboard.press('Escape');
  await take(page, 'Fine pen');
  const [x, y] = await placeOn(page, 1, 0.2, 0.31);
  await pen.draw(wave(x, y, 0.2 * width));
  await kept(page);
}

test('every mark is listed in reading order, with the words beneath; one is gone to and pulses', async ({
  page,
}) => {
  await mark(page);
  await open(page);
  await expect(rows(page)).toHaveCount(3);
  await expect(rows(page).first()).toHaveAccessibleName(
    /Highlight, Weld yellow, page 1, .*Which zone of the shore/,
  );
  await expect(page.getByText('3 marks')).toBeVisible();
  const before = await pageBox(page, 1).boundingBox();
  await rows(page).first().click();
  await expect(page.getByTestId('pulse')).toBeAttached();
  await expect(page.getByTestId('pulse')).toBeHidden({ timeout: 5000 });
  expect(before?.width).toBeCloseTo((await pageBox(page, 1).boundingBox())?.width ?? 0, 0);
});

test('the list is searched and narrowed, several are picked, restyled and removed, and come back', async ({
  page,
}) => {
  await mark(page);
  await open(page);
  await page.getByPlaceholder('Search the marks').fill('zone');
  await expect(rows(page)).toHaveCount(1);
  await page.getByPlaceholder('Search the marks').fill('no such word');
  await expect(page.getByText('No mark fits.')).toBeVisible();
  await page.getByPlaceholder('Search the marks').fill('');
  await page.getByRole('button', { name: 'Filter' }).click();
  const panel = await page.getByRole('complementary', { name: 'Marks' }).boundingBox();
  const last = await page.getByRole('textbox', { name: 'To page' }).boundingBox();
  expect((last?.x ?? NaN) + (last?.width ?? NaN)).toBeLessThan(
    (panel?.x ?? 0) + (panel?.width ?? 0) - 8,
  );
  await page.getByRole('radio', { name: 'Figures' }).click();
  await expect(rows(page)).toHaveCount(1);
  await expect(rows(page).first()).toHaveAccessibleName(/^Go to Circle, Verdigris green/);
  await page.getByRole('button', { name: 'Clear filters' }).click();
  await page.getByRole('button', { name: 'Pick all' }).click();
  await page.getByRole('button', { name: 'Remove 3', exact: true }).click();
  await expect(page.getByText('Nothing is marked yet.')).toBeVisible();
  await kept(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(100);
});

test('a scribble over writing offers to strike it out; taken, both go; undone, both are there', async ({
  page,
}) => {
  const width = (await pageBox(page, 1).boundingBox())?.width ?? 0;
  const size = 0.03 * width;
  const [x, y] = await placeOn(page, 1, 0.3, 0.3);
  for (const stroke of handwriting('sea', x, y, size)) await pen.draw(stroke, { pause: 2 });
  await kept(page);
  const before = await inkOn(page, 1);
  const w = 2.4 * size;
  const scribble: Point[] = Array.from({ length: 9 }, (_, i): Point => [
    i % 2 === 0 ? x - size / 2 : x + w,
    y - size + (1.5 * size * i) / 9,
  ]).flatMap((p, i, all) => (i === 0 ? [p] : line(all[i - 1], p, 8)));
  await pen.draw(scribble, { pause: 2 });
  await page.getByRole('button', { name: /^Remove the \d+ marks beneath/ }).click();
  await expect.poll(() => inkOn(page, 1)).toBe(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => inkOn(page, 1)).toBe(before);
});

test('marks are signed, and those of others that are locked can be unlocked from the list', async ({
  page,
}) => {
  await command(page, 'Settings');
  await page.getByRole('textbox', { name: 'Your name' }).fill('Rosa');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  const [x, y] = await placeOn(page, 1, 0.3, 0.3);
  await pen.draw(wave(x, y, 60));
  await kept(page);
  await take(page, 'Picker');
  await pen.draw([
    [x + 2, y],
    [x + 2, y],
  ]);
  await page.getByRole('button', { name: 'More for the ink' }).click();
  await page.getByRole('button', { name: 'Lock', exact: true }).click();
  await open(page);
  await expect(page.getByText(/Rosa ·/)).toBeVisible();
  await page.getByRole('button', { name: /^Unlock Ink/ }).click();
  await expect(page.getByRole('checkbox', { name: /^Pick Ink/ })).toBeVisible();
});
