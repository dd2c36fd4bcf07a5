import { expect, type Page, test } from '@playwright/test';
import { write } from './support/handwriting';
import { beginOnWords, newNote, say } from './support/notes';
import { circle, line, Pen } from './support/pen';
import {
  command,
  drawn,
  kept,
  makeCopy,
  openDesk,
  openDocument,
  openMarks,
  placeOn,
  take,
} from './support/reader';

/** The pictures of the main views in docs/screenshots, made anew from the sample documents. */

/** Views of which one picture is enough, and which. */
const ONE: Readonly<Record<string, string>> = {
  desk: 'wide',
  instrument: 'phone',
  figures: 'wide',
  picking: 'phone',
  marks: 'wide',
  words: 'phone',
  night: 'wide',
  contents: 'wide',
  places: 'wide',
  send: 'wide',
  search: 'phone',
  notes: 'wide',
  typing: 'phone',
};

async function shot(page: Page, name: string): Promise<void> {
  const project = test.info().project.name;
  if ((ONE[name] ?? project) !== project) return;
  await page.screenshot({ path: `docs/screenshots/${name}-${project}.png` });
}

test('the main views', async ({ page }) => {
  const wide = test.info().project.name === 'wide';
  await openDesk(page);
  await page.waitForTimeout(800);
  await shot(page, 'desk');

  await openDocument(page, 'Rock-pool zones');
  const pen = await Pen.of(page);
  const size = wide ? 30 : 10;
  await write(pen, 'the lower shore', await placeOn(page, 1, 0.12, 0.243), size);
  await take(page, 'Broad highlighter');
  const from = await placeOn(page, 1, 0.375, 0.2105);
  const to = await placeOn(page, 1, 0.475, 0.2105);
  await pen.draw(line(from, to));
  await take(page, 'Marking pen');
  const tick = await Promise.all([
    placeOn(page, 1, 0.86, 0.232),
    placeOn(page, 1, 0.87, 0.242),
    placeOn(page, 1, 0.895, 0.216),
  ]);
  await pen.draw([...line(tick[0], tick[1], 8), ...line(tick[1], tick[2], 12)]);
  await page.keyboard.press('Escape');
  const centre = await placeOn(page, 1, 0.589, 0.21);
  const edge = await placeOn(page, 1, 0.63, 0.21);
  await take(page, 'Fine pen');
  await pen.draw(circle(centre[0], centre[1], edge[0] - centre[0]));
  await expect(page.getByRole('button', { name: 'Take the circle' })).toBeVisible();
  await kept(page);
  await page.waitForTimeout(400);
  await shot(page, 'reader');

  await page.getByRole('button', { name: 'Take the circle' }).click();

  await command(page, 'Add a squared page');
  await drawn(page, 2);
  await page.getByRole('button', { name: 'Commands' }).click();
  await page.getByRole('dialog', { name: 'Commands' }).waitFor();
  await page.waitForTimeout(600);
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').waitFor({ state: 'hidden' });
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Home');

  await makeCopy(page);
  await page.getByRole('img', { name: 'Page 1 as it leaves' }).scrollIntoViewIfNeeded();
  await page.waitForTimeout(600);
  await shot(page, 'send');
});

test('figures', async ({ page }) => {
  const wide = test.info().project.name === 'wide';
  await openDesk(page);
  await openDocument(page, 'Rock-pool zones');
  const pen = await Pen.of(page);
  const { width, height } = page.viewportSize() ?? { width: 0, height: 0 };
  await page.mouse.move(width / 2, height / 2);
  if (wide) await page.mouse.wheel(0, 800);
  await page.waitForTimeout(600);
  /** A place in the page's user space, A4. */
  const at = (x: number, y: number) => placeOn(page, 1, x / 595.28, 1 - y / 841.89);
  await take(page, 'Figure pen');
  for (const [from, to] of [
    [0, 3],
    [1, 0],
    [2, 1],
  ]) {
    const [a, b] = await Promise.all([at(195, 292 - 38 * from), at(337, 287 - 38 * to)]);
    await pen.draw(line(a, b, 30), { pause: 2 });
    await kept(page);
    await page.keyboard.press('Escape');
  }
  await take(page, 'Marking pen');
  const box = await Promise.all(
    [
      [58, 152],
      [152, 151],
      [153, 124],
      [57, 125],
      [58, 153],
    ].map(([x, y]) => at(x, y)),
  );
  await pen.draw(
    box.slice(1).flatMap((corner, k) => line(box[k], corner, 14)),
    { pause: 3 },
  );
  await page.getByRole('button', { name: /^Take the/ }).click();
  await page.waitForTimeout(600);
  await shot(page, 'figures');
});

