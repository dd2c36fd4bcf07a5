import { readFileSync } from 'node:fs';
import { degrees, PDFDocument } from '@cantoo/pdf-lib';
import { findInPrint } from '@marginalis/core/print';
import { READING } from '../demo/content/reading';
import { inSameOrder, printOf, tokensByPoppler, tokensOf } from './support/printBy';
import { printedByChromium } from './support/byChromium';
import { ARABIC_FACE, JAPANESE, realPdf, realPdfs } from './support/realPdfs';

/**
 * What print is hard to read for, each by itself: against text that is known, or poppler's pdftotext (Debian package poppler-utils).
 */

jest.setTimeout(240_000);

const demo = (name: string): Uint8Array =>
  new Uint8Array(readFileSync(`demo/documents/${name}.pdf`));
/** One of other people's documents; null where only a few are checked, and it is none of them. */
const other = (name: string): Uint8Array | null => {
  const pdf = realPdfs().find((one) => one.name === name);
  return pdf ? realPdf(pdf) : null;
};

test('hyphenated words: what lines break is one word, as poppler has it, and is found so', async () => {
  const bytes = other('statistics introduction') ?? other('drawing program how-to');
  if (!bytes) throw new Error('There is no document with hyphens.');
  let [broken, whole] = [0, 0];
  (await printOf(bytes, 24)).forEach((print, k) => {
    const theirs = new Set(tokensByPoppler(bytes, k + 1).map((w) => w.replace(/\P{L}/gu, '')));
    for (const { from, to, breaks } of print.lines) {
      const head = breaks ? print.text.slice(from, to).match(/(\p{L}+)-$/u)?.[1] : null;
      const tail = print.text.slice(to + 1).match(/^\p{L}+/u)?.[0];
      if (!head || !tail) continue;
      broken++;
      const word = head + tail;
      if (theirs.has(word) && findInPrint(print, word).length > 0) whole++;
    }
  });
  console.log(`hyphens: ${whole} of ${broken} broken words are whole`);
  expect(broken).toBeGreaterThan(5);
  expect(whole).toBeGreaterThanOrEqual(0.98 * broken);
});

test('two columns: the reading goes down one and on in the next', async () => {
  const [{ heading, paragraphs }] = READING;
  const [print] = await printOf(demo('barnacles'), 1);
  const read = tokensOf(print).join(' ');
  const wanted = [heading, ...paragraphs].join(' ').split(/\s+/).slice(0, 60);
  expect(inSameOrder(read.split(' '), wanted)).toBe(wanted.length);
  const columns = new Set(print.lines.filter((line) => !line.running).map((line) => line.column));
  expect(columns.size).toBeGreaterThanOrEqual(2);
});

test.each([90, 180, 270])('a page turned by %i° reads as it did', async (turn) => {
  const doc = await PDFDocument.load(demo('rock-pool-zones'));
  for (const page of doc.getPages()) page.setRotation(degrees(turn));
  const [upright, turned] = await Promise.all([
    printOf(demo('rock-pool-zones')),
    printOf(await doc.save()),
  ]);
  expect(turned.map(tokensOf)).toEqual(upright.map(tokensOf));
});

/** Written for this check. */
const SHORE =
  'يعيش البرنقيل على الصخور بين المد والجزر. تختار يرقاته مكانها مرة واحدة ولا تتركه بعد ذلك. ' +
  'في الصيف تجف البرك العالية وتبقى الأعشاب في البرك المنخفضة. ' +
  'نقيس ارتفاع الماء كل ساعة ثم نكتب الأرقام في الجدول.';

test('Arabic: words are read from the right, as they were written', async () => {
  const bytes = printedByChromium(`<p dir="rtl" lang="ar">${SHORE}</p>`, realPdf(ARABIC_FACE));
  const [print] = await printOf(bytes);
  const written = SHORE.normalize('NFKC').split(/\s+/);
  const same = inSameOrder(tokensOf(print), written);
  console.log(`Arabic: ${same} of ${written.length} words as they were written`);
  expect(same).toBeGreaterThanOrEqual(0.98 * written.length);
  expect(findInPrint(print, 'الصخور')).toHaveLength(1);
});

test('Japanese: characters are read in the order that poppler reads them in', async () => {
  const bytes = realPdf(JAPANESE);
  const prints = await printOf(bytes);
  const japanese = (words: readonly string[]): string[] =>
    [...words.join('')].filter((c) => /[\p{sc=Han}\p{sc=Hira}\p{sc=Kana}]/u.test(c));
  let [all, same] = [0, 0];
  prints.forEach((print, k) => {
    const theirs = japanese(tokensByPoppler(bytes, k + 1));
    all += theirs.length;
    same += inSameOrder(japanese(tokensOf(print)), theirs);
  });
  console.log(`Japanese: ${same} of ${all} characters in the same order`);
  expect(all).toBeGreaterThan(1_000);
  expect(same / all).toBeGreaterThan(0.985);
});

test('what is typed into fields of a form is read where it stands, as poppler reads it', async () => {
  const doc = await PDFDocument.create();
  const page = doc.addPage([300, 400]);
  page.drawText('Seen at low water:', { x: 40, y: 340, size: 12 });
  page.drawText('and counted twice.', { x: 40, y: 280, size: 12 });
  const field = doc.getForm().createTextField('species');
  field.setText('common limpet');
  field.addToPage(page, { x: 40, y: 305, width: 160, height: 20, borderWidth: 0 });
  const bytes = await doc.save();
  const [print] = await printOf(bytes);
  expect(tokensOf(print)).toEqual('Seen at low water: common limpet and counted twice.'.split(' '));
  expect([...tokensOf(print)].sort()).toEqual([...tokensByPoppler(bytes, 1)].sort());
});
