import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { wave } from './support/pen';
import {
  drawn,
  finishCopy,
  goToDocument,
  kept,
  makeCopy,
  makeLink,
  openDesk,
  openDocument,
  openSend,
  openWorksheet,
  placeOn,
} from './support/reader';

test('a long copy shows its progress and can be stopped', async ({ page }) => {
  await openDesk(page);
  await page.getByRole('button', { name: /Add “Tide almanac”/ }).click();
  await page.getByRole('button', { name: 'Open Tide almanac' }).click({ timeout: 30_000 });
  await drawn(page, 1);
  const sheet = await openSend(page);
  await sheet.getByRole('button', { name: 'Download' }).click();
  await expect(page.getByText(/Making the copy: page \d+ of 800/)).toBeVisible();
  // In the page itself: a click from outside may come when the copy is made already.
  await page.waitForFunction(() => {
    const buttons = [...document.querySelectorAll<HTMLElement>('[role=dialog] [role=button]')];
    const stop = buttons.find((b) => b.textContent === 'Stop');
    stop?.click();
    return stop !== undefined;
  });
  // The questions are still there, and the next copy is made whole.
  await finishCopy(page);
  await expect(page.getByTestId('copy-made')).toContainText('800 pages');
});

test('the original in storage stays as it is, however often it is sent', async ({ page }) => {
  const pen = await openWorksheet(page);
  const [x, y] = await placeOn(page, 1, 0.2, 0.35);
  await pen.draw(wave(x, y, 200));
  await kept(page);
  for (let i = 0; i < 2; i++) {
    await makeCopy(page);
    await page.keyboard.press('Escape');
  }
  // The same bytes dropped again are known: what is stored under their hash has not changed.
  await openDesk(page);
  const bytes = [...readFileSync('demo/documents/rock-pool-zones.pdf')];
  await page.evaluate((data) => {
    const transfer = new DataTransfer();
    transfer.items.add(new File([Uint8Array.from(data)], 'again.pdf', { type: 'application/pdf' }));
    window.dispatchEvent(
      new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }),
    );
  }, bytes);
  await expect(page.getByText('already on the desk')).toBeVisible();
});

test('the system’s share sheet gets the file, where the browser has one', async ({ page }) => {
  await page.addInitScript(() => {
    const w = window as unknown as { shared: string[] };
    w.shared = [];
    Object.defineProperty(navigator, 'canShare', { value: () => true });
    Object.defineProperty(navigator, 'share', {
      value: async ({ files }: { files: File[] }) =>
        w.shared.push(`${files[0].name} ${files[0].type}`),
    });
  });
  await goToDocument(page, 'Rock-pool zones');
  await makeCopy(page);
  await page.getByRole('radio', { name: 'Share' }).click();
  await page.getByRole('button', { name: 'Share' }).click();
  await expect
    .poll(() => page.evaluate(() => (window as unknown as { shared: string[] }).shared))
    .toEqual(['Rock-pool zones – marked.pdf application/pdf']);
});

test('without the server everything works but links, and that is said', async ({
  page,
  context,
}) => {
  await goToDocument(page, 'Rock-pool zones');
  await makeCopy(page);
  await context.setOffline(true);
  await makeLink(page);
  await expect(page.getByRole('alert')).toContainText('server cannot be reached');
  await expect(page.getByTestId('copy-made')).toBeVisible();
  await context.setOffline(false);
  await makeLink(page);
  await expect(page.getByTestId('link')).toContainText('/s/');
});

test('a link’s life is chosen, and links made are there after a reload', async ({ page }) => {
  await goToDocument(page, 'Rock-pool zones');
  await makeCopy(page);
  await page.getByRole('radio', { name: 'A link' }).click();
  await page.getByText('30 days').click();
  await makeLink(page);
  const address = await page.getByTestId('link').innerText();
  const day = new Date(Date.now() + 30 * 24 * 3600 * 1000).getDate();
  await expect(page.getByText(/^Until/)).toContainText(String(day));
  await page.reload();
  await drawn(page, 1);
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  // How it was sent last is remembered.
  await expect(page.getByRole('radio', { name: 'A link' })).toBeChecked();
  await expect(page.getByTestId('link')).toHaveText(address);
});

test('dead links give a guest a plain page with the right status', async ({ page }) => {
  for (const [token, status] of [
    ['A'.repeat(43), 404],
    ['half-a-token', 400],
  ] as const) {
    const answer = await page.goto(`/s/${token}`);
    expect(answer?.status()).toBe(status);
    await expect(page.getByRole('heading', { name: 'No document here' })).toBeVisible();
    expect(await page.locator('script').count()).toBe(0);
  }
});

test('nothing is fetched from anywhere else, and the page’s policy is never broken', async ({
  page,
}) => {
  const elsewhere: string[] = [];
  const broken: string[] = [];
  page.on('request', (r) => {
    if (!/^(http:\/\/localhost|data:|blob:)/.test(r.url())) elsewhere.push(r.url());
  });
  page.on('console', (m) => {
    if (/Content Security Policy/i.test(m.text())) broken.push(m.text());
  });
  page.on('pageerror', (e) => broken.push(e.message));
  await openDesk(page);
  for (const title of ['Tide log, scanned', 'Course handbook']) {
    await openDocument(page, title);
    await makeCopy(page);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Back to the desk' }).click();
  }
  expect(elsewhere).toEqual([]);
  expect(broken).toEqual([]);
});
