import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { textOf } from '../references/support/programs';
import { wave } from './support/pen';
import { field } from './support/typing';
import {
  command,
  downloadProved,
  drawn,
  inkOn,
  kept,
  openMarks,
  openSend,
  openWorksheet,
  placeOn,
} from './support/reader';

/** One's own things that are used again. */

/** Writes on the sheet for a signature with the mouse. */
async function sign(page: Page): Promise<void> {
  const pad = page.getByRole('img', { name: 'Write your signature here' });
  const box = await pad.boundingBox();
  if (!box) throw new Error('There is no sheet to write on.');
  await page.mouse.move(box.x + 40, box.y + 50);
  await page.mouse.down();
  for (let k = 1; k <= 30; k++)
    await page.mouse.move(box.x + 40 + 7 * k, box.y + 50 + 18 * Math.sin(k / 2));
  await page.mouse.up();
}

test('a signature is written once, put where one signs, dated, and there for the next document', async ({
  page,
}) => {
  await openWorksheet(page);
  await command(page, 'Sign');
  const sheet = page.getByRole('dialog', { name: 'Sign' });
  await sign(page);
  await sheet.getByLabel('Whose signature it is').fill('Ines Mara');
  await sheet.getByRole('switch', { name: 'Put the day beneath it' }).click();
  await sheet.getByRole('button', { name: 'Keep and sign' }).click();
  await expect(sheet).toBeHidden();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(100);
  await kept(page);
  await page.reload();
  await drawn(page, 1);
  await openMarks(page);
  await expect(page.getByText(/^Signature: Ines Mara, /)).toHaveCount(1);
  await page.keyboard.press('Escape');
  await command(page, 'Sign');
  await sheet.getByRole('button', { name: 'Put on the page: Ines Mara' }).press('Enter');
  await expect(sheet).toBeHidden();
  await openMarks(page);
  await expect(page.getByText(/^Signature: Ines Mara, /)).toHaveCount(2);
  await page.keyboard.press('Escape');
  const send = await openSend(page);
  const path = await downloadProved(page, send);
  const year = String(new Date().getFullYear());
  expect(textOf(new Uint8Array(readFileSync(path)))).toContain(year);
});

test('what is picked goes into the drawer, is found there, taken out, saved as a file and brought in again', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  const [x, y] = await placeOn(page, 1, 0.3, 0.3);
  await pen.draw(wave(x, y, 120));
  await kept(page);
  await page.keyboard.press('Control+a');
  await command(page, 'Put what is picked in the drawer');
  const put = page.getByRole('dialog', { name: 'Put in the drawer' });
  await put.getByLabel('Name').fill('Wavy line');
  await put.getByRole('radio', { name: 'One stamp' }).click();
  await put.getByLabel('Folder').fill('Lines');
  await put.getByRole('button', { name: 'Put in', exact: true }).click();
  await expect(page.getByText('“Wavy line” is in the drawer.')).toBeVisible();
  await command(page, 'Open the drawer');
  const drawer = page.getByRole('dialog', { name: 'Drawer' });
  await drawer.getByLabel('Look for').fill('nothing');
  await expect(drawer.getByText('Nothing in the drawer is called so.')).toBeVisible();
  await drawer.getByLabel('Look for').fill('LINE');
  const saving = page.waitForEvent('download');
  await drawer.getByRole('button', { name: 'Save the drawer as a file' }).click();
  const file = await (await saving).path();
  await drawer.getByRole('button', { name: 'More for Wavy line' }).click();
  await page.getByRole('menuitem', { name: 'Remove' }).click();
  await expect(drawer.getByText(/There is nothing in the drawer yet/)).toBeVisible();
  await expect(page.getByText('“Wavy line” is no longer in the drawer.')).toBeAttached();
  const bringIn = async (path: string): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await drawer.getByRole('button', { name: 'Bring in a drawer' }).click();
    await (await chooser).setFiles(path);
  };
  await bringIn('demo/documents/handbook.pdf');
  await expect(page.getByText(/This file is no drawer/)).toBeAttached();
  await bringIn(file);
  await drawer.getByRole('button', { name: 'Put on the page: Wavy line' }).click();
  await expect(drawer).toBeHidden();
  await openMarks(page);
  await expect(page.getByRole('button', { name: /^Go to Stamp/ })).toHaveCount(1);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  // Dragged it goes where it is let go, beside the pages nowhere.
  const dragTo = async (toX: number, toY: number): Promise<void> => {
    await command(page, 'Open the drawer');
    const card = drawer.getByRole('button', { name: 'Put on the page: Wavy line' });
    const box = await card.boundingBox();
    if (!box) throw new Error('There is no card.');
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + 60, box.y - 30, { steps: 4 });
    await expect(drawer).toBeHidden();
    await page.mouse.move(toX, toY, { steps: 4 });
    await expect(page.locator('[data-dragged]')).toBeVisible();
    await page.mouse.up();
    await expect(page.locator('[data-dragged]')).toHaveCount(0);
  };
  const place = await placeOn(page, 1, 0.6, 0.3);
  const before = await inkOn(page, 1);
  await dragTo(...place);
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(before + 50);
  await dragTo(place[0], 4);
  await expect(page.getByText('Nothing was put there: let it go over a page.')).toBeVisible();
});

test('the look of a text is kept, and given to another text and to what is typed next', async ({
  page,
}) => {
  await openWorksheet(page);
  await page.keyboard.press('e');
  await expect(field(page)).toBeFocused();
  await page.keyboard.type('Limpet');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+a');
  await page.getByRole('button', { name: 'Change' }).click();
  await page.getByRole('radio', { name: 'Hand', exact: true }).click();
  await page.keyboard.press('Escape');
  await kept(page);
  await command(page, 'Put what is picked in the drawer');
  const put = page.getByRole('dialog', { name: 'Put in the drawer' });
  await put.getByLabel('Name').fill('By hand');
  await put.getByRole('radio', { name: 'Its look, for other texts' }).click();
  await put.getByRole('button', { name: 'Put in', exact: true }).click();
  await expect(put).toBeHidden();
  await page.keyboard.press('Escape');
  await command(page, 'Open the drawer');
  const drawer = page.getByRole('dialog', { name: 'Drawer' });
  await drawer.getByRole('button', { name: 'Give texts this look: By hand' }).click();
  await expect(page.getByText('What is typed next looks like “By hand”.')).toBeVisible();
  await page.keyboard.press('e');
  await expect(field(page)).toBeFocused();
  await expect(field(page)).toHaveCSS('font-family', /^page-hand/);
});
