import { readFileSync } from 'node:fs';
import { type PDFDict, PDFDocument, PDFName, PDFString } from '@cantoo/pdf-lib';
import { expect, test } from '@playwright/test';
import { complaintOfQpdf } from '../references/support/programs';
import { beginOnWords, card, say } from './support/notes';
import { Pen, wave } from './support/pen';
import {
  addFile,
  drawn,
  goToDocument,
  inkOn,
  kept,
  layFile,
  openDesk,
  openDocument,
  openMarks,
  openSend,
  placeOn,
  take,
} from './support/reader';

test('a living copy opens somewhere else with every mark and note as it was, to be changed further', async ({
  page,
  browser,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  const [x, y] = await placeOn(page, 1, 0.2, 0.4);
  await pen.draw(wave(x, y, 150));
  await kept(page);
  await take(page, 'Word picker');
  await beginOnWords(page, pen, [0.14, 0.188], 0.34);
  await say(page, 'Is that *so*?');
  await kept(page);

  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'A living copy' }).click();
  await expect(sheet.getByText('2 marks as annotations.')).toBeVisible();
  const download = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Download' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('How barnacles choose a rock – living.pdf');
  await expect(page.getByTestId('copy-made')).toContainText('The original stands in it unchanged.');
  await expect(page.getByTestId('proof')).toContainText('every mark found');
  const bytes = new Uint8Array(readFileSync(await file.path()));
  expect(complaintOfQpdf(bytes)).toBeNull();

  await sheet.getByRole('radio', { name: 'Left out' }).click();
  await expect(sheet.getByText('1 mark as an annotation.')).toBeVisible();
  const without = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Download' }).click();
  await without;
  await expect(page.getByTestId('copy-made')).toContainText('1 annotation added.');

  // On a desk where nothing of it has ever been.
  const elsewhere = await browser.newContext();
  const other = await elsewhere.newPage();
  await other.goto('/');
  await other.getByRole('button', { name: 'Open Course handbook' }).waitFor({ timeout: 60_000 });
  await layFile(other, 'from a colleague.pdf', bytes);
  await other.getByRole('button', { name: /^Open How barnacles choose a rock \(2\)/ }).click();
  await drawn(other, 1);
  await expect.poll(() => inkOn(other, 1)).toBeGreaterThan(80);
  const seen = await inkOn(other, 1);
  // What came with it is no step of one's own: there is nothing to take back.
  await expect(other.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await openMarks(other);
  await other.getByRole('tab', { name: 'Notes' }).click();
  await expect(card(other, 1)).toContainText('Is that so?');
  await other.reload();
  await drawn(other, 1);
  await expect.poll(() => inkOn(other, 1)).toBe(seen);
  await elsewhere.close();
});

/** As another program would add to it: a line of ink, with an answer to what is said about the first mark that has a note. */
async function markedFurther(bytes: Uint8Array): Promise<Uint8Array> {
  const doc = await PDFDocument.load(bytes, { updateMetadata: false });
  const { node } = doc.getPage(0);
  const { context } = doc;
  const said = node
    .Annots()
    ?.asArray()
    .find((ref) => String((context.lookup(ref) as PDFDict).get(PDFName.of('Subtype'))) === '/Text');
  const common = { Type: 'Annot', F: 4, T: PDFString.of('Tom Ferrier') };
  for (const entries of [
    {
      ...{ ...common, Subtype: 'Ink', NM: PDFString.of('theirs'), C: [0, 0, 1] },
      ...{ Rect: [95, 595, 305, 655], InkList: [[100, 600, 300, 650]], BS: { W: 3 } },
    },
    {
      ...{ ...common, Subtype: 'Text', NM: PDFString.of('answer'), IRT: said, F: 6 },
      ...{ Rect: [0, 0, 9, 9], Contents: PDFString.of('It is so.') },
    },
  ])
    node.addAnnot(context.register(context.obj(entries as never)));
  return doc.save({ useObjectStreams: false });
}

test('a living copy that was marked further elsewhere comes back to its document, in one step that can be undone', async ({
  page,
}) => {
  await openDesk(page);
  await openDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  await take(page, 'Word picker');
  await beginOnWords(page, pen, [0.14, 0.188], 0.34);
  await say(page, 'Is that *so*?');
  await kept(page);
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'A living copy' }).click();
  const download = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Download' }).click();
  const bytes = new Uint8Array(readFileSync(await (await download).path()));
  await page.keyboard.press('Escape');
  expect(await inkOn(page, 1)).toBeLessThan(400);

  await page.goBack();
  await addFile(page, 'from Tom.pdf', await markedFurther(bytes));
  await expect(
    page.getByText(
      '“How barnacles choose a rock” has come back, marked further elsewhere by Tom Ferrier: 2 new.',
    ),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Take it in' }).click();
  await drawn(page, 1);
  await expect(page.getByText('What was marked elsewhere is here now.')).toBeVisible();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(500);
  await expect(card(page, 1)).toContainText('It is so.');
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(card(page, 1)).not.toContainText('It is so.');
});
