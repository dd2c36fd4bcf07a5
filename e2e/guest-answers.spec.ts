import { expect, test } from '@playwright/test';
import {
  command,
  drawn,
  kept,
  makeLink,
  openDesk,
  openSend,
  openWorksheet,
  placeOn,
} from './support/reader';

test('guests answer notes where they may; the desk hears of it, and the answers stand in the margin as a guest’s', async ({
  page,
  browser,
  baseURL,
}) => {
  await openWorksheet(page);
  await command(page, /^Add a note/);
  await page.touchscreen.tap(...(await placeOn(page, 1, 0.5, 0.3)));
  const box = page.getByRole('group', { name: 'New note' });
  await box.getByRole('textbox', { name: 'What the note says' }).fill('Is that so at neap tide?');
  await box.getByRole('button', { name: 'Add the note' }).click();
  await expect(box).toBeHidden();
  await kept(page);
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'A link' }).click();
  await sheet.getByRole('switch', { name: 'They may answer the notes' }).click();
  await makeLink(page);
  const address = await sheet.getByTestId('link').innerText();
  await openDesk(page);

  const guests = await browser.newContext({ baseURL, viewport: { width: 390, height: 844 } });
  const guest = await guests.newPage();
  await guest.goto(address);
  await drawn(guest, 1);
  await guest.getByRole('button', { name: 'Notes' }).click();
  const notes = guest.getByRole('dialog', { name: 'Notes' });
  await expect(notes.getByText('Is that so at neap tide?')).toBeVisible();
  const field = notes.getByRole('textbox', { name: /^Answer the note/ });
  await field.fill('Not in the cracks.');
  await expect(notes.getByRole('button', { name: 'Write your name above first' })).toBeDisabled();
  await notes.getByRole('textbox', { name: 'Your name' }).fill('Ilka Brandt');
  await notes.getByRole('button', { name: 'Answer', exact: true }).click();
  await expect(notes.getByText('Ilka Brandt (guest)')).toBeVisible();
  await expect(field).toHaveValue('');

  await openDesk(page);
  await expect(page.getByText('“Rock-pool zones” has an answer from a guest.')).toBeVisible();
  await page.getByRole('button', { name: 'Open it' }).click();
  await drawn(page, 1);
  await expect(page.getByText('A guest has answered a note.')).toBeVisible();
  await kept(page);
  await openDesk(page);
  await expect(page.getByText('an answer from a guest')).toHaveCount(0);

  // While it is open: on asking.
  await page.getByRole('button', { name: 'Open Rock-pool zones', exact: true }).click();
  await drawn(page, 1);
  await command(page, 'Ask for guests’ answers');
  await expect(page.getByText('No guest has answered since.')).toBeVisible();
  await field.fill('And in pools?');
  await notes.getByRole('button', { name: 'Answer', exact: true }).click();
  await expect(field).toHaveValue('');
  await command(page, 'Ask for guests’ answers');
  await expect(page.getByText('A guest has answered a note.')).toBeVisible();
  await page.getByRole('button', { name: /^Note 1:/ }).click();
  const card = page.getByRole('article', { name: 'Note 1' });
  for (const text of ['Not in the cracks.', 'And in pools?', 'Ilka Brandt (guest)'])
    await expect(card.getByText(text).first()).toBeVisible();
  await guests.close();
});
