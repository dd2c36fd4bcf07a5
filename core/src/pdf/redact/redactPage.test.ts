import { PDFDict, PDFDocument, PDFName, type PDFPage, type PDFRawStream } from '@cantoo/pdf-lib';
import { pdfWith } from '../../../testing/pdfs.ts';
import { readAsPng } from '../../../testing/readAsPng.ts';
import { boxCorners, type Convex, convexArea } from '../../geometry/index.ts';
import { openPdf } from '../openPdf.ts';
import { latin1 } from '../content/operations.ts';
import { pageContent, streamBytes } from '../content/pageContent.ts';
import { redactPage } from './redactPage.ts';

const name = (text: string): PDFName => PDFName.of(text);
const area = (minX: number, minY: number, maxX: number, maxY: number): Convex =>
  convexArea(boxCorners({ minX, minY, maxX, maxY })) as Convex;
const deflate = async (bytes: Uint8Array): Promise<Uint8Array> =>
  PDFDocument.create().then(({ context }) => context.flateStream(bytes).getContents());

/** A page with content written by hand, and what it names. */
async function written(
  content: string,
  resources: (doc: PDFDocument) => Record<string, unknown> = () => ({}),
): Promise<PDFPage> {
  const bytes = await pdfWith((page, doc) => {
    const { context } = doc;
    const font = {
      Type: 'Font',
      Subtype: 'Type1',
      BaseFont: 'Courier',
      Encoding: 'WinAnsiEncoding',
    };
    const held = { Font: { F1: context.obj(font) }, ...resources(doc) };
    page.node.set(name('Resources'), context.obj(held as never));
    page.node.set(name('Contents'), context.register(context.stream(content)));
  });
  return (await openPdf(bytes)).getPage(0);
}

/** What is left of a page's content, in one line. */
async function left(page: PDFPage, ...areas: Convex[]): Promise<string> {
  const { trouble } = await redactPage(page, { areas, spared: null }, { deflate });
  expect(trouble).toBeNull();
  return latin1(pageContent(page)).replace(/\s+/g, ' ').trim();
}

const inSet = (text: string): string => [...text].map((c) => c.charCodeAt(0).toString(16)).join('');

test('letters that reach into an area go, those beside it stay where they are', async () => {
  // Courier of 10: every letter is 6 wide.
  const page = await written('BT /F1 10 Tf 100 500 Td (abcdef) Tj ET');
  const content = await left(page, area(110, 490, 118, 510));
  expect(content).toContain(`<${inSet('a')}> -1200 <${inSet('def')}>`);
  expect(content).not.toContain(inSet('bc'));
});

test('a line of another line’s height is left, though its tails reach in', async () => {
  const page = await written('BT /F1 10 Tf 100 500 Td (above) Tj 0 -12 Td (below) Tj ET');
  expect(await left(page, area(90, 485, 140, 497))).toContain('(above) Tj');
});

test('lines are cut at the area, and fills go around it', async () => {
  const stroked = await left(await written('2 w 0 50 m 100 50 l S'), area(40, 40, 60, 60));
  // Ends are as wide as the line: they lie beneath the bar.
  expect(stroked).toBe('2 w 0 50 m 41 50 l 59 50 m 100 50 l S');
  const filled = await left(await written('0 0 50 50 re f'), area(40, 40, 60, 60));
  expect(filled).toBe('40 50 m 0 50 l 0 0 l 50 0 l 50 40 l 40 40 l 40 50 l h f');
});

test('what lies wholly within is not written any more, what lies around it is as it was', async () => {
  const page = await written(
    '0 0 200 200 re f q 1 0 0 1 45 45 cm 0 0 5 5 re f Q 42 42 m 55 55 l S',
  );
  expect(await left(page, area(40, 40, 60, 60))).toBe('0 0 200 200 re f q 1 0 0 1 45 45 cm Q');
});

test('dashes keep their place', async () => {
  const page = await written('[3 4] 1 d 0 50 m 100 50 l S');
  expect(await left(page, area(40, 40, 60, 60))).toBe(
    '[3 4] 1 d [3 4] 1 d 0 50 m 40.5 50 l S [3 4] 60.5 d 59.5 50 m 100 50 l S [3 4] 1 d',
  );
});

test('a window that lay beneath shows nothing; one that is cut shows the rest', async () => {
  const inside = await left(await written('45 45 5 5 re W n 0 0 9 9 re f'), area(40, 40, 60, 60));
  expect(inside).toBe('0 0 0 0 re W n 0 0 9 9 re f');
});

