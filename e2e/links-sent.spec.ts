import { statSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { inkBlue } from './support/inkBlue';
import { wave } from './support/pen';
import {
  drawn,
  kept,
  makeLink,
  openDesk,
  openSend,
  openWorksheet,
  placeOn,
} from './support/reader';

const PASSWORD = 'low tide at seven';

test('a link with a password: guests are asked for it and told the message, its owner sees that it was opened, renews it, and withdraws it from the desk', async ({
  page,
  browser,
  baseURL,
}) => {
  const pen = await openWorksheet(page);
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'A link' }).click();
  await sheet.getByLabel('Password for the link').fill('short');
  await expect(sheet.getByRole('button', { name: 'Make a link' })).toBeDisabled();
  await sheet.getByLabel('Password for the link').fill(PASSWORD);
  await sheet.getByLabel('Message to your guests').fill('Please look at zone 3.');
  await makeLink(page);
  const address = await sheet.getByTestId('link').innerText();
  await expect(sheet.getByText('asks for a password')).toBeVisible();
  await expect(sheet.getByTestId('openings')).toHaveText('Not opened yet');
  await sheet.getByRole('button', { name: 'QR code' }).click();
  await expect(sheet.getByRole('img', { name: 'The link as a QR code' })).toBeVisible();

  const guests = await browser.newContext({ baseURL, viewport: { width: 390, height: 844 } });
  const guest = await guests.newPage();
  await guest.goto(address);
  await expect(guest.getByText('asks for a password')).toBeVisible();
  await expect(guest.getByText('Rock-pool')).toHaveCount(0);
  await guest.getByRole('textbox', { name: 'Password' }).fill('high tide');
  await guest.getByRole('button', { name: 'Open' }).click();
  await expect(guest.getByRole('alert')).toHaveText('That is not the password.');
  await guest.getByRole('textbox', { name: 'Password' }).fill(PASSWORD);
  await guest.keyboard.press('Enter');
  await drawn(guest, 1);
  await expect(guest.getByText('Please look at zone 3.')).toBeVisible();
  expect(await guest.evaluate(inkBlue)).toBe(0);
  const download = guest.waitForEvent('download');
  await guest.getByRole('button', { name: 'Download' }).click();
  expect(statSync(await (await download).path()).size).toBeGreaterThan(10_000);

  // Marked further, the same link leads to the new copy; the guest who was let in is not asked again.
  await page.keyboard.press('Escape');
  const [x, y] = await placeOn(page, 1, 0.15, 0.3);
  await pen.draw(wave(x, y, 300));
  await kept(page);
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(sheet.getByTestId('openings')).toHaveText('Opened once, just now');
  await sheet.getByRole('button', { name: 'Renew …' }).click();
  await sheet.getByRole('button', { name: 'Renew', exact: true }).click();
  await expect(sheet.getByText('The link leads to this copy now.')).toBeVisible();
  await guest.reload();
  await drawn(guest, 1);
  await expect.poll(() => guest.evaluate(inkBlue)).toBeGreaterThan(40);

  // From the desk, without opening the document.
  await openDesk(page);
  await page.getByRole('button', { name: 'What was sent' }).click();
  const sent = page.getByRole('dialog', { name: 'What was sent' });
  const rows = sent.getByRole('list', { name: 'What was sent' }).getByRole('listitem');
  await expect(rows).toHaveCount(2);
  await expect(rows.first()).toContainText('put under a link');
  await expect(sent.getByTestId('openings')).toContainText('Opened twice');
  await sent.getByRole('button', { name: 'Times' }).click();
  await expect(
    sent.getByRole('list', { name: 'Times it was opened' }).getByRole('listitem'),
  ).toHaveCount(2);
  await sent.getByRole('button', { name: 'Withdraw …' }).click();
  await sent.getByRole('button', { name: 'Withdraw', exact: true }).click();
  await expect(sent.getByText('Its link was withdrawn.')).toBeVisible();
  expect((await guest.goto(address))?.status()).toBe(410);
  await guests.close();
});
