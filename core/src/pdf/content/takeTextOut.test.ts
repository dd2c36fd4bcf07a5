import { PDFDict, PDFDocument, PDFName, type PDFPage } from '@cantoo/pdf-lib';
import { readFileSync } from 'node:fs';
import { pdfWith } from '../../../testing/pdfs.ts';
import type { Vec } from '../../geometry/index.ts';
import { openPdf } from '../openPdf.ts';
import { latin1, operationsOf } from './operations.ts';
import { pageContent } from './pageContent.ts';
import { takeTextOut } from './takeTextOut.ts';

/** A page with content written by hand; F1 is a font of every reader. */
const written = (content: string, font = 'Courier'): Promise<Uint8Array> =>
  pdfWith((page, doc) => {
    const { context } = doc;
    const held = context.register(
      context.obj({
        Type: 'Font',
        Subtype: 'Type1',
        BaseFont: font,
        Encoding: 'WinAnsiEncoding',
      }),
    );
    page.node.set(PDFName.of('Resources'), context.obj({ Font: { F1: held } }));
    page.node.set(PDFName.of('Contents'), context.register(context.stream(content)));
  });

/** Takes letters out of a page; where those stood that went. */
function takenFrom(page: PDFPage, isGone: (at: Vec) => boolean): Vec[] {
  const gone: Vec[] = [];
  takeTextOut(page, ({ middle }) => isGone(middle) && gone.push(middle) > 0);
  return gone;
}

/** A page without the letters that are asked for. */
async function without(
  content: string,
  isGone: (at: Vec) => boolean,
): Promise<{ readonly content: string; readonly taken: number }> {
  const doc = await openPdf(await written(content));
  const taken = takenFrom(doc.getPage(0), isGone).length;
  return { taken, content: latin1(pageContent(doc.getPage(0))) };
}

/** Where each letter of a content stands: only Td, Tf and TJ are understood, in Courier of ten points. */
function placed(content: string): Map<string, number> {
  const at = new Map<string, number>();
  let x = 0;
  for (const { operator, operands } of operationsOf(
    Uint8Array.from(content, (c) => c.charCodeAt(0)),
  )) {
    const [first] = operands;
    if (operator === 'Td' && first?.is === 'number') x = first.value;
    const pieces = first?.is === 'array' ? first.value : operands;
    if (operator !== 'TJ' && operator !== 'Tj') continue;
    for (const piece of pieces)
      if (piece.is === 'number') x -= piece.value / 100;
      else if (piece.is === 'string')
        for (const c of latin1(piece.value)) {
          at.set(c, x);
          x += 6;
        }
  }
  return at;
}

test('letters go, and what follows them stays where it is', async () => {
  const before = 'BT /F1 10 Tf 100 200 Td (abcdefg) Tj ET';
  const { content, taken } = await without(before, ({ x }) => x > 112 && x < 130);
  expect(taken).toBe(3);
  const [was, is] = [placed(before), placed(content)];
  expect([...is.keys()].join('')).toBe('abfg');
  for (const [letter, x] of is) expect(x).toBeCloseTo(was.get(letter) ?? NaN, 3);
});

test('what is not touched stays byte for byte', async () => {
  const before =
    'q 1 0 0 1 0 0 cm BT /F1 10 Tf 10 10 Td (one) Tj 0 50 Td [(t) -20 (wo)] TJ ET Q 0 0 5 5 re f';
  const { content } = await without(before, ({ y }) => y > 55);
  expect(content).toContain('q 1 0 0 1 0 0 cm BT /F1 10 Tf 10 10 Td (one) Tj 0 50 Td');
  expect(content).toContain('ET Q 0 0 5 5 re f');
  expect(content).not.toContain('wo');
  expect((await without(before, () => false)).content.trim()).toBe(before);
});

test('lines, scales, rises, quotes and turned text are followed', async () => {
  const lines = 'BT /F1 10 Tf 14 TL 100 200 Td (a) Tj (b) \' 2 1 (c) " T* (d) Tj ET';
  expect((await without(lines, ({ y }) => Math.abs(y - 188.8) < 1)).content).toMatch(
    /T\* \[[^<]*\] TJ/,
  );
  const third = await without(lines, ({ y }) => Math.abs(y - 174.8) < 1);
  expect(third.taken).toBe(1);
  expect(third.content).toContain('2 Tw 1 Tc T*');
  const turned = 'BT /F1 10 Tf 0 1 -1 0 300 100 Tm 50 Tz (abcd) Tj ET';
  // Upwards, half as wide: three points a letter.
  expect((await without(turned, ({ y }) => y > 103 && y < 106)).taken).toBe(1);
  const scaled = 'q 2 0 0 2 0 0 cm BT /F1 5 Tf 5 Ts 10 10 Td (ab) Tj ET Q';
  expect((await without(scaled, ({ x, y }) => x > 26 && y > 30)).taken).toBe(1);
});

test('what a section says in place of its letters goes with them, its number stays', async () => {
  const section = '/Span <</MCID 4 /ActualText (secret)>> BDC BT /F1 10 Tf 9 9 Td (abc) Tj ET EMC';
  const all = await without(section, () => true);
  expect(all.content).not.toContain('secret');
  expect(all.content).toContain('/Span <</MCID 4>> BDC');
  expect((await without(section, () => false)).content).toContain('secret');
});

