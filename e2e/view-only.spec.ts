import { expect, type Page, test } from '@playwright/test';
import { makeLink, openSend, openWorksheet } from './support/reader';

/** Makes a link to look at the worksheet, with these switches on. */
async function viewOnlyLink(page: Page, ...on: readonly (string | RegExp)[]): Promise<string> {
  await openWorksheet(page);
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'A link' }).click();
  await sheet.getByRole('radio', { name: 'View only' }).click();
  for (const name of on) await sheet.getByRole('switch', { name }).click();
  await makeLink(page);
  await expect(sheet.getByText('view only')).toBeVisible();
  return sheet.getByTestId('link').innerText();
}

/** Pages come from the server, which has to start what draws them. */
const drawnThere = (guest: Page): Promise<void> =>
  expect(guest.locator('[data-page="1"][data-drawn]')).toBeAttached({ timeout: 45_000 });

test('a link to look at: guests say their name, see pages that carry it, copy words where they may, and get neither file nor print', async ({
  page,
  browser,
  baseURL,
}) => {
  const address = await viewOnlyLink(page, /^Ask for their name/, 'They may copy words');

  const guests = await browser.newContext({
    baseURL,
    viewport: { width: 390, height: 844 },
    permissions: ['clipboard-read', 'clipboard-write'],
  });
  const guest = await guests.newPage();
  const types: string[] = [];
  guest.on('response', (answer) => types.push(answer.headers()['content-type'] ?? ''));
  await guest.goto(address);
  await expect(guest.getByText('Rock-pool')).toHaveCount(0);
  await expect(guest.getByRole('button', { name: 'Open' })).toBeDisabled();
  await guest.getByRole('textbox', { name: 'Your name' }).fill('Ilka Brandt');
  await guest.keyboard.press('Enter');
  await drawnThere(guest);
  await expect(guest.getByRole('button', { name: 'Download' })).toHaveCount(0);
  await expect(guest.getByRole('button', { name: 'Print' })).toHaveCount(0);
  await expect(guest.getByTestId('page-words').first()).toContainText('zone');
  await guest.getByRole('button', { name: 'Copy words' }).click();
  await expect(guest.getByRole('button', { name: 'Copied' })).toBeVisible();
  expect(await guest.evaluate(() => navigator.clipboard.readText())).toContain('zone');

  // What the page draws is what came, and no file was among it.
  expect(types.filter((type) => type.startsWith('image/jpeg')).length).toBeGreaterThan(0);
  expect(types.filter((type) => type.includes('pdf'))).toEqual([]);
  const token = address.split('/').at(-1);
  const file = await guest.request.get(`/api/links/${token}/file`);
  expect(file.status()).toBe(403);
  expect((await file.body()).includes('%PDF')).toBe(false);

  await guest.emulateMedia({ media: 'print' });
  await expect(guest.getByText('did not allow it to be printed')).toBeVisible();
  await expect(guest.getByTestId('stage')).toBeHidden();
  await guests.close();
});

test('pages that may be printed are printed from pictures, one on a sheet', async ({
  page,
  browser,
  baseURL,
}) => {
  const address = await viewOnlyLink(page, 'They may print');
  const guests = await browser.newContext({ baseURL, viewport: { width: 1280, height: 800 } });
  const guest = await guests.newPage();
  await guest.goto(address);
  await drawnThere(guest);
  // In the place of the browser's own dialog: what it would print.
  await guest.evaluate(() => {
    window.print = () => {
      const pictures = [...document.querySelectorAll<HTMLImageElement>('.printed-pages img')];
      document.documentElement.dataset.printed = pictures
        .map(({ naturalWidth }) => naturalWidth)
        .join(' ');
    };
  });
  await guest.getByRole('button', { name: 'Print' }).click();
  await expect(guest.locator('html')).toHaveAttribute('data-printed', '1600 1600');
  await guests.close();
});