test('pixels beneath are black, all others are as they were', async () => {
  const samples = Uint8Array.from({ length: 48 }, (_, k) => 100 + k);
  const page = await written('q 40 0 0 40 100 100 cm /P Do Q', ({ context }) => ({
    XObject: {
      P: context.register(
        context.flateStream(samples, {
          ...{ Type: 'XObject', Subtype: 'Image', Width: 4, Height: 4 },
          ...{ ColorSpace: 'DeviceRGB', BitsPerComponent: 8 },
        }),
      ),
    },
  }));
  // The upper left quarter: rows are from the top.
  const content = await left(page, area(100, 120, 120, 140));
  expect(content).toBe('q 40 0 0 40 100 100 cm /Marginalis1 Do Q');
  const held = page.node.Resources()?.lookup(name('XObject'), PDFDict);
  const picture = held?.lookup(name('Marginalis1')) as PDFRawStream;
  const read = readAsPng(streamBytes(picture) ?? new Uint8Array(), 4, 4, 3);
  const pixels = Array.from({ length: 16 }, (_, k) => [...read.slice(4 * k, 4 * k + 3)]);
  for (const [k, pixel] of pixels.entries()) {
    const isBeneath = k % 4 < 2 && k < 8;
    expect(pixel).toEqual(isBeneath ? [0, 0, 0] : [...samples.slice(3 * k, 3 * k + 3)]);
  }
});

test('a picture that cannot be read goes whole, and is counted; one in the content is read as others are', async () => {
  const page = await written(
    'q 40 0 0 40 100 100 cm /P Do Q q 9 0 0 9 100 100 cm BI /W 4 /H 1 /BPC 8 /CS /G ID ABCD EI Q ' +
      'q 9 0 0 9 100 100 cm BI /W 1 /H 1 /BPC 8 /CS /G /F /JBIG2Decode ID x EI Q',
    ({ context }) => ({
      XObject: {
        P: context.register(
          context.stream(Uint8Array.of(1, 2, 3), {
            ...{ Type: 'XObject', Subtype: 'Image', Width: 4, Height: 4, Filter: 'JPXDecode' },
          }),
        ),
      },
    }),
  );
  const { picturesLost } = await redactPage(
    page,
    { areas: [area(90, 90, 110, 110)], spared: null },
    { deflate },
  );
  expect(picturesLost).toBe(2);
  const content = latin1(pageContent(page));
  expect(content).toContain('/Marginalis1 Do');
  expect(content).not.toContain('BI');
  const held = page.node.Resources()?.lookup(name('XObject'), PDFDict);
  const read = held?.lookup(name('Marginalis2')) as PDFRawStream;
  expect(read.dict.lookup(name('Width'))?.toString()).toBe('4');
  const row = streamBytes(read) ?? new Uint8Array();
  expect([...row].filter((value) => value > 4)).toEqual([]);
});

test('forms and soft masks are gone through as the page is', async () => {
  const page = await written('/G gs q 1 0 0 1 100 0 cm /Fm Do Q', ({ context }) => {
    const form = (text: string): unknown =>
      context.register(
        context.stream(`BT /F1 10 Tf 0 500 Td (${text}) Tj ET`, {
          ...{ Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 600, 800] },
        }),
      );
    return {
      XObject: { Fm: form('hidden') },
      ExtGState: { G: { SMask: { S: 'Luminosity', G: form('masked') } } },
    };
  });
  const whole = await left(page, area(0, 490, 300, 510));
  expect(whole).toBe('/Marginalis1 gs q 1 0 0 1 100 0 cm /Marginalis2 Do Q');
  const held = page.node.Resources()?.lookup(name('XObject'), PDFDict);
  const bytes = streamBytes(held?.lookup(name('Marginalis2')) as PDFRawStream);
  expect(latin1(bytes ?? new Uint8Array())).not.toContain('hidden');
});

test('a fill with a pattern is told to be trouble, as letters are that cannot be told apart', async () => {
  const page = await written('/Pattern cs /P1 scn 0 0 50 50 re f', ({ context }) => ({
    Pattern: {
      P1: context.register(context.stream('0 0 1 1 re f', { PatternType: 1, BBox: [0, 0, 9, 9] })),
    },
  }));
  const { trouble } = await redactPage(
    page,
    { areas: [area(40, 40, 60, 60)], spared: null },
    { deflate },
  );
  expect(trouble).toBe('pattern');
});

test('the structure says nothing in place of what is gone', async () => {
  const page = await written('/P <</MCID 3>> BDC BT /F1 10 Tf 100 500 Td (abc) Tj ET EMC');
  const { doc } = page;
  const { context } = doc;
  const element = context.obj({ Type: 'StructElem', S: 'P', K: 3 });
  element.set(name('Pg'), page.ref);
  element.set(name('ActualText'), context.obj('abc'));
  const other = context.obj({ Type: 'StructElem', S: 'P', K: 4 });
  other.set(name('Pg'), page.ref);
  other.set(name('ActualText'), context.obj('kept'));
  const root = context.obj({ Type: 'StructTreeRoot' });
  root.set(name('K'), context.obj([context.register(element), context.register(other)]));
  doc.catalog.set(name('StructTreeRoot'), context.register(root));
  await left(page, area(90, 490, 140, 510));
  expect(element.has(name('ActualText'))).toBe(false);
  expect(other.has(name('ActualText'))).toBe(true);
});
