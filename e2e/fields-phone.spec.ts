import { readFileSync } from 'node:fs';
import { expect, type Locator, type Page, test } from '@playwright/test';
import { readForm } from '../core/src/pdf';
import { textOf } from '../references/support/programs';
import { line, Pen } from './support/pen';
import {
  addFile,
  command,
  downloadProved,
  drawn,
  inkOn,
  kept,
  openDesk,
  openMarks,
  openSend,
  placeOn,
} from './support/reader';

/** Filling in the form of a file. */

const FORM = new Uint8Array(readFileSync('demo/documents/loan-form.pdf'));

async function openForm(page: Page): Promise<void> {
  await openDesk(page);
  await addFile(page, 'Loan form.pdf', FORM);
  await drawn(page, 1);
  await expect(page.getByRole('textbox', { name: 'Remarks' })).toBeAttached();
}

/** Taps the middle of a field. */
async function tap(page: Page, field: Locator): Promise<void> {
  const box = await field.boundingBox();
  if (!box) throw new Error('The field is not on the screen.');
  await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2);
}

const downloaded = async (page: Page, sheet: Locator): Promise<Uint8Array> =>
  new Uint8Array(readFileSync(await downloadProved(page, sheet)));

test('a form is filled in by taps and keys, said to lack what it wants, and leaves as text and as values', async ({
  page,
}) => {
  await openForm(page);
  const field = (name: string): Locator => page.getByRole('textbox', { name, exact: true });
  await tap(page, page.getByRole('checkbox', { name: 'Quadrat' }));
  await expect(page.getByRole('checkbox', { name: 'Quadrat' })).toBeChecked();
  await tap(page, field('How many: Quadrat'));
  await expect(field('How many: Quadrat')).toBeFocused();
  await page.keyboard.type('6');
  // What it is worked out of has changed.
  await page.keyboard.press('Tab');
  await expect(field('How many: Hand lens')).not.toBeFocused();
  await expect(page.getByRole('note').filter({ hasText: 'Check' })).toBeVisible();
  await field('All together').focus();
  await page.keyboard.type('6');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('note').filter({ hasText: 'Check' })).toBeHidden();
  await page.getByRole('combobox', { name: 'Fetched from' }).selectOption('Jetty');
  await page.getByRole('listbox', { name: 'Also wanted' }).selectOption(['Bucket', 'Rope']);
  await field('Remarks').focus();
  await page.keyboard.type('Back by low water');
  await page.keyboard.press('Enter');
  await page.keyboard.type('on Friday.');
  await page.keyboard.press('Escape');
  await kept(page);
  // What the form wants is missing.
  const send = await openSend(page);
  await expect(send.getByText('The form wants what is still empty: “Name”.')).toBeVisible();
  await page.keyboard.press('Escape');
  await command(page, /^Fill in the form/);
  await expect(field('Name')).toBeFocused();
  await page.keyboard.type('Ines Mara');
  await page.keyboard.press('Tab');
  await page.keyboard.type('04/05/2026');
  await page.keyboard.press('Tab');
  await page.keyboard.type('4711980');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'Group: Barnacles' })).toBeChecked();
  await page.keyboard.press('Escape');
  await kept(page);
  // There again.
  await page.reload();
  await drawn(page, 1);
  await expect(field('Name')).toHaveValue('Ines Mara');
  await expect(page.getByRole('radio', { name: 'Group: Barnacles' })).toBeChecked();
  const again = await openSend(page);
  await expect(again.getByText(/The form wants/)).toBeHidden();
  const text = textOf(await downloaded(page, again)).replace(/\s+/g, ' ');
  for (const said of ['Ines Mara', '04/05/2026', 'Jetty', 'Bucket', 'Back by low water on Friday.'])
    expect(text).toContain(said);
  await again.getByRole('radio', { name: 'A living copy' }).click();
  const { fields } = await readForm(await downloaded(page, again));
  const value = (name: string) => fields.find((one) => one.name === name)?.value;
  expect([value('borrower.name'), value('also'), value('borrower.card')]).toEqual([
    ['Ines Mara'],
    ['Bucket', 'Rope'],
    ['4711980'],
  ]);
  expect(value('lent.tick.2')).toHaveLength(1);
});

test('what was filled in is undone, put back and emptied; a pen writes over fields, and what cannot be filled in says so', async ({
  page,
}) => {
  await openForm(page);
  // As the whole page is seen: what is pressed that cannot be filled in.
  const press = async (u: number, v: number): Promise<void> =>
    page.touchscreen.tap(...(await placeOn(page, 1, u, v)));
  await press(0.2, 0.752);
  await expect(page.getByRole('dialog', { name: 'Sign' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Sign' })).toBeHidden();
  await press(0.82, 0.752);
  await expect(page.getByText(/This is a button of the form/)).toBeVisible();
  const name = page.getByRole('textbox', { name: 'Name', exact: true });
  await tap(page, name);
  await page.keyboard.type('Teo Brandt');
  await page.keyboard.press('Control+z');
  await expect(name).toHaveValue('Teo ');
  await page.keyboard.press('Control+Shift+z');
  await expect(name).toHaveValue('Teo Brandt');
  // More than the field holds.
  const card = page.getByRole('textbox', { name: 'Card number' });
  await card.focus();
  await page.keyboard.type('123456789');
  await expect(page.getByText('At most 8 characters: 1 too many.')).toBeVisible();
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Escape');
  await expect(card).toHaveValue('12345678');
  await openMarks(page);
  await expect(page.getByText('Field: Name: Teo Brandt')).toBeVisible();
  await page.keyboard.press('Escape');
  await command(page, 'Put the form back as it came');
  await expect(name).toHaveValue('');
  await expect.poll(() => inkOn(page, 1)).toBe(0);
  // A pen that comes down on a field writes.
  const box = await card.boundingBox();
  if (!box) throw new Error('The field is not on the screen.');
  const pen = await Pen.of(page);
  const y = box.y + box.height / 2;
  await pen.draw(line([box.x + 70, y], [box.x + 130, y]));
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(50);
  await expect(card).toHaveValue('');
});