test('letters of a form go on this page alone', async () => {
  const doc = await openPdf(
    await pdfWith((page, made) => {
      const { context } = made;
      const font = context.register(
        context.obj({ Type: 'Font', Subtype: 'Type1', BaseFont: 'Courier' }),
      );
      const form = context.stream('BT /F1 10 Tf (abc) Tj ET', {
        ...{ Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 90, 90], Matrix: [1, 0, 0, 1, 50, 60] },
        Resources: { Font: { F1: font } },
      });
      const shared = made.context.obj({ XObject: { Fm: context.register(form) } });
      page.node.set(PDFName.of('Resources'), shared);
      page.node.set(PDFName.of('Contents'), context.register(context.stream('q /Fm Do Q')));
    }, 2),
  );
  const [first, second] = doc.getPages();
  const taken = takenFrom(first, ({ x, y }) => x > 55 && x < 63 && y > 60);
  expect(taken).toHaveLength(1);
  expect(latin1(pageContent(first))).toContain('/Marginalis1 Do');
  expect(latin1(pageContent(second)).trim()).toBe('q /Fm Do Q');
});

test('an embedded font is followed by the widths it has; one without a way to tell its letters is said', async () => {
  const reading = await PDFDocument.load(readFileSync('demo/documents/barnacles.pdf'));
  expect(takenFrom(reading.getPage(0), () => true).length).toBeGreaterThan(1000);
  expect(latin1(pageContent(reading.getPage(0)))).not.toMatch(/<[0-9a-f]{4,}> ?\]? T[jJ]/i);
  const drawn = await openPdf(await written('BT /F1 10 Tf 10 10 Td (abc) Tj ET'));
  const fonts = drawn.getPage(0).node.Resources()?.lookup(PDFName.of('Font'), PDFDict);
  fonts?.lookup(PDFName.of('F1'), PDFDict).set(PDFName.of('Subtype'), PDFName.of('Type3'));
  expect(takeTextOut(drawn.getPage(0), () => true).trouble).toBe('type3');
  expect(takeTextOut(drawn.getPage(0), () => false).trouble).toBeNull();
});

/** A page that draws forms, each of three letters, one below the other. */
const withForms = (count: number): Promise<Uint8Array> =>
  pdfWith((page, { context }) => {
    const font = context.register(
      context.obj({ Type: 'Font', Subtype: 'Type1', BaseFont: 'Courier' }),
    );
    const forms = Array.from({ length: count }, (_, k) => {
      const form = context.stream(`BT /F1 10 Tf 10 ${20 * k} Td (abc) Tj ET`, {
        ...{ Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 90, 90] },
        Resources: { Font: { F1: font } },
      });
      return [k === 0 ? 'Marginalis1' : `Fm${k}`, context.register(form)] as const;
    });
    page.node.set(PDFName.of('Resources'), context.obj({ XObject: Object.fromEntries(forms) }));
    const drawn = forms.map(([key]) => `/${key} Do`).join(' ');
    page.node.set(PDFName.of('Contents'), context.register(context.stream(drawn)));
  });

test('forms that are drawn instead of others take no name that is there already, now and later', async () => {
  const doc = await openPdf(await withForms(3));
  const page = doc.getPage(0);
  // Of the second form first, then of the first, then of the third.
  for (const height of [20, 0, 40])
    expect(takenFrom(page, ({ x, y }) => x < 16 && Math.abs(y - height) < 8)).toHaveLength(1);
  const left = takenFrom(page, () => true);
  expect(left.map(({ y }) => Math.round(y / 20) * 20).sort((a, b) => a - b)).toEqual([
    ...[0, 0, 20, 20, 40, 40],
  ]);
});

test('forms that draw themselves, or each other without end, are given up', async () => {
  const doc = await openPdf(
    await pdfWith((page, { context }) => {
      const [first, second] = [context.nextRef(), context.nextRef()];
      const drawing = (other: typeof first) =>
        context.stream('/Fm Do '.repeat(40), {
          ...{ Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 90, 90] },
          Resources: { XObject: { Fm: other } },
        });
      context.assign(first, drawing(second));
      context.assign(second, drawing(first));
      page.node.set(PDFName.of('Resources'), context.obj({ XObject: { Fm: first } }));
      page.node.set(PDFName.of('Contents'), context.register(context.stream('/Fm Do')));
    }),
  );
  expect(takeTextOut(doc.getPage(0), () => true).trouble).toBe('forms');
});

test('letters beyond ASCII of the fonts that every reader has are as wide as they are there', async () => {
  // Helvetica: a right quotation mark takes 0.222 of the size, an f 0.278 (Adobe's font metrics).
  const quoted = 'BT /F1 10 Tf 0 10 Td (\\222f) Tj ET';
  const doc = await openPdf(await written(quoted, 'Helvetica'));
  const at: number[] = [];
  takeTextOut(doc.getPage(0), ({ middle }) => at.push(middle.x) < 0);
  expect(at.map((x) => Math.round(100 * x) / 100)).toEqual([1.11, 3.61]);
});
