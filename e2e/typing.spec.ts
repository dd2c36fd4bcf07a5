import { expect, test } from '@playwright/test';
import {
  command,
  dragGrip,
  drawn,
  goToDocument,
  kept,
  openMarks,
  placeOn,
  take,
} from './support/reader';
import { copyOf, field, next, textOf, typeOnLine } from './support/typing';

/** Typing text onto pages: boxes, lines for answers, every script of the faces that ship. */

test('a worksheet is answered by keyboard alone: on its lines, from one to the next and back; the answers are text in the copy', async ({
  page,
}) => {
  await typeOnLine(page);
  await page.keyboard.type('Ines Mara');
  await next(page, 'Group B');
  const long =
    'The lower shore: it is under water at every tide but the lowest of the spring, when the quadrats can be laid on it for an hour or so.';
  await next(page, long);
  await next(page, 'They keep water in.');
  // Back to the group, which is there already.
  await page.keyboard.press('Shift+Tab');
  await expect(field(page)).toHaveText(long);
  await page.keyboard.press('Shift+Tab');
  await expect(field(page)).toHaveText('Group B');
  await page.keyboard.press('End');
  await page.keyboard.type('2');
  await page.keyboard.press('Escape');
  await expect(field(page)).toBeHidden();
  await kept(page);

  const said = textOf(await copyOf(page));
  expect(said).toMatch(/Name\s+Ines Mara\s+Group\s+Group B2/);
  expect(said).toContain('They keep water in.');
  // It flowed onto the second line of its answer.
  const [first, second] = said.split('\n').filter((one) => /lower shore: it|laid on it/.test(one));
  expect(first).toContain('The lower shore');
  expect(second).toContain('for an hour or so.');
});

test('a box is begun with a tap and gone on with, undone by words, and goes by itself when it is empty', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  await take(page, 'Answer text');
  const at = await placeOn(page, 1, 0.2, 0.06);
  await page.mouse.click(...at);
  await expect(field(page)).toBeFocused();
  // Nothing typed: nothing is left.
  await page.keyboard.press('Escape');
  await expect(field(page)).toBeHidden();
  await openMarks(page);
  await expect(page.getByText(/^Nothing is marked yet/)).toBeVisible();

  await page.mouse.click(...at);
  await expect(field(page)).toBeFocused();
  await page.keyboard.type('Cyprids walk, touch and test');
  await page.keyboard.press('Control+z');
  await expect(field(page)).toHaveText('Cyprids walk, touch and ');
  await page.keyboard.press('Control+z');
  await expect(field(page)).toHaveText('Cyprids walk, touch ');
  await page.keyboard.press('Control+Shift+z');
  await expect(field(page)).toHaveText('Cyprids walk, touch and ');
  await page.keyboard.type('settle.');
  // A tap beside it lays it down, and begins none.
  await page.mouse.click(...(await placeOn(page, 1, 0.2, 0.3)));
  await expect(field(page)).toBeHidden();
  await kept(page);

  await page.reload();
  await drawn(page, 1);
  await expect(page.getByText('Cyprids walk, touch and settle.').first()).toBeVisible();
  await page.mouse.click(...(await placeOn(page, 1, 0.22, 0.06)));
  await expect(field(page)).toHaveText('Cyprids walk, touch and settle.');
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Escape');
  await expect(page.getByText(/^Nothing is marked yet/)).toBeVisible();
});

test('Arabic, Hebrew, Devanagari and Latin in one line stand as text in the copy', async ({
  page,
}) => {
  await goToDocument(page, 'Rock-pool zones');
  await take(page, 'Answer text');
  await page.mouse.click(...(await placeOn(page, 1, 0.2, 0.04)));
  await expect(field(page)).toBeFocused();
  for (const part of ['tide مد وجزر', ' שלום 12', ' ज्वार', ' Ωμέγα'])
    await page.keyboard.insertText(part);
  await page.keyboard.press('Escape');
  await kept(page);
  const said = textOf(await copyOf(page)).normalize('NFC');
  for (const word of ['tide', 'مد', 'وجزر', 'שלום', '12', 'ज्वार', 'Ωμέγα'])
    expect(said).toContain(word);
});