test('words', async ({ page }) => {
  // Of this a picture on the phone is enough.
  if (test.info().project.name === 'wide') return;
  await openDesk(page);
  await openDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  const goOver = async (u: number, v: number, s: number, t: number): Promise<void> =>
    pen.draw(line(await placeOn(page, 1, u, v), await placeOn(page, 1, s, t)));
  await take(page, 'Word highlighter');
  await goOver(0.2, 0.3, 0.4, 0.34);
  await kept(page);
  await take(page, 'Word underliner');
  await goOver(0.6, 0.5, 0.7, 0.53);
  await kept(page);
  await take(page, 'Word picker');
  await goOver(0.13, 0.55, 0.4, 0.61);
  await page.getByRole('group', { name: 'Selected words' }).waitFor();
  await page.waitForTimeout(400);
  await shot(page, 'words');
});

test('picking and the list of marks', async ({ page }) => {
  const wide = test.info().project.name === 'wide';
  await openDesk(page);
  await openDocument(page, 'Rock-pool zones');
  const pen = await Pen.of(page);
  const size = wide ? 30 : 12;
  await take(page, 'Broad highlighter');
  await pen.draw(line(await placeOn(page, 1, 0.12, 0.2105), await placeOn(page, 1, 0.37, 0.2105)));
  await take(page, 'Fine pen');
  const place = await placeOn(page, 1, 0.14, 0.243);
  await write(pen, 'the lower shore', place, size);
  await write(pen, 'weed keeps it damp', await placeOn(page, 1, 0.14, 0.334), size);
  await take(page, 'Marking pen');
  const loop = await placeOn(page, 1, 0.59, 0.21);
  await pen.draw(circle(loop[0], loop[1], wide ? 36 : 16));
  await page.getByRole('button', { name: 'Take the circle' }).click();
  await kept(page);
  await page.keyboard.press('Escape');

  await take(page, 'Picker');
  const [x, y] = [place[0] - size / 2, place[1] - 1.4 * size];
  const [w, h] = wide ? [330, 54] : [136, 27];
  const corners = [
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
    [x, y + 3],
  ] as const;
  await pen.draw(
    corners.slice(1).flatMap((to, k) => line(corners[k], to, 8)),
    { pause: 3 },
  );
  await page.getByRole('group', { name: 'Picked marks' }).waitFor();
  await page.waitForTimeout(400);
  await shot(page, 'picking');
  await page.keyboard.press('Escape');
  await openMarks(page);
  await page.getByRole('button', { name: /^Go to Circle/ }).waitFor();
  await page.waitForTimeout(600);
  await shot(page, 'marks');
  if (wide) return;
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByRole('dialog').waitFor({ state: 'hidden' });
  await take(page, 'Fine pen');
  await page.getByRole('button', { name: 'Open the writing window' }).click();
  const strip = page.getByRole('region', { name: /^Writing window/ });
  await strip.locator('[data-drawn]').first().waitFor();
  const box = await strip.boundingBox();
  if (!box) throw new Error('The strip is not there.');
  await write(pen, 'at', [box.x + 150, box.y + 110], 40);
  await page.waitForTimeout(400);
  await shot(page, 'window');
});

test('notes beside the page', async ({ page }) => {
  // On the phone they are as narrow as the list of marks.
  if (test.info().project.name !== 'wide') return;
  await openDesk(page);
  await openDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  await take(page, 'Word picker');
  const note = async (from: readonly [number, number], to: number, text: string): Promise<void> => {
    await beginOnWords(page, pen, from, to);
    await newNote(page).waitFor();
    const name = newNote(page).getByRole('textbox', { name: /^Your name/ });
    if ((await name.count()) > 0) await name.fill('Ines Mara');
    await say(page, text);
  };
  await note([0.14, 0.188], 0.34, 'How long does it live there?');
  await note([0.2, 0.3], 0.4, 'Is this seen on our shore too, or only where the tide is high?');
  await note([0.2, 0.318], 0.36, 'Bring a lens for this.');
  await page.getByRole('button', { name: /^Open note 2/ }).click();
  await page.waitForTimeout(900);
  await shot(page, 'notes');
});

