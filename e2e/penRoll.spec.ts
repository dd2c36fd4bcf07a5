import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { line, type Pen, wave } from './support/pen';
import {
  command,
  drawn,
  inkOn,
  kept,
  layerPicture,
  openWorksheet,
  placeOn,
  rowsCovered,
  take,
} from './support/reader';

let pen: Pen;
test.beforeEach(async ({ page }) => {
  pen = await openWorksheet(page);
});

const names = (page: Page) =>
  page
    .locator('[data-roll] [role=button]')
    .evaluateAll((all) => all.map((e) => (e.getAttribute('aria-label') ?? '').split(',')[0]));
const sheet = (page: Page) => page.getByRole('dialog');
const close = (page: Page) =>
  sheet(page).getByRole('button', { name: 'Close', exact: true }).click();

test('instruments are added, copied, moved by hand and by button, removed, and laid out anew', async ({
  page,
}) => {
  const first = await names(page);
  await page.getByRole('button', { name: 'Add an instrument' }).click();
  await sheet(page).getByRole('button', { name: 'Brush' }).click();
  await expect(sheet(page)).toBeHidden();
  expect(await names(page)).toEqual([...first, 'Brush']);

  // It is in hand: a press opens its sheet.
  await take(page, 'Brush');
  await sheet(page).getByRole('button', { name: 'Copy' }).click();
  await expect(sheet(page)).toBeHidden();
  expect(await names(page)).toEqual([...first, 'Brush', 'Brush']);
  await page
    .getByRole('button', { name: /^Brush/ })
    .last()
    .click();
  await sheet(page).getByRole('button', { name: 'Move earlier' }).click();
  await sheet(page).getByRole('button', { name: 'Remove' }).click();
  await expect(sheet(page)).toBeHidden();
  expect(await names(page)).toEqual([...first, 'Brush']);

  const from = await page.getByRole('button', { name: /^Marking pen/ }).boundingBox();
  if (!from) throw new Error('The marking pen is not in the roll.');
  await page.mouse.move(from.x + 20, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 20, from.y + 60, { steps: 4 });
  await page.mouse.move(from.x + 20, from.y + 116, { steps: 4 });
  await page.mouse.up();
  const moved = [first[0], first[2], first[3], first[1], ...first.slice(4), 'Brush'];
  expect(await names(page)).toEqual(moved);

  await page.reload();
  await drawn(page, 1);
  expect(await names(page)).toEqual(moved);
  await page.getByRole('button', { name: 'Add an instrument' }).click();
  await sheet(page).getByRole('button', { name: 'Back to the first roll' }).click();
  expect(await names(page)).toEqual(first);
});