test('a box is picked, made wider by its side, and typed on in with a double tap', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  await take(page, 'Answer text');
  await page.mouse.click(...(await placeOn(page, 1, 0.08, 0.03)));
  await expect(field(page)).toBeFocused();
  await page.keyboard.type('Barnacles settle where others have settled, and stay there for life.');
  await page.keyboard.press('Escape');
  await take(page, 'Picker');
  const at = await placeOn(page, 1, 0.12, 0.03);
  await page.mouse.click(...at);
  const box = page.getByRole('button', { name: 'Move what is picked' });
  const before = await box.boundingBox();
  const grip = page.locator('[data-handle=e]');
  const side = await grip.boundingBox();
  if (!before || !side) throw new Error('Nothing is picked.');
  const [x, y] = [side.x + side.width / 2, side.y + side.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 150, y, { steps: 4 });
  await page.mouse.up();
  // One line instead of two.
  await expect
    .poll(async () => (await box.boundingBox())?.width)
    .toBeGreaterThan(before.width + 100);
  expect((await box.boundingBox())?.height).toBeLessThan(before.height - 10);
  await page.mouse.dblclick(...at);
  await expect(field(page)).toHaveText(/^Barnacles settle .* for life\.$/);
  // Turned by a number of degrees.
  await page.keyboard.press('Escape');
  await page.mouse.click(...at);
  await page.getByRole('button', { name: 'More for the text' }).click();
  const turned = page.getByRole('textbox', { name: 'Turned clockwise, °' });
  await expect(turned).toHaveValue('0');
  await turned.fill('90');
  await turned.press('Enter');
  await expect(turned).toHaveValue('90');
  await page.keyboard.press('Escape');
  const upright = await box.boundingBox();
  expect(upright?.height).toBeGreaterThan(2 * (upright?.width ?? 0));
});

test('signs come by name, by what is drawn with keys, and from a sheet; undo gives back the letters', async ({
  page,
}) => {
  await typeOnLine(page);
  await page.keyboard.type('\\alpha ');
  await expect(field(page)).toHaveText('α ');
  await page.keyboard.press('Control+z');
  await expect(field(page)).toHaveText('\\alpha ');
  await page.keyboard.press('Control+Shift+z');
  await page.keyboard.press('End');
  await page.keyboard.type('-> x');
  await expect(field(page)).toHaveText('α → x');
  await page.getByRole('button', { name: 'Symbols' }).click();
  const sheet = page.getByRole('dialog', { name: 'Symbols' });
  await sheet.getByRole('textbox', { name: 'Find a symbol' }).fill('about');
  await sheet.getByRole('button', { name: 'about equal' }).click();
  await expect(sheet).toBeHidden();
  await expect(field(page)).toBeFocused();
  await page.keyboard.type(' y');
  await expect(field(page)).toHaveText('α → x≈ y');
  // What is pasted loses what cannot be seen; what no face has is said.
  await page.keyboard.insertText('漢');
  await page.keyboard.press('Escape');
  await expect(page.getByText('No face of the program has “漢”')).toBeVisible();
  // It is found where it stands.
  await page.keyboard.press('Control+f');
  await page.getByRole('searchbox', { name: 'Search the document' }).fill('x≈');
  await page.getByRole('group', { name: 'In typed text' }).getByRole('button').click();
});

