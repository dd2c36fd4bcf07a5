import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { everythingIn } from '../core/testing/pdfs';
import {
  command,
  downloadProved,
  drawn,
  inkOn,
  kept,
  openMarks,
  openSend,
  openWorksheet,
} from './support/reader';
import { field } from './support/typing';

/** Equations, by themselves and within a text. */

const sheetOf = (page: Page) => page.getByRole('dialog', { name: 'Equation' });
const texOf = (page: Page) => sheetOf(page).getByRole('textbox', { name: 'Equation in TeX' });

test('an equation is typed, put right where it is wrong, kept, changed, and leaves with its TeX', async ({
  page,
}) => {
  await openWorksheet(page);
  await command(page, 'Put an equation on the page');
  const sheet = sheetOf(page);
  await expect(texOf(page)).toBeFocused();
  const put = sheet.getByRole('button', { name: 'Put it on the page' });
  await expect(put).toBeDisabled();
  await page.keyboard.type('x = \\fracc{1}{2}');
  await expect(sheet.getByText('There is no command \\fracc.')).toBeVisible();
  await expect(put).toBeDisabled();
  await sheet.getByRole('button', { name: 'Go there' }).press('Enter');
  await expect(texOf(page)).toBeFocused();
  // What is wrong is selected: typed over.
  await page.keyboard.type('\\frac');
  await expect(sheet.getByRole('img', { name: 'Preview' })).toBeVisible();
  await expect(put).toBeEnabled();
  await page.keyboard.press('Control+Enter');
  await expect(sheet).toBeHidden();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(20);
  await kept(page);

  await page.reload();
  await drawn(page, 1);
  await openMarks(page);
  await page.getByRole('checkbox', { name: /^Pick Equation, .*x = \\frac\{1\}\{2\}$/ }).click();
  await page.keyboard.press('Escape');
  await command(page, 'Change the equation that is picked');
  await expect(texOf(page)).toHaveValue('x = \\frac{1}{2}');
  await texOf(page).fill('x = ');
  // Who knows no TeX takes it from the sheet.
  await sheet.getByRole('button', { name: 'Square root' }).click();
  await page.keyboard.type('2');
  await expect(texOf(page)).toHaveValue('x = \\sqrt{2}');
  await sheet.getByRole('button', { name: 'Change it' }).click();
  await expect(sheet).toBeHidden();

  const sending = await openSend(page);
  const copy = new Uint8Array(readFileSync(await downloadProved(page, sending)));
  const hex = [...'x = \\sqrt{2}'].map((c) => c.charCodeAt(0).toString(16).padStart(4, '0'));
  expect(await everythingIn(copy)).toContain(`/Alt <FEFF${hex.join('').toUpperCase()}>`);
  await page.keyboard.press('Escape');
});

test('between dollar signs in a text an equation stands in its line, and is typed again as TeX', async ({
  page,
}) => {
  await openWorksheet(page);
  await page.keyboard.press('e');
  await expect(field(page)).toBeFocused();
  await page.keyboard.type('Its area is $\\pi r^2$, for $5, and $\\fo$ too. ');
  await page.keyboard.press('Escape');
  await expect(
    page.getByText('$\\fo$ stays as it was typed. There is no command \\fo.'),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  await kept(page);
  const ink = await inkOn(page, 1);
  await page.reload();
  await drawn(page, 1);
  await expect.poll(() => inkOn(page, 1)).toBe(ink);
  await openMarks(page);
  await page.getByRole('checkbox', { name: /^Pick Text, .*Its area is/ }).click();
  await page.keyboard.press('Escape');
  await command(page, 'Edit the text that is picked');
  await expect(field(page)).toHaveText('Its area is $\\pi r^2$, for $5, and $\\fo$ too. ');
  await page.keyboard.press('Escape');
  // Nothing was typed: it stays as it is.
  await expect.poll(() => inkOn(page, 1)).toBe(ink);
});

test('TeX that takes for ever is given up and said; what is typed next is set', async ({
  page,
}) => {
  await openWorksheet(page);
  await command(page, 'Put an equation on the page');
  const bomb = `\\def\\a#1{\\frac{#1}{#1}}${'\\a{'.repeat(20)}x${'}'.repeat(20)}`;
  await texOf(page).fill(bomb);
  await expect(sheetOf(page).getByText(/^This takes too long to be set/)).toBeVisible({
    timeout: 20_000,
  });
  await texOf(page).fill('e^{i\\pi} = -1');
  await expect(sheetOf(page).getByRole('button', { name: 'Put it on the page' })).toBeEnabled({
    timeout: 20_000,
  });
});
