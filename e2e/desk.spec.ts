import { readFileSync } from 'node:fs';
import { PDFDocument, PDFName } from '@cantoo/pdf-lib';
import { expect, test, type Page } from '@playwright/test';
import { Pen, wave } from './support/pen';
import { NEVER_BEEN_HERE } from './support/laidOut';
import { addFile, drawn, kept, layFile, makeCopy, openDesk, placeOn } from './support/reader';

const worksheet = (): Uint8Array =>
  new Uint8Array(readFileSync('demo/documents/rock-pool-zones.pdf'));
const cards = (page: Page) => page.getByRole('listitem');

async function small(make: (doc: PDFDocument) => void = () => undefined): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.addPage([300, 400]).drawText('Limpets', { x: 40, y: 300 });
  make(doc);
  return doc.save({ useObjectStreams: false });
}

test.beforeEach(async ({ page }) => openDesk(page));

test.describe('in a browser that has never been here', () => {
  test.use({ storageState: NEVER_BEEN_HERE });

  test('lays out the first five samples with picture, length and kind, and offers the almanac', async ({
    page,
  }) => {
    await expect(cards(page)).toHaveCount(5);
    const log = cards(page).filter({ hasText: 'Tide log' });
    await expect(log).toContainText('3 pages · Scanned');
    await expect(log.locator('img')).toHaveAttribute('src', /^data:image\/jpeg/);
    await expect(cards(page).filter({ hasText: 'Course handbook' })).toContainText(
      '39 pages · Text',
    );
    await expect(page.getByRole('button', { name: /Add “Tide almanac”/ })).toBeVisible();
  });
});

test('each wrong file gets its own sentence and touches nothing else', async ({ page }) => {
  const whole = worksheet();
  const wrong: [string, Uint8Array, RegExp][] = [
    ['nothing.pdf', new Uint8Array(), /empty/],
    ['letter.pdf', new TextEncoder().encode('Dear tutor, here is my work.'), /not a PDF/],
    ['short.pdf', whole.slice(0, 700), /cut short/],
    ['torn.pdf', new TextEncoder().encode('%PDF-1.7\nnonsense\n%%EOF'), /damaged/],
  ];
  for (const [name, bytes, words] of wrong) {
    await addFile(page, name, bytes);
    await expect(page.getByRole('status').filter({ hasText: name })).toContainText(words);
  }
  await expect(cards(page)).toHaveCount(5);
  // What was said of the files before has gone with the next.
  await expect(page.getByRole('status').filter({ hasText: 'nothing.pdf' })).toBeHidden();
  await page.getByRole('button', { name: 'Close' }).first().click();
  await expect(page.getByRole('status').filter({ hasText: 'torn.pdf' })).toBeHidden();
  await page.reload();
  await expect(cards(page)).toHaveCount(5);
});

test('the same bytes are not laid down twice', async ({ page }) => {
  await addFile(page, 'my copy.pdf', worksheet());
  await expect(page.getByText('already on the desk')).toBeVisible();
  await expect(cards(page)).toHaveCount(5);
  await page.getByRole('button', { name: 'A second, blank one' }).click();
  await drawn(page, 1);
  await expect(page.getByRole('heading', { name: 'Rock-pool zones (2)' })).toBeVisible();
  await page.goBack();
  await expect(cards(page)).toHaveCount(6);
  await addFile(page, 'my copy.pdf', worksheet());
  await page.getByRole('button', { name: 'Open the one that is here' }).click();
  await drawn(page, 1);
});

test('a file is opened by drop and by paste', async ({ page }) => {
  const give = (kind: 'drop' | 'paste', name: string, bytes: Uint8Array) =>
    page.evaluate(
      ([event, fileName, data]) => {
        const transfer = new DataTransfer();
        transfer.items.add(
          new File([Uint8Array.from(data)], fileName, { type: 'application/pdf' }),
        );
        window.dispatchEvent(
          event === 'drop'
            ? new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true })
            : new ClipboardEvent('paste', { clipboardData: transfer, bubbles: true }),
        );
      },
      [kind, name, [...bytes]] as const,
    );
  await give('drop', 'dropped.pdf', await small());
  // One file opens at once.
  await drawn(page, 1);
  await page.goBack();
  await expect(cards(page).filter({ hasText: 'dropped' })).toBeVisible();
  await give('paste', 'pasted.pdf', await small((d) => d.setSubject('another')));
  await drawn(page, 1);
  await page.goBack();
  await expect(cards(page).filter({ hasText: 'pasted' })).toBeVisible();
  await expect(cards(page)).toHaveCount(7);
});