test('a callout points at a place: its box is moved by itself, its point and its bend by their grips', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  await page.getByRole('button', { name: 'Add an instrument' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Add: Callout' }).click();
  // What is added is in hand.
  await expect(page.getByRole('dialog')).toBeHidden();
  const place = await placeOn(page, 1, 0.3, 0.2);
  const box = await placeOn(page, 1, 0.6, 0.1);
  await page.mouse.move(...place);
  await page.mouse.down();
  await page.mouse.move(...box, { steps: 5 });
  await page.mouse.up();
  await expect(field(page)).toBeFocused();
  await page.keyboard.type('Which one?');
  await page.keyboard.press('Escape');
  await kept(page);

  await take(page, 'Picker');
  await page.mouse.click(box[0] + 30, box[1]);
  const tip = page.getByRole('button', { name: 'What the callout points at' });
  const near = async (u: number, v: number): Promise<number> => {
    const seen = await tip.boundingBox();
    const [x, y] = await placeOn(page, 1, u, v);
    return seen ? Math.hypot(seen.x + seen.width / 2 - x, seen.y + seen.height / 2 - y) : NaN;
  };
  expect(await near(0.3, 0.2)).toBeLessThan(3);
  // The box goes, its point stays.
  const move = page.getByRole('button', { name: 'Move what is picked' });
  await move.focus();
  const before = await move.boundingBox();
  await page.keyboard.press('Shift+ArrowDown');
  await expect.poll(async () => (await move.boundingBox())?.y).not.toBe(before?.y);
  expect(await near(0.3, 0.2)).toBeLessThan(3);
  await dragGrip(page, 'What the callout points at', [0.25, 0.24]);
  await expect.poll(() => near(0.25, 0.24)).toBeLessThan(3);
  await page.getByRole('button', { name: 'Bend of the callout’s line' }).focus();
  await page.keyboard.press('Shift+ArrowUp');
  await page.getByRole('button', { name: 'List of marks' }).click();
  await expect(page.getByRole('button', { name: /^Go to Callout/ })).toBeVisible();
  expect(textOf(await copyOf(page))).toContain('Which one?');
});

test('what the browser puts together letter by letter is kept, also when the text is laid down before it is done', async ({
  page,
}) => {
  await typeOnLine(page);
  const devtools = await page.context().newCDPSession(page);
  const compose = (text: string) =>
    devtools.send('Input.imeSetComposition', {
      text,
      selectionStart: text.length,
      selectionEnd: text.length,
    });
  for (const text of ['´', 'é']) await compose(text);
  await devtools.send('Input.insertText', { text: 'é' });
  await expect(field(page)).toHaveText('é');
  for (const text of ['n', 'ni', 'nih']) await compose(text);
  await page.mouse.click(...(await placeOn(page, 1, 0.9, 0.03)));
  await expect(field(page)).toBeHidden();
  await openMarks(page);
  await expect(page.getByText('énih').first()).toBeVisible();
});

test('letters are turned bold before they are typed, and back, by key and by the chip; what is on shows', async ({
  page,
}) => {
  await typeOnLine(page);
  const bold = page.getByRole('group', { name: 'Text' }).getByRole('button', { name: 'Bold' });
  await page.keyboard.type('At ');
  await expect(bold).toHaveAttribute('aria-pressed', 'false');
  await page.keyboard.press('Control+b');
  await expect(bold).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.type('low');
  await bold.click();
  await expect(bold).toHaveAttribute('aria-pressed', 'false');
  await page.keyboard.type(' tide');
  const faces = await field(page).evaluate((element) =>
    [...element.querySelectorAll('span')].map((span) => [
      span.textContent,
      getComputedStyle(span).fontFamily.split(',')[0],
    ]),
  );
  expect(faces).toEqual([
    ['At ', 'page-sans'],
    ['low', 'page-sans-bold'],
    [' tide', 'page-sans'],
  ]);
  // Among letters that are bold the chip says so.
  for (let k = 0; k < 6; k++) await page.keyboard.press('ArrowLeft');
  await expect(bold).toHaveAttribute('aria-pressed', 'true');
  // Those that are selected get another face, size and ink; one goes on typing where one was.
  await page.keyboard.press('Control+a');
  await page
    .getByRole('group', { name: 'Text' })
    .getByRole('button', { name: 'Face, size and ink of letters' })
    .click();
  const sheet = page.getByRole('dialog', { name: 'Selected letters' });
  await sheet.getByRole('radio', { name: 'Serif' }).click();
  await sheet.getByRole('radio', { name: 'Vermilion' }).click();
  await sheet.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(field(page)).toBeFocused();
  await page.keyboard.press('End');
  await page.keyboard.type('!');
  const looks = await field(page).evaluate((element) =>
    [...element.querySelectorAll('span')].map((span) => [
      span.textContent,
      getComputedStyle(span).fontFamily.split(',')[0],
      getComputedStyle(span).color,
    ]),
  );
  expect(looks).toEqual([
    ['At ', 'page-serif', 'rgb(194, 47, 23)'],
    ['low', 'page-serif-bold', 'rgb(194, 47, 23)'],
    [' tide!', 'page-serif', 'rgb(194, 47, 23)'],
  ]);
  await page.keyboard.press('Escape');
  await kept(page);
});

test('text of another program becomes a box, and keeps its emphasis; what was copied here is pasted as it was', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await goToDocument(page, 'Rock-pool zones');
  await page.evaluate(() =>
    navigator.clipboard.write([
      new ClipboardItem({
        'text/plain': new Blob(['Never at high water.\nTeo'], { type: 'text/plain' }),
        'text/html': new Blob(['<p><b>Never</b> at <i>high</i> water.</p><p>Teo</p>'], {
          type: 'text/html',
        }),
      }),
    ]),
  );
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+v');
  await expect(field(page)).toHaveText('Never at high water.\nTeo', { useInnerText: true });
  const faces = await field(page).evaluate((element) =>
    [...element.querySelectorAll('span')].map((span) => [
      span.textContent,
      getComputedStyle(span).fontFamily.split(',')[0],
    ]),
  );
  expect(faces).toEqual([
    ['Never', 'page-sans-bold'],
    [' at ', 'page-sans'],
    ['high', 'page-sans-italic'],
    [' water.\nTeo', 'page-sans'],
  ]);
  await page.keyboard.press('Escape');
  await expect(field(page)).toBeHidden();
  await kept(page);

  // Copied and pasted here it is a mark again, not a text to be typed on.
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+c');
  await page.waitForTimeout(400);
  await page.keyboard.press('Control+v');
  await openMarks(page);
  await expect(page.getByRole('button', { name: /^Go to Text/ })).toHaveCount(2);
  await expect(field(page)).toBeHidden();
});

