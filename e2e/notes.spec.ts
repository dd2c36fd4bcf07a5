import { spawnSync } from 'node:child_process';
import { expect, type Page, test } from '@playwright/test';
import { beginOnWords, newNote, say } from './support/notes';
import { Pen } from './support/pen';
import { command, goToDocument, kept, makeCopy, placeOn, take } from './support/reader';

/** Notes on words, marks and places, and the answers to them. */

const cards = (page: Page) => page.getByRole('article', { name: /^Note \d/ });
const signs = (page: Page) => page.locator('[data-note]');
test('notes on words, on a mark and on a place are numbered as they are read, answered, settled, and there again', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);

  await take(page, 'Word picker');
  await beginOnWords(page, pen, [0.13, 0.188], 0.28);
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
  // Of the two only the new one is open.
  await page.getByRole('button', { name: /^Open note 2/ }).click();
  await second.getByRole('button', { name: 'Answer' }).click();
  await second.getByRole('textbox', { name: 'Answer to note 2' }).fill('Up to ten years.');
  await second.getByRole('button', { name: 'Answer', exact: true }).last().click();
  await expect(second).toContainText('Up to ten years.');
  await second.getByRole('button', { name: 'Settle' }).click();
  await expect(second).toContainText('Settled by Ines Mara');
  await expect(page.getByText('2 notes, 1 open')).toBeVisible();
  await kept(page);

  await command(page, 'What happened here');
  const happened = page.getByRole('list', { name: 'What happened, the last first' });
  await expect(happened.getByRole('listitem')).toContainText([
    'Ines Mara settled a note',
    'Ines Mara answered a note',
    'Ines Mara wrote a note',
    'Ines Mara wrote a note',
  ]);
  await happened.getByRole('button', { name: /^Ines Mara answered.*Up to ten years/ }).click();
  await command(page, /^Notes/);
  await expect(second).toBeVisible();

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
  await expect(second).toContainText('1 answer · Settled');
  // Search finds what notes say.
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+f');
  await page.getByRole('searchbox', { name: 'Search the document' }).fill('ten YEARS');
  await page
    .getByRole('group', { name: 'In notes' })
    .getByRole('button', { name: /^Note 2: / })
    .click();
  await page.getByRole('button', { name: 'Close search' }).click();
  await page.getByRole('button', { name: /^Open note 1/ }).click();
  await page.getByRole('button', { name: 'More for remark 1 of note 1' }).click();
  await page.getByRole('menuitem', { name: 'Remove the note' }).click();
  await expect(cards(page)).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(cards(page)).toHaveCount(2);
});

test('cards stand beside the page in order, the chosen one level with its place; keys step through them, and they are narrowed', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  const places = [
    [0.2, 0.12],
    [0.4, 0.125],
    [0.6, 0.13],
    [0.3, 0.34],
  ];
  for (const [k, [u, v]] of places.entries()) {
    await page.getByTestId('stage').focus();
    await page.keyboard.press('a');
    const at = await placeOn(page, 1, u, v);
    await pen.draw([at, at]);
    if (k === 0)
      await newNote(page)
        .getByRole('textbox', { name: /^Your name/ })
        .fill('Teo');
    await say(page, `Remark number ${k + 1}, about the page`);
  }
  await expect(cards(page)).toHaveCount(4);
  const beside = page.getByRole('group', { name: 'Notes beside the page' });
  const boxes = async () =>
    Promise.all((await beside.locator('[data-card]').all()).map((card) => card.boundingBox()));
  const level = async (k: number): Promise<number> => {
    const sign = await signs(page).nth(k).boundingBox();
    const card = (await boxes())[k];
    if (!sign || !card) throw new Error('There is no such card.');
    return Math.abs(card.y + 20 - (sign.y + sign.height / 2));
  };
  // The one that was written last is open, level with its place, or as near as the window lets it.
  await expect(page.getByRole('article', { name: 'Note 4' })).toHaveAttribute(
    'aria-current',
    'true',
  );
  await page.getByTestId('stage').focus();
  await page.keyboard.press('.');
  await expect(page.getByRole('article', { name: 'Note 1' })).toHaveAttribute(
    'aria-current',
    'true',
  );
  await page.keyboard.press('.');
  await expect(page.getByRole('article', { name: 'Note 2' })).toHaveAttribute(
    'aria-current',
    'true',
  );
  await expect.poll(() => level(1)).toBeLessThan(4);
  const placed = (await boxes()).map((box) => box ?? { y: 0, height: 0 });
  for (let k = 1; k < placed.length; k++)
    expect(placed[k].y).toBeGreaterThanOrEqual(placed[k - 1].y + placed[k - 1].height);
  // They go with the page.
  await page.mouse.move(400, 500);
  await page.mouse.wheel(0, 60);
  await expect.poll(async () => Math.round(placed[1].y - ((await boxes())[1]?.y ?? 0))).toBe(60);
  expect(await level(1)).toBeLessThan(4);
  await page.keyboard.press(',');
  await expect(page.getByRole('article', { name: 'Note 1' })).toHaveAttribute(
    'aria-current',
    'true',
  );

  await page.getByRole('button', { name: 'Settle' }).click();
  await page.getByRole('button', { name: 'Only some notes' }).click();
  await page.getByRole('radio', { name: 'Open' }).click();
  await expect(page.getByText('3 of 4 notes')).toBeVisible();
  await page.getByRole('textbox', { name: 'What notes say' }).fill('NUMBER 4');
  await expect(cards(page)).toHaveCount(1);
  await page.getByRole('button', { name: 'All notes' }).click();
  await page.getByRole('button', { name: 'As a list' }).click();
  await expect(page.getByRole('group', { name: 'Notes of the document' })).toBeVisible();
});
