import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { beginOnWords, card, say } from './support/notes';
import { line, Pen } from './support/pen';
import { command, drawn, goToDocument, kept, placeOn, take } from './support/reader';
import { copyOf } from './support/typing';

/** What notes ask to be done, their labels, and where they stay. */

async function noteOnWords(
  page: Page,
  pen: Pen,
  [u, v, to]: readonly [number, number, number],
  text: string,
): Promise<void> {
  await beginOnWords(page, pen, [u, v], to);
  await say(page, text);
  await page.keyboard.press('Escape');
}

/** Opens a reading, with the word picker in hand. */
async function pickWords(page: Page): Promise<Pen> {
  await goToDocument(page, 'How barnacles choose a rock');
  await take(page, 'Word picker');
  return Pen.of(page);
}

/** Chooses what can be done with a note, from its own menu. */
async function way(page: Page, number: number, name: string): Promise<void> {
  await card(page, number)
    .getByRole('button', { name: /^More for remark 1/ })
    .click();
  await page.getByRole('menuitem', { name }).click();
}

async function fileOf(page: Page, name: string): Promise<string> {
  await page.getByRole('button', { name: 'Take the tasks out' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name }).click();
  return readFileSync(await (await download).path(), 'utf8');
}

test('notes become tasks, stand in a list by their day, are done there, and leave as a table, for a calendar and to the tracker', async ({
  page,
}) => {
  const pen = await pickWords(page);
  await noteOnWords(page, pen, [0.14, 0.188, 0.34], 'Is that *so*? See https://tides.example/a.');
  await noteOnWords(page, pen, [0.2, 0.3, 0.4], 'Count again');

  await way(page, 2, 'Make it a task');
  const fields = page.getByRole('group', { name: 'Task of note 2' });
  await fields.getByRole('button', { name: 'Correction' }).click();
  await fields.getByRole('textbox', { name: 'Who' }).fill('Teo');
  await fields.getByLabel('Until').fill('2020-05-01');
  await fields.getByRole('button', { name: 'Keep' }).click();
  await expect(card(page, 2)).toContainText('Correction · for Teo · until');
  await expect(card(page, 2)).toContainText('late');
  // A field in a card has the window stay where it is.
  expect(await page.evaluate(() => window.document.documentElement.scrollTop)).toBe(0);

  await page.getByRole('button', { name: /^Open note 1/ }).click();
  await way(page, 1, 'Make it a task');
  const first = page.getByRole('group', { name: 'Task of note 1' });
  await first.getByRole('textbox', { name: /^To do/ }).fill('Look it up');
  await first.getByRole('textbox', { name: /^To do/ }).press('Enter');
  // An address is shown before anybody goes there.
  await card(page, 1).getByRole('link', { name: 'https://tides.example/a' }).click();
  await expect(page.getByRole('dialog', { name: 'Leave for this address?' })).toBeVisible();
  await page.getByRole('button', { name: 'Stay here' }).click();

  await way(page, 1, 'Labels');
  await page.getByRole('textbox', { name: 'New label' }).fill('Tides');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(card(page, 1).getByRole('listitem')).toHaveText('Tides');
  await page.getByRole('button', { name: 'Only some notes' }).click();
  await page.getByRole('radio', { name: 'Tides' }).click();
  await expect(page.getByRole('article')).toHaveCount(1);
  await page.getByRole('button', { name: 'All notes' }).click();

  await page.getByRole('tab', { name: 'Tasks' }).click();
  const tasks = page.getByRole('list', { name: 'Tasks of the document' });
  await expect(page.getByText('2 tasks, 2 to do')).toBeVisible();
  await expect(tasks.getByRole('button')).toHaveText([/^Count again.*late/, /^Look it up/]);
  await tasks.getByRole('checkbox', { name: 'Done: Count again' }).click();
  await expect(tasks.getByRole('button')).toHaveText([/^Look it up/, /^Count again/]);
  await kept(page);

  const table = await fileOf(page, 'As a table (CSV)');
  expect(table).toMatch(/\r\n1,,Look it up,,,to-do,1,An adult barnacle cannot,/);
  expect(table).toMatch(/\r\n2,Correction,Count again,Teo,2020-05-01,done,/);
  const calendar = await fileOf(page, 'For a calendar (iCalendar)');
  expect(calendar.match(/BEGIN:VTODO/g)).toHaveLength(2);
  expect(calendar).toContain('STATUS:COMPLETED');
  await page.getByRole('button', { name: 'Take the tasks out' }).click();
  await page.getByRole('menuitem', { name: /^To the tracker at/ }).click();
  await expect(page.getByText(/^2 tasks are at/)).toBeVisible();
  const there = (await (await page.request.get('/stand-ins/tracker/tasks')).json()) as {
    tasks: { title: string }[];
  };
  expect(there.tasks.map(({ title }) => title)).toEqual(
    expect.arrayContaining(['Look it up', 'Count again']),
  );
});

