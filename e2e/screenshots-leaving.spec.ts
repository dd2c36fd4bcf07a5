import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { write } from './support/handwriting';
import { newNote, say } from './support/notes';
import { Pen } from './support/pen';
import { LAID_OUT } from './support/laidOut';
import {
  addFile,
  command,
  dragOver,
  drawn,
  kept,
  makeLink,
  openDesk,
  openDocument,
  openSend,
  placeOn,
  take,
} from './support/reader';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, deviceScaleFactor: 1 };

/** Pictures of a phone's screen beside each other, as one. */
async function strip(page: Page, name: string, pictures: readonly Buffer[]): Promise<void> {
  const images = pictures
    .map((picture) => `<img src="data:image/png;base64,${picture.toString('base64')}">`)
    .join('');
  await page.setViewportSize({ width: 400 * pictures.length - 10, height: 844 });
  await page.goto('about:blank');
  await page.setContent(
    `<body style="margin:0;display:flex;gap:10px;background:#888">${images}</body>`,
  );
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
}

test('what leaves: the password a guest is asked for, the pages, their notes, what was sent, and the outbox', async ({
  browser,
  baseURL,
}) => {
  if (test.info().project.name === 'wide') return;
  const size = { ...PHONE, baseURL };
  const desk = await browser.newContext({ ...size, storageState: LAID_OUT });
  const page = await desk.newPage();
  await openDesk(page);
  await openDocument(page, 'Rock-pool zones');
  const pen = await Pen.of(page);
  await write(pen, 'the lower shore', await placeOn(page, 1, 0.12, 0.243), 10);
  await kept(page);
  await command(page, /^Add a note/);
  const about = await placeOn(page, 1, 0.8, 0.21);
  await pen.draw([about, about]);
  const name = newNote(page).getByRole('textbox', { name: /^Your name/ });
  await name.fill('Ines Mara');
  await say(page, 'Is that so at neap tide?');
  await kept(page);
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'E-mail' }).click();
  await sheet.getByRole('radio', { name: 'From here' }).click();
  await sheet.getByLabel('To', { exact: true }).fill('teo@shore.example');
  await sheet.getByLabel('Text of the e-mail').fill('Please look at zone 3.');
  await sheet.getByRole('button', { name: 'Send the e-mail' }).click();
  await expect(sheet.getByText('The e-mail is sent.')).toBeVisible();
  await sheet.getByRole('radio', { name: 'A link' }).click();
  await sheet.getByRole('radio', { name: 'View only' }).click();
  for (const term of [/^Ask for their name/, 'They may copy words', 'They may answer the notes'])
    await sheet.getByRole('switch', { name: term }).click();
  await sheet.getByLabel('Password for the link').fill('low tide at seven');
  await sheet.getByLabel('Message to your guests').fill('Please look at zone 3.');
  await makeLink(page);
  const address = await sheet.getByTestId('link').innerText();

  const pictures: Buffer[] = [];
  const keepOf = async (of: Page): Promise<void> => {
    await of.waitForTimeout(900);
    pictures.push(await of.screenshot());
  };
  const guests = await browser.newContext(size);
  const guest = await guests.newPage();
  await guest.goto(new URL(address).pathname);
  await guest.getByRole('textbox', { name: 'Your name' }).fill('Ilka Brandt');
  await guest.getByRole('textbox', { name: 'Password' }).fill('high tide now');
  await guest.getByRole('button', { name: 'Open' }).click();
  await expect(guest.getByText('That is not the password.')).toBeVisible();
  await keepOf(guest);
  await guest.getByRole('textbox', { name: 'Password' }).fill('low tide at seven');
  await guest.getByRole('button', { name: 'Open' }).click();
  await drawn(guest, 1);
  await keepOf(guest);
  await guest.getByRole('button', { name: 'Notes' }).click();
  await guest.getByRole('textbox', { name: /^Answer the note/ }).fill('Not in the cracks.');
  await guest.getByRole('button', { name: 'Answer', exact: true }).click();
  await expect(guest.getByText('Ilka Brandt (guest)')).toBeVisible();
  await keepOf(guest);
  await openDesk(page);
  await page.getByRole('button', { name: 'What was sent' }).click();
  await expect(page.getByTestId('openings').first()).toHaveText(/^Opened once/);
  await keepOf(page);
  await guest.goto('/stand-ins/outbox');
  await expect(guest.getByRole('listitem').first()).toContainText('teo@shore.example');
  await keepOf(guest);
  await strip(guest, 'guest-phone', pictures);
  await desk.close();
  await guests.close();
});

