import { spawnSync } from 'node:child_process';
import { expect, type Page, test } from '@playwright/test';
import { line, Pen } from './support/pen';
import { kept, makeCopy, openDesk, openDocument, placeOn, take } from './support/reader';

/** Notes on words, marks and places, and the answers to them. */

const cards = (page: Page) => page.getByRole('article', { name: /^Note \d/ });
const signs = (page: Page) => page.locator('[data-note]');
const newNote = (page: Page) => page.getByRole('group', { name: 'New note' });

async function say(page: Page, text: string): Promise<void> {
  await newNote(page).getByRole('textbox', { name: 'What the note says' }).fill(text);
  await page.keyboard.press('Control+Enter');
  await expect(newNote(page)).toBeHidden();
}

test('notes on words, on a mark and on a place are numbered as they are read, answered, settled, and there again', async ({
  page,
}) => {
  await openDesk(page);
  await openDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);

  await take(page, 'Word picker');
  await pen.draw(line(await placeOn(page, 1, 0.13, 0.188), await placeOn(page, 1, 0.28, 0.188)));
  await page
    .getByRole('group', { name: 'Selected words' })
    .getByRole('button', { name: 'Add a note' })
    .click();
  await expect(newNote(page)).toContainText('On “An adult barnacle”');
  await newNote(page)
    .getByRole('textbox', { name: /^Your name/ })
    .fill('Ines Mara');
  await say(page, 'How long does it live there?');
  await expect(cards(page)).toHaveCount(1);
  await expect(cards(page)).toContainText('Ines Mara');
  await expect(signs(page)).toHaveText(['1']);

  // On a place above: it comes first.
  await page.keyboard.press('Escape');
  await page.getByTestId('stage').focus();
  await page.keyboard.press('a');
  await expect(page.getByText('Tap the place that the note is about.')).toBeVisible();
  const place = await placeOn(page, 1, 0.6, 0.06);
  await pen.draw([place, place]);
  await expect(newNote(page).getByRole('textbox', { name: /^Your name/ })).toHaveCount(0);
  await say(page, 'Bring the printed copy.');
  await expect(signs(page)).toHaveText(['1', '2']);
  await expect(cards(page).first()).toContainText('Bring the printed copy.');

  const second = page.getByRole('article', { name: 'Note 2' });
  await second.getByRole('button', { name: 'Answer' }).click();
  await second.getByRole('textbox', { name: 'Answer to note 2' }).fill('Up to ten years.');
  await second.getByRole('button', { name: 'Answer', exact: true }).last().click();
  await expect(second).toContainText('Up to ten years.');
  await second.getByRole('button', { name: 'Settle' }).click();
  await expect(second).toContainText('Settled by Ines Mara');
  await expect(page.getByText('2 notes, 1 open')).toBeVisible();
  await kept(page);

  // The copy says them at its end, with their numbers where they belong.
  await makeCopy(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download' }).click();
  const file = await (await download).path();
  expect(spawnSync('qpdf', ['--check', file]).status).toBe(0);
  const { stdout } = spawnSync('pdftotext', ['-f', '7', file, '-'], { encoding: 'utf8' });
  const order = [
    'Notes',
    'Bring the printed copy.',
    'How long does it live there?',
    'Up to ten years.',
  ];
  const places = order.map((words) => stdout.indexOf(words));
  expect(places.every((at, k) => at >= 0 && at > (places[k - 1] ?? -1))).toBe(true);
  expect(stdout).toContain('Settled by Ines Mara');
  await page.keyboard.press('Escape');

  await page.reload();
  await expect(signs(page)).toHaveText(['1', '2']);
  // The panel stands there again.
  await expect(second).toContainText('Up to ten years.');
  // Search finds what notes say.
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+f');
  await page.getByRole('searchbox', { name: 'Search the document' }).fill('ten YEARS');
  await page
    .getByRole('group', { name: 'In notes' })
    .getByRole('button', { name: /^Note 2: / })
    .click();
  await page.getByRole('button', { name: 'Close search' }).click();
  await page.getByRole('button', { name: 'More for remark 1 of note 1' }).click();
  await page.getByRole('menuitem', { name: 'Remove the note' }).click();
  await expect(cards(page)).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(cards(page)).toHaveCount(2);
});