test('for a sign that no face has a font file is chosen; it is kept on this device, and goes into the copy', async ({
  page,
}) => {
  await typeOnLine(page);
  await page.keyboard.type('Square ');
  await page.keyboard.insertText('╬ ');
  const chooses = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a font file' }).click();
  const wrong = { name: 'letter.ttf', mimeType: 'font/ttf', buffer: Buffer.from('Dear tutor') };
  await (await chooses).setFiles(wrong);
  await expect(page.getByText('This is no font that can be used')).toBeVisible();
  await page.keyboard.press('Escape');
  await command(page, 'Settings');
  const settings = page.getByRole('group', { name: 'Fonts of your own' });
  const again = page.waitForEvent('filechooser');
  await settings.getByRole('button', { name: 'Add a font file' }).click();
  await (await again).setFiles('node_modules/pdfjs-dist/standard_fonts/LiberationSans-Regular.ttf');
  await expect(settings.getByText(/is kept on this device/)).toBeVisible();
  await page.keyboard.press('Escape');
  expect(textOf(await copyOf(page))).toContain('Square ╬');
  await page.reload();
  await drawn(page, 1);
  await command(page, 'Settings');
  await settings.getByRole('button', { name: /^Remove LiberationSans/ }).click();
  await expect(settings.getByText(/LiberationSans-Regular.ttf$/)).toBeHidden();
});