test('what is put on pages: a form that is filled in, the drawer, and a sheet for a signature', async ({
  browser,
  baseURL,
}) => {
  if (test.info().project.name === 'wide') return;
  const size = { ...PHONE, baseURL };
  const context = await browser.newContext({ ...size, storageState: LAID_OUT });
  const page = await context.newPage();
  await openDesk(page);
  await addFile(
    page,
    'Loan form.pdf',
    new Uint8Array(readFileSync('demo/documents/loan-form.pdf')),
  );
  await drawn(page, 1);
  await page.getByRole('button', { name: 'Close the hint' }).click();
  const pictures: Buffer[] = [];
  const keep = async (): Promise<void> => {
    await page.waitForTimeout(900);
    pictures.push(await page.screenshot());
  };
  await page.getByRole('checkbox', { name: 'Quadrat' }).press('Space');
  for (const [name, says] of [
    ['How many: Quadrat', '6'],
    ['Card number', '4711980'],
    ['Name', 'Ines Mara'],
  ]) {
    await page.getByRole('textbox', { name, exact: true }).focus();
    await page.keyboard.type(says);
  }
  await keep();
  await page.keyboard.press('Escape');
  await command(page, 'Sign');
  const pad = page.getByRole('img', { name: 'Write your signature here' });
  const box = await pad.boundingBox();
  if (!box) throw new Error('There is no sheet to write on.');
  await page.mouse.move(box.x + 40, box.y + 60);
  await page.mouse.down();
  for (let k = 1; k <= 60; k++)
    await page.mouse.move(
      box.x + 40 + 4 * k + 9 * Math.cos(k / 2.2),
      box.y + 56 + 16 * Math.sin(k / 2.2) - 0.2 * k,
    );
  await page.mouse.up();
  await page.getByLabel('Whose signature it is').fill('Ines Mara');
  await page.keyboard.press('Tab');
  await keep();
  await page.getByRole('button', { name: 'Keep and sign' }).click();
  await kept(page);
  await command(page, 'Put what is picked in the drawer');
  await page.getByRole('radio', { name: 'One stamp' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Signed for the group');
  await page.getByRole('dialog').getByLabel('Folder').fill('Loans');
  await page.getByRole('button', { name: 'Put in', exact: true }).click();
  await expect(page.getByText('“Signed for the group” is in the drawer.')).toBeVisible();
  await command(page, 'Open the drawer');
  await keep();
  await strip(page, 'placed-phone', pictures);
  await context.close();
});

test('links of one’s own, the print corrected and redacted, and what is carried over to a new edition', async ({
  browser,
  baseURL,
}) => {
  if (test.info().project.name === 'wide') return;
  const context = await browser.newContext({ ...PHONE, baseURL, storageState: LAID_OUT });
  const page = await context.newPage();
  const pictures: Buffer[] = [];
  const keep = async (): Promise<void> => {
    await page.waitForTimeout(1200);
    pictures.push(await page.screenshot());
  };
  await openDesk(page);
  await openDocument(page, 'Course handbook');
  await command(page, 'Make and change links');
  await dragOver(page, 1, [0.1, 0.27], [0.75, 0.36]);
  const made = page.getByRole('dialog', { name: 'New link' });
  await made.getByLabel('Page', { exact: true }).fill('4');
  await made.getByRole('switch', { name: 'A frame around it' }).click();
  await keep();
  await made.getByRole('button', { name: 'Make the link' }).click();
  await command(page, /^Links: /);
  await keep();
  await openDesk(page);
  await openDocument(page, 'How barnacles choose a rock');
  await command(page, /^Correct the print/);
  await page.mouse.click(...(await placeOn(page, 1, 0.2, 0.956)));
  const correcting = page.getByRole('dialog', { name: 'Correct the print' });
  await correcting.getByLabel('The line says').fill('Field course reading 4');
  await correcting.getByRole('button', { name: 'All of them' }).click();
  await keep();
  await correcting.getByRole('button', { name: 'Correct', exact: true }).click();
  await expect(page.getByText('Corrected at 6 places.')).toBeVisible();
  await command(page, 'Redact');
  await dragOver(page, 1, [0.52, 0.3], [0.9, 0.42]);
  await kept(page);
  await keep();
  await openDesk(page);
  await openDocument(page, 'Rock-pool zones');
  await take(page, 'Fine pen');
  const pen = await Pen.of(page);
  await write(pen, 'the lower shore', await placeOn(page, 1, 0.12, 0.243), 10);
  await write(pen, 'at noon it is dry', await placeOn(page, 1, 0.12, 0.335), 10);
  await kept(page);
  await command(page, /^Carry over/);
  const sheet = page.getByRole('dialog', { name: 'Carry over to a new edition' });
  const chooser = page.waitForEvent('filechooser');
  await sheet.getByRole('button', { name: 'From a file …' }).click();
  await (await chooser).setFiles('demo/documents/rock-pool-zones-2.pdf');
  await expect(sheet.getByRole('status')).toContainText('2 marks:');
  await keep();
  await sheet.getByRole('checkbox').first().click();
  await sheet.getByRole('button', { name: 'Carry 1 over' }).click();
  await expect(page.getByRole('button', { name: /^Put here/ }).first()).toBeVisible();
  await keep();
  await strip(page, 'editions-phone', pictures);
  await context.close();
});