test('an ink is picked from the page and kept among the person’s own', async ({ page }) => {
  await take(page, 'Broad highlighter');
  const a = await placeOn(page, 1, 0.3, 0.33);
  const b = await placeOn(page, 1, 0.6, 0.33);
  await pen.draw(line(a, b));
  await kept(page);
  await take(page, 'Fine pen');
  await take(page, 'Fine pen');
  await sheet(page).getByRole('button', { name: 'Pick from the page' }).click();
  await expect(page.getByText('Touch the page where the ink’s colour is.')).toBeVisible();
  const before = await inkOn(page, 1);
  const [x, y] = await placeOn(page, 1, 0.45, 0.33);
  await pen.draw([
    [x, y],
    [x + 1, y],
  ]);
  // Weld at three quarters over white paper.
  await expect(page.getByRole('button', { name: /^Fine pen, #ffe\w{3}, 0.5 mm/ })).toBeVisible();
  expect(await inkOn(page, 1)).toBe(before);
  await take(page, 'Marking pen');
  await take(page, 'Marking pen');
  await expect(sheet(page).getByRole('radio', { name: /^#ffe/ })).toBeVisible();
});

test('the pressure response is dragged, and by keys', async ({ page }) => {
  await take(page, 'Fine pen');
  const curve = sheet(page).getByRole('slider', { name: 'Pressure response' });
  await curve.scrollIntoViewIfNeeded();
  await expect(curve).toHaveAttribute('aria-valuenow', '1');
  const box = await curve.boundingBox();
  if (!box) throw new Error('The curve is not on the screen.');
  await page.mouse.move(box.x + 66, box.y + 66);
  await page.mouse.down();
  await page.mouse.move(box.x + 66, box.y + 30, { steps: 3 });
  await page.mouse.up();
  const dragged = Number(await curve.getAttribute('aria-valuenow'));
  expect(dragged).toBeLessThan(0.5);
  await curve.focus();
  await page.keyboard.press('ArrowDown');
  expect(Number(await curve.getAttribute('aria-valuenow'))).toBeGreaterThan(dragged);
});

test('a straight highlighter holds to a line, and undo gives it back as one step', async ({
  page,
}) => {
  await take(page, 'Fine highlighter');
  await take(page, 'Fine highlighter');
  await sheet(page).getByRole('radio', { name: 'Straight' }).click();
  await close(page);
  const [x, y] = await placeOn(page, 1, 0.25, 0.33);
  await pen.draw(wave(x, y, 300, 18));
  await kept(page);
  const picture = await layerPicture(page, 1, 'highlights');
  // Three millimetres high and no more, though the hand waved.
  expect(rowsCovered(picture).size / (picture.width / 595)).toBeLessThan(10);
  await page.keyboard.press('Control+z');
  await expect.poll(() => inkOn(page, 1, 'highlights')).toBe(0);
});

test('the steadiness of written ink can be changed, and back', async ({ page }) => {
  const [x, y] = await placeOn(page, 1, 0.25, 0.33);
  await pen.draw(wave(x, y, 260, 16));
  await kept(page);
  const as = async () => Buffer.from((await layerPicture(page, 1)).covered).toString('base64');
  const before = await as();
  await take(page, 'Fine pen');
  await sheet(page).getByRole('radio', { name: '0', exact: true }).click();
  await sheet(page).getByRole('button', { name: 'Give the last stroke this steadiness' }).click();
  await expect(
    sheet(page).getByRole('button', { name: 'Give the last stroke this steadiness' }),
  ).toBeDisabled();
  await close(page);
  await expect.poll(as).not.toBe(before);
  await page.keyboard.press('Control+z');
  await expect.poll(as).toBe(before);
});

test('the practice hand writes through the stylus’s path; its ink goes out as InkML and comes back', async ({
  page,
}) => {
  await command(page, 'Practice hand');
  await sheet(page).getByRole('button', { name: 'Write on a new sheet' }).click();
  await expect(page.locator('[data-practising]')).toBeAttached();
  await expect(page.locator('[data-practising]')).toHaveCount(0, { timeout: 40_000 });
  await kept(page);
  const ink = await inkOn(page, 2);
  expect(ink).toBeGreaterThan(1000);

  const coming = page.waitForEvent('download');
  await command(page, 'Ink as InkML');
  const file = await coming;
  expect(file.suggestedFilename()).toBe('Rock-pool zones.inkml');
  const text = readFileSync(await file.path(), 'utf8');
  expect(text.match(/<trace /g)).toHaveLength(5);
  // Tilt as recorded came through the events.
  expect(text).toContain('page-2-tilted');

  // Nothing of it is on the page one was on.
  expect(await inkOn(page, 1)).toBe(0);
  for (let i = 0; i < 5; i++) await page.keyboard.press('Control+z');
  await expect.poll(() => inkOn(page, 2)).toBe(0);
  const bringIn = async (buffer: Buffer): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await command(page, 'Bring in ink');
    await (
      await chooser
    ).setFiles({ name: 'ink.inkml', mimeType: 'application/inkml+xml', buffer });
  };
  await bringIn(Buffer.from(text));
  await expect.poll(() => inkOn(page, 2)).toBe(ink);
  await bringIn(Buffer.from(text.slice(0, 900)));
  await expect(page.getByText(/ink\.inkml: This InkML file is not well-formed XML/)).toBeVisible();
  expect(await inkOn(page, 2)).toBe(ink);
});