/** A picture of so many pixels, as the browser makes it. */
async function pngOf(page: Page, width: number, height: number): Promise<Buffer> {
  const url = await page.evaluate(
    ([w, h]) => {
      const canvas = Object.assign(document.createElement('canvas'), { width: w, height: h });
      canvas.getContext('2d')?.fillRect(0, 0, w / 2, h);
      return canvas.toDataURL();
    },
    [width, height] as const,
  );
  return Buffer.from(url.split(',')[1], 'base64');
}

test('a task carries a cutting of its place or a picture from a file, to the tracker and into the copy', async ({
  page,
}) => {
  const pen = await pickWords(page);
  await noteOnWords(page, pen, [0.14, 0.188, 0.34], 'Say where this was seen.');
  await way(page, 1, 'Make it a task');
  const fields = page.getByRole('group', { name: 'Task of note 1' });
  await fields.getByRole('button', { name: 'Cut out of the page' }).click();
  await expect(fields.getByRole('img', { name: 'Cutting of page 1' })).toBeVisible();
  await fields.getByRole('button', { name: 'Keep' }).click();
  const cutting = card(page, 1).getByRole('img', { name: 'Cutting of page 1' });
  await expect(cutting).toBeVisible();

  const choose = async (name: string, mimeType: string, buffer: Buffer): Promise<void> => {
    await way(page, 1, 'Change the task');
    const chooser = page.waitForEvent('filechooser');
    await fields.getByRole('button', { name: 'From a file' }).click();
    await (await chooser).setFiles({ name, mimeType, buffer });
  };
  await choose('broken.png', 'image/png', Buffer.from('no picture'));
  await expect(page.getByText('“broken.png” is no picture that can be read.')).toBeVisible();
  await expect(fields.getByRole('img', { name: 'Cutting of page 1' })).toBeVisible();
  await fields.getByRole('button', { name: 'Leave it' }).click();
  await choose('quadrat.png', 'image/png', await pngOf(page, 3000, 1500));
  await expect(fields.getByRole('img', { name: 'quadrat.png' })).toBeVisible();
  await fields.getByRole('button', { name: 'Keep' }).click();
  await expect(cutting).toBeHidden();
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+z');
  await expect(cutting).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await kept(page);
  await page.reload();
  await drawn(page, 1);
  await command(page, 'Tasks');
  const tasks = page.getByRole('list', { name: 'Tasks of the document' });
  await expect(tasks.getByRole('img', { name: 'quadrat.png' })).toBeVisible();
  await page.getByRole('button', { name: 'Take the tasks out' }).click();
  await page.getByRole('menuitem', { name: /^To the tracker at/ }).click();
  await expect(page.getByText(/^1 task is at/)).toBeVisible();
  const there = (await (await page.request.get('/stand-ins/tracker/tasks')).json()) as {
    tasks: { title: string; picture: { name: string; data: string } | null }[];
  };
  const sent = there.tasks.find(({ title }) => title === 'Say where this was seen.')?.picture;
  expect(sent?.name).toBe('quadrat.png');
  // No larger than is needed, whatever was chosen.
  const listed = spawnSync('pdfimages', ['-list', '-'], { input: await copyOf(page) });
  expect(listed.stdout.toString()).toMatch(/image\s+1200\s+600\s+rgb.*jpeg/);
});

test('a note stays where its mark was rubbed out, says so, and goes to another place', async ({
  page,
}) => {
  await goToDocument(page, 'Rock-pool zones');
  const pen = await Pen.of(page);
  await take(page, 'Marking pen');
  await pen.draw(line(await placeOn(page, 1, 0.2, 0.3), await placeOn(page, 1, 0.4, 0.31)));
  await kept(page);
  await take(page, 'Picker');
  const on = await placeOn(page, 1, 0.3, 0.305);
  await pen.draw([on, on]);
  await page.getByRole('group', { name: 'Picked marks' }).waitFor();
  await page.keyboard.press('a');
  await say(page, 'Which one?');
  await expect(card(page, 1)).toBeVisible();
  const sign = page.locator('[data-note="1"]');
  const before = await sign.boundingBox();

  await pen.draw([on, on]);
  await page.getByRole('group', { name: 'Picked marks' }).waitFor();
  await page.keyboard.press('Delete');
  await expect(card(page, 1)).toContainText('Ink, rubbed out since');
  const after = await sign.boundingBox();
  expect(Math.abs((after?.y ?? 0) - (before?.y ?? 0))).toBeLessThan(20);

  await way(page, 1, 'Move it elsewhere');
  await expect(page.getByText('Tap the place that the note is to go to.')).toBeVisible();
  const to = await placeOn(page, 1, 0.5, 0.36);
  await pen.draw([to, to]);
  await expect(card(page, 1)).not.toContainText('rubbed out');
  await expect
    .poll(async () => {
      const { y, height } = (await sign.boundingBox()) ?? { y: 0, height: 0 };
      return Math.abs(y + height / 2 - to[1]);
    })
    .toBeLessThan(3);

  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(card(page, 1)).toContainText('Page 1');
  await expect(card(page, 1)).not.toContainText('rubbed out');
});