test('answers on their lines', async ({ page }) => {
  if (test.info().project.name === 'wide') return;
  await openDesk(page);
  await openDocument(page, 'Rock-pool zones');
  await page.keyboard.press('e');
  const text = page.getByRole('textbox', { name: 'Text', exact: true });
  await expect(text).toBeFocused();
  const answers = ['Ines Mara', 'B', 'The lower shore: it is under water at nearly every tide.'];
  for (const [k, answer] of answers.entries()) {
    if (k > 0) {
      const before = await text.boundingBox();
      await page.keyboard.press('Tab');
      await expect.poll(() => text.boundingBox()).not.toEqual(before);
    }
    await page.keyboard.type(answer);
  }
  await page.waitForTimeout(900);
  await shot(page, 'typing');
});

test('the way through a document', async ({ page }) => {
  const wide = test.info().project.name === 'wide';
  await openDesk(page);
  await openDocument(page, 'How barnacles choose a rock');
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+f');
  const term = page.getByRole('searchbox', { name: 'Search the document' });
  await term.fill('cyprid');
  await page.locator('[data-hits]').waitFor();
  await term.press('Enter');
  await page.waitForTimeout(900);
  if (!wide) {
    await page
      .getByRole('button', { name: /^Page 1:/ })
      .nth(2)
      .click();
    await page.getByRole('dialog').waitFor({ state: 'hidden' });
    await page.waitForTimeout(500);
  }
  await shot(page, 'search');
  if (wide) {
    await page.getByRole('button', { name: 'Close search' }).click();
    await page.keyboard.press('Escape');
    const pen = await Pen.of(page);
    await write(pen, 'cemented for life', await placeOn(page, 1, 0.16, 0.36), 30);
    await take(page, 'Word highlighter');
    await pen.draw(line(await placeOn(page, 1, 0.13, 0.188), await placeOn(page, 1, 0.34, 0.19)));
    await take(page, 'Fine pen');
    await kept(page);
    await page.getByTestId('stage').focus();
    await page.keyboard.press('n');
    await page.waitForTimeout(900);
    await shot(page, 'night');
    await page.keyboard.press('n');
  }
  await page.getByRole('button', { name: 'Back to the desk' }).click();

  await openDocument(page, 'Course handbook');
  await page.waitForTimeout(800);
  for (const [name, title] of [
    ['4', 'Before we go out'],
    ['14', 'Where we meet on Tuesday'],
  ]) {
    await page.getByRole('textbox', { name: /^Page, / }).fill(name);
    await page.keyboard.press('Enter');
    await page.waitForTimeout(600);
    await page.getByTestId('stage').focus();
    await page.keyboard.press('b');
    const field = page.getByRole('textbox', { name: 'Title of the bookmark' });
    await field.fill(title);
    await field.press('Enter');
    await page.waitForTimeout(400);
    if (name === '14') break;
    await page
      .getByRole('button', { name: wide ? 'Close contents' : 'Close', exact: true })
      .click();
    await page.waitForTimeout(400);
  }
  await page.waitForTimeout(600);
  await shot(page, 'contents');
  if (wide) {
    await page.getByRole('button', { name: 'Close contents' }).click();
    await command(page, 'Another document beside this one');
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^How barnacles/ })
      .click();
    const beside = page.getByRole('region', { name: /^More pages/ });
    await beside.locator('[data-page="1"][data-drawn]').waitFor();
    await page.keyboard.press('Control+0');
    await page.waitForTimeout(900);
    return shot(page, 'places');
  }
  await page.getByRole('tab', { name: 'Pages' }).click();
  await page.locator('[aria-label="Pages"] img').nth(5).waitFor();
  await page.getByRole('button', { name: 'Arrange' }).click();
  await page.getByLabel('Choose pages').fill('2-3');
  await page.getByLabel('Choose pages').press('Enter');
  await page.waitForTimeout(1500);
  await shot(page, 'pages');
});
