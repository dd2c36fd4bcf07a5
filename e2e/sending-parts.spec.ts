import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { beginOnWords, say } from './support/notes';
import { Pen } from './support/pen';
import { goToDocument, kept, openSend, take } from './support/reader';
import { textOf } from './support/typing';

/** Of which pages something leaves, and as what. */

async function fileFrom(page: Page): Promise<{ name: string; bytes: Buffer }> {
  const download = page.waitForEvent('download');
  await page.getByRole('dialog').getByRole('button', { name: 'Download' }).click();
  const file = await download;
  return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) };
}

async function noted(page: Page): Promise<void> {
  await goToDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  await take(page, 'Word picker');
  await beginOnWords(page, pen, [0.14, 0.188], 0.34);
  await say(page, 'Is that *so*?');
  await kept(page);
}

test('pages that are named leave, with the notes on them or without; nothing of others is in the copy', async ({
  page,
}) => {
  await noted(page);
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  const sheet = page.getByRole('dialog');
  const preview = sheet.getByRole('img', { name: 'Page 1 as it leaves' });
  await expect(preview).toBeVisible();
  const shape = async () => (await preview.boundingBox()) as { width: number; height: number };
  const alone = await shape();
  await sheet.getByRole('radio', { name: 'Beside the page' }).click();
  // The page is shown with its margin before anything is made.
  await expect.poll(async () => (await shape()).height).toBeLessThan(alone.height - 20);
  await expect(page.getByTestId('copy-made')).toBeHidden();
  const beside = textOf((await fileFrom(page)).bytes);
  await expect(page.getByTestId('copy-made')).toContainText('6 pages');
  await expect(page.getByTestId('proof')).toContainText('1 changed page compared');
  // On the first page, before the second begins.
  expect(beside.split('\f')[0]).toContain('Is that so?');
  await sheet.getByRole('radio', { name: 'Left out' }).click();
  // Something else is asked for: what was made is not it.
  await expect(page.getByTestId('copy-made')).toBeHidden();
  expect(textOf((await fileFrom(page)).bytes)).not.toContain('Is that so?');

  await sheet.getByRole('radio', { name: 'Pages …' }).click();
  await expect(sheet.getByText('Say which pages: 2-5, 9.')).toBeVisible();
  await expect(sheet.getByRole('button', { name: 'Download' })).toBeHidden();
  const which = sheet.getByRole('textbox', { name: 'Pages' });
  await which.fill('2-3, 12');
  await expect(sheet.getByText('There is no page “12”.')).toBeVisible();
  await which.fill('2-3, 5');
  await sheet.getByRole('button', { name: 'The next page' }).click();
  await expect(sheet.getByRole('img', { name: 'Page 3 as it leaves' })).toBeVisible();
  await expect(sheet.getByRole('radio', { name: 'At the end' })).toBeHidden();
  const some = await fileFrom(page);
  await expect(page.getByTestId('copy-made')).toContainText('3 pages');
  // Those that stand behind another than in their file are compared.
  await expect(page.getByTestId('proof')).toContainText('2 changed pages compared');
  expect(some.name).toBe('How barnacles choose a rock, pages 2-3, 5 – marked.pdf');
  expect(textOf(some.bytes)).not.toContain('An adult barnacle cannot');

  await sheet.getByRole('radio', { name: /^Pages with marks \(1\)/ }).click();
  await sheet.getByRole('radio', { name: 'At the end' }).click();
  expect(textOf((await fileFrom(page)).bytes)).toMatch(/An adult barnacle cannot[^]*Is that so\?/);
  await expect(page.getByTestId('copy-made')).toContainText('2 pages');
});