test('renames, removes and puts back', async ({ page }) => {
  const more = async (item: string) => {
    await page.getByRole('button', { name: /^More about (Tide log|Gauge)/ }).click();
    await page.getByRole('menuitem', { name: item }).click();
  };
  await more('Rename');
  await page.getByLabel('Title').fill('Gauge readings');
  await page.getByRole('dialog').getByRole('button', { name: 'Rename' }).click();
  await expect(cards(page).filter({ hasText: 'Gauge readings' })).toBeVisible();
  await more('Remove from the desk');
  await expect(cards(page)).toHaveCount(4);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cards(page).filter({ hasText: 'Gauge readings' })).toBeVisible();
  await page.reload();
  await expect(cards(page)).toHaveCount(5);
});

test('what is removed stays off the desk, and the samples do not come back by themselves', async ({
  page,
}) => {
  for (const title of [
    'Rock-pool zones',
    'How barnacles choose a rock',
    'Tide log, scanned',
    'Course handbook',
    'Equipment form',
  ]) {
    await page.getByRole('button', { name: `More about ${title}` }).click();
    await page.getByRole('menuitem', { name: 'Remove from the desk' }).click();
    await expect(page.getByRole('button', { name: `Open ${title}` })).toBeHidden();
  }
  await expect(page.getByText('The desk is clear')).toBeVisible();
  await page.reload();
  await expect(page.getByText('The desk is clear')).toBeVisible();
});

test('a locked file asks for its password: skip, wrong, right', async ({ page }) => {
  const locked = await small((doc) =>
    doc.encrypt({ userPassword: 'limpet', ownerPassword: 'whelk', permissions: {} }),
  );
  await layFile(page, 'secret pools.pdf', locked);
  const card = cards(page).filter({ hasText: 'secret pools' });
  await expect(card).toContainText('Locked');
  const open = page.getByRole('button', { name: 'Open secret pools' });
  await open.click();
  await page.getByRole('button', { name: 'Skip for now' }).click();
  await open.click();
  await page.getByLabel('Password').fill('mussel');
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.getByText('That password does not open this PDF.')).toBeVisible();
  await page.getByLabel('Password').fill('limpet');
  await page.keyboard.press('Enter');
  await drawn(page, 1);
  await page.reload();
  await expect(page.getByLabel('Password')).toBeVisible();
});

test('a signed file says so, and before it is sent that the copy will not be', async ({ page }) => {
  const signed = await small((doc) => {
    const { context } = doc;
    const value = context.register(context.obj({ Type: 'Sig' }));
    const field = context.register(context.obj({ FT: 'Sig', V: value }));
    doc.catalog.set(PDFName.of('AcroForm'), context.obj({ Fields: [field] }));
  });
  await layFile(page, 'signed form.pdf', signed);
  await expect(cards(page).filter({ hasText: 'signed form' })).toContainText('Signed');
  await page.getByRole('button', { name: 'Open signed form' }).click();
  await drawn(page, 1);
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.getByText('no longer carries the signature')).toBeVisible();
});

test('at an address that is not secure the desk says why it cannot be used', async ({ page }) => {
  await page.addInitScript(() =>
    Object.defineProperty(window, 'isSecureContext', { value: false }),
  );
  await page.reload();
  await expect(page.getByText('This address is not secure')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Open a PDF' })).toBeHidden();
});

test('addresses that lead nowhere say so and lead back', async ({ page }) => {
  await page.goto('/read/not-a-document');
  await expect(page.getByText('This document cannot be opened')).toBeVisible();
  await page.getByRole('button', { name: 'Back to the desk' }).click();
  await expect(cards(page)).toHaveCount(5);
  await page.goto('/nowhere/at/all');
  await page.getByRole('button', { name: 'To the desk' }).click();
  await expect(cards(page)).toHaveCount(5);
});

test('the picture on the desk shows the marks, and a copy that comes back says what it is', async ({
  page,
}) => {
  const picture = () =>
    cards(page).filter({ hasText: 'Rock-pool zones' }).first().locator('img').getAttribute('src');
  const bare = await picture();
  await page.getByRole('button', { name: 'Open Rock-pool zones', exact: true }).click();
  await drawn(page, 1);
  const pen = await Pen.of(page);
  const [x, y] = await placeOn(page, 1, 0.3, 0.3);
  await pen.draw(wave(x, y, 200, 20));
  await kept(page);
  await makeCopy(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download' }).click();
  const copy = new Uint8Array(readFileSync(await (await download).path()));
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.getByRole('button', { name: 'Back to the desk' }).click();
  await expect.poll(picture).not.toBe(bare);
  await layFile(page, 'back from the tutor.pdf', copy);
  await expect(cards(page).filter({ hasText: 'Marked copy of “Rock-pool zones”,' })).toHaveCount(1);
});
