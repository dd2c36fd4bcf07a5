import { expect, test } from '@playwright/test';
import { line, Pen } from './support/pen';
import { drawn, goToDocument, kept, placeOn, take } from './support/reader';

test('the right button of a mouse asks what is to stand at a bare place, what was put last first; on a mark it picks it', async ({
  page,
}) => {
  await goToDocument(page, 'Rock-pool zones');
  const here = page.getByRole('group', { name: 'Put here' });
  const bare = await placeOn(page, 1, 0.5, 0.06);
  await page.mouse.click(...bare, { button: 'right' });
  await expect(here.getByRole('button')).toHaveText([
    'Paste',
    'Note',
    'Text',
    'Equation',
    'Picture',
    'Stamp',
    'Drawer',
    'Sign',
    'Link',
  ]);
  await page.keyboard.press('Escape');
  await expect(here).toBeHidden();

  await page.mouse.click(...bare, { button: 'right' });
  await here.getByRole('button', { name: 'Text' }).click();
  await expect(here).toBeHidden();
  await expect(page.getByRole('textbox', { name: 'Text', exact: true })).toBeFocused();
  await page.keyboard.type('Group B');
  await page.keyboard.press('Escape');
  await kept(page);

  const other = await placeOn(page, 1, 0.2, 0.03);
  await page.mouse.click(...other, { button: 'right' });
  await expect(here.getByRole('button')).toHaveText([
    'Text',
    'Paste',
    'Note',
    'Equation',
    'Picture',
    'Stamp',
    'Drawer',
    'Sign',
    'Link',
  ]);
  await here.getByRole('button', { name: 'Note' }).click();
  await page.getByRole('textbox', { name: 'What the note says' }).fill('Whose is it?');
  await page.keyboard.press('Control+Enter');
  const sign = await page.locator('[data-note="1"]').boundingBox();
  expect(Math.abs((sign?.y ?? 0) + (sign?.height ?? 0) / 2 - other[1])).toBeLessThan(4);

  await page.mouse.click(bare[0] + 20, bare[1], { button: 'right' });
  await expect(page.getByRole('group', { name: 'Picked marks' })).toBeVisible();
  await expect(here).toBeHidden();
  // What is done elsewhere withdraws the question.
  await page.mouse.click(...(await placeOn(page, 1, 0.35, 0.03)), { button: 'right' });
  await expect(here).toBeVisible();
  const pen = await Pen.of(page);
  await pen.draw(line(await placeOn(page, 1, 0.3, 0.3), await placeOn(page, 1, 0.4, 0.3)));
  await expect(here).toBeHidden();
});

test('a line around an empty area asks the same: a note belongs to the area, a text is as wide', async ({
  page,
}) => {
  await goToDocument(page, 'Rock-pool zones');
  await take(page, 'Picker');
  const here = page.getByRole('group', { name: 'Put here' });
  const [x, y] = await placeOn(page, 1, 0.62, 0.05);
  const around = async () => {
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (const [dx, dy] of [
      [200, 4],
      [204, 90],
      [2, 92],
      [0, 2],
    ] as const)
      await page.mouse.move(x + dx, y + dy, { steps: 5 });
    await page.mouse.up();
  };
  await around();
  await expect(here).toBeVisible();
  await here.getByRole('button', { name: 'Note' }).click();
  await expect(page.getByText('On an area of the page')).toBeVisible();
  await page.getByRole('textbox', { name: 'What the note says' }).fill('Leave room for the stamp.');
  await page.keyboard.press('Control+Enter');
  const sign = page.locator('[data-note="1"]');
  await expect(sign).toBeVisible();
  // What is drawn around holds no mark again once the note is gone; its text is as wide as the area.
  await page.keyboard.press('Control+z');
  await expect(sign).toBeHidden();
  await around();
  await here.getByRole('button', { name: 'Text' }).click();
  const field = page.getByRole('textbox', { name: 'Text', exact: true });
  await expect(field).toBeFocused();
  const box = await field.boundingBox();
  expect(Math.abs((box?.width ?? 0) - 204)).toBeLessThan(6);
});

test('a signature that is put near a printed line stands on it', async ({ page }) => {
  await goToDocument(page, 'Rock-pool zones');
  await drawn(page, 1);
  const sheet = page.getByRole('dialog', { name: 'Sign' });
  const here = page.getByRole('group', { name: 'Put here' });
  // The first line for an answer is about here; its print is read when it is asked for.
  const feet: number[] = [];
  for (const [k, v] of [0.24, 0.2475].entries()) {
    const place = await placeOn(page, 1, 0.3 + 0.3 * k, v);
    await expect(async () => {
      await page.mouse.click(...place, { button: 'right' });
      await here.getByRole('button', { name: 'Sign' }).click({ timeout: 1500 });
    }).toPass();
    if (k === 0) {
      const pad = page.getByRole('img', { name: 'Write your signature here' });
      const box = await pad.boundingBox();
      if (!box) throw new Error('There is no sheet to write on.');
      await page.mouse.move(box.x + 40, box.y + 50);
      await page.mouse.down();
      await page.mouse.move(box.x + 160, box.y + 80, { steps: 8 });
      await page.mouse.up();
      await sheet.getByLabel('Whose signature it is').fill('Ines Mara');
      await sheet.getByRole('button', { name: 'Keep and sign' }).click();
    } else await sheet.getByRole('button', { name: 'Put on the page: Ines Mara' }).click();
    await expect(sheet).toBeHidden();
    const frame = page.getByRole('group', { name: 'Picked marks' });
    await expect(frame).toBeVisible();
    const box = await frame.boundingBox();
    feet.push((box?.y ?? 0) + (box?.height ?? 0));
  }
  expect(Math.abs(feet[0] - feet[1])).toBeLessThan(1.5);
});