test('notes leave alone, as a text and as a table; the answers are remembered, and what files are called', async ({
  page,
}) => {
  await noted(page);
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('radio', { name: 'Notes as text' }).click();
  await expect(page.getByTestId('notes-alone')).toContainText('## Page 1');
  await expect(sheet.getByRole('radio', { name: 'A link' })).toBeHidden();
  const text = await fileFrom(page);
  expect(text.name).toBe('How barnacles choose a rock – notes.md');
  expect(text.bytes.toString()).toMatch(
    /^# Notes on How barnacles choose a rock\n\n## Page 1\n\n### 1\n\n> An adult barnacle cannot\n\nIs that \*so\*\?\n/,
  );
  await page.keyboard.press('Escape');
  await page.reload();
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(sheet.getByRole('radio', { name: 'Notes as text' })).toBeChecked();
  await sheet.getByRole('radio', { name: 'Notes as a table' }).click();
  // Called as somebody wants it, which is remembered too.
  await sheet.getByRole('button', { name: 'How files are named …' }).click();
  await sheet.getByLabel('How files are named').fill('{date} {title} ({kind}) – {author}');
  const day = new Date().toLocaleDateString('sv');
  const called = `${day} How barnacles choose a rock (notes)`;
  await expect(sheet.getByText(`${called}.csv`)).toBeVisible();
  const table = await fileFrom(page);
  expect(table.name).toBe(`${called}.csv`);
  expect(table.bytes.toString()).toMatch(/\r\n1,1,An adult barnacle cannot,Is that so\?,/);
});

test('a copy that is not as the screen shows it is held back, shown, and leaves only when asked for once more', async ({
  page,
}) => {
  await noted(page);
  // The worker that makes the copy gets no marks; the one that proves it gets all of them.
  await page.addInitScript(() => {
    const { postMessage } = Worker.prototype;
    Worker.prototype.postMessage = function (this: Worker, message: never, ...rest: never[]) {
      const { job, ask } = message as { job?: string; ask: { document: object; layers: object } };
      const marks = new Map();
      const robbed = { ask: { ...ask, layers: new Map(), document: { ...ask?.document, marks } } };
      const told = job === 'fixedCopy' ? { ...(message as object), ...robbed } : message;
      return postMessage.call(this, told, ...(rest as [never]));
    } as Worker['postMessage'];
  });
  await page.reload();
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  const sheet = page.getByRole('dialog');
  let downloads = 0;
  page.on('download', () => downloads++);
  await sheet.getByRole('button', { name: 'Download' }).click();
  await expect(page.getByTestId('proof')).toContainText('1 page is not as on the screen.');
  await expect(sheet.getByText(/^Page 1: 1 mark is missing/)).toBeVisible();
  for (const label of ['On the screen', 'In the copy'])
    await expect(sheet.getByRole('img', { name: `Page 1: ${label}` })).toBeVisible();
  expect(downloads).toBe(0);
  await sheet.getByRole('button', { name: 'Download all the same' }).click();
  await expect.poll(() => downloads).toBe(1);
});

test('pages leave as pictures, one as it is or onto the clipboard, several in a ZIP file', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await goToDocument(page, 'Rock-pool zones');
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'This page' }).click();
  await sheet.getByRole('radio', { name: 'Pictures' }).click();
  await sheet.getByRole('radio', { name: '300 dpi' }).click();
  await expect(sheet.getByText('Rock-pool zones, page 1.png')).toBeVisible();
  await sheet.getByRole('radio', { name: 'Copy', exact: true }).click();
  await sheet.getByRole('button', { name: 'Copy', exact: true }).click();
  await expect(sheet.getByText('Copied.')).toBeVisible({ timeout: 30_000 });
  const size = await page.evaluate(async () => {
    const [item] = await navigator.clipboard.read();
    const { width, height } = await createImageBitmap(await item.getType('image/png'));
    return [width, height];
  });
  // A4 at 300 dpi (595.28 × 841.89 points).
  expect(size).toEqual([2480, 3508]);

  await sheet.getByRole('radio', { name: 'Download' }).click();
  const one = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Download' }).click();
  const png = readFileSync(await (await one).path());
  expect(png.subarray(37, 41).toString()).toBe('pHYs');

  await sheet.getByRole('radio', { name: 'All pages' }).click();
  await sheet.getByRole('radio', { name: 'JPEG' }).click();
  await sheet.getByRole('radio', { name: '96 dpi' }).click();
  const all = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Download' }).click();
  const file = await all;
  expect(file.suggestedFilename()).toBe('Rock-pool zones – pictures.zip');
  await expect(page.getByTestId('copy-made')).toContainText('2 pictures in a ZIP file');
  const listed = spawnSync('/usr/bin/python3', [
    ...[
      '-c',
      'import sys,zipfile; z=zipfile.ZipFile(sys.argv[1]); print(z.testzip(), z.namelist())',
    ],
    await file.path(),
  ]);
  expect(listed.stdout.toString().trim()).toBe("None ['page 1.jpg', 'page 2.jpg']");
});
