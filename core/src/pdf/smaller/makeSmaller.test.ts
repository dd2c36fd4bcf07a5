import {
  type PDFDict,
  PDFDocument,
  PDFName,
  PDFObject,
  PDFRawStream,
  type PDFRef,
} from '@cantoo/pdf-lib';
import { deflateSync, inflateSync } from 'node:zlib';
import { PdfRefusal } from '../../document/index.ts';
import { seededRandom } from '../../../testing/seededRandom';
import { makeSmaller } from './makeSmaller.ts';
import type { Pixels } from './pictureTools.ts';

/** Levels that nothing packs. */
const NOISE = ((random) => Uint8Array.from({ length: 400 * 300 * 4 }, () => random() * 256))(
  seededRandom(7),
);
const noise = (length: number): Uint8Array => NOISE.slice(0, length);
const deflate = async (bytes: Uint8Array): Promise<Uint8Array> =>
  new Uint8Array(deflateSync(bytes));

interface Drawn {
  readonly width: number;
  readonly height: number;
  readonly space: string;
}
/** Draws gray slopes, and packs them by a fourth; notes what was asked for. */
function tools(drawn: Drawn[], packsTo = 0.25) {
  return {
    async draw(pdf: Uint8Array, width: number, height: number): Promise<Pixels> {
      const doc = await PDFDocument.load(pdf);
      for (const [, one] of doc.context.enumerateIndirectObjects()) {
        const space = one instanceof PDFRawStream && one.dict.lookup(PDFName.of('ColorSpace'));
        if (space) drawn.push({ width, height, space: String(space) });
      }
      const data = new Uint8ClampedArray(width * height * 4);
      noise(data.length).forEach((level, k) => (data[k] = k % 4 === 3 ? 255 : level));
      return { width, height, data };
    },
    jpeg: async ({ width, height }: Pixels) => noise(Math.ceil(width * height * packsTo)),
  };
}

interface Look {
  readonly doc: PDFDocument;
  picture(entries?: Record<string, PDFObject | string | number>, bytes?: Uint8Array): PDFRef;
}
async function empty(): Promise<Look> {
  const doc = await PDFDocument.create();
  const { context } = doc;
  return {
    doc,
    picture(entries = {}, bytes = noise(400 * 300 * 3)) {
      const { dict } = context.stream(bytes, {
        ...{ Type: 'XObject', Subtype: 'Image', Width: 400, Height: 300, BitsPerComponent: 8 },
        ColorSpace: 'DeviceRGB',
      });
      for (const [key, value] of Object.entries(entries))
        dict.set(
          PDFName.of(key),
          value instanceof PDFObject ? value : context.obj(value as string),
        );
      return context.register(PDFRawStream.of(dict, bytes));
    },
  };
}
/** A page that draws its picture by what stands before `Do`. */
function page({ doc }: Look, content: string, picture: PDFRef): void {
  const { node } = doc.addPage([200, 200]);
  const { context } = doc;
  node.set(PDFName.of('Resources'), context.obj({ XObject: { P: picture } }));
  node.set(PDFName.of('Contents'), context.register(context.stream(`q ${content} /P Do Q`)));
}
const smaller = (look: Look, drawn: Drawn[] = [], dpi = 72, packsTo?: number) =>
  makeSmaller(look.doc, look.doc.getPages(), { dpi, tools: tools(drawn, packsTo) }, deflate);
const dictOf = ({ doc }: Look, ref: PDFRef): PDFDict =>
  (doc.context.lookup(ref) as PDFRawStream).dict;
const said = (dict: PDFDict, name: string): string => String(dict.lookup(PDFName.of(name)));

test('a picture gets the pixels its largest place has, turned or in a form, and keeps its colours', async () => {
  const look = await empty();
  const picture = look.picture();
  page(look, '40 0 0 30 10 20 cm', picture);
  page(look, '0 80 -60 0 100 0 cm', picture);
  const before = noise(400 * 300 * 3).length;
  const drawn: Drawn[] = [];
  const told = await smaller(look, drawn);
  expect(drawn).toEqual([{ width: 80, height: 60, space: '/DeviceRGB' }]);
  const dict = dictOf(look, picture);
  expect([
    said(dict, 'Width'),
    said(dict, 'Height'),
    said(dict, 'ColorSpace'),
    said(dict, 'Filter'),
  ]).toEqual(['80', '60', '/DeviceRGB', '/DCTDecode']);
  expect(told).toMatchObject({ pictures: 1, saved: before - 80 * 60 * 0.25 });
  expect(told.places).toEqual([
    { page: 0, box: { minX: 10, minY: 20, maxX: 50, maxY: 50 } },
    { page: 1, box: { minX: 40, minY: 0, maxX: 100, maxY: 80 } },
  ]);
});

test('forms within forms are followed, each with its matrix; a page may have longer points', async () => {
  const look = await empty();
  const { context } = look.doc;
  const picture = look.picture();
  const form = (inner: PDFRef, content: string, matrix: number[]) =>
    context.register(
      context.stream(content, {
        ...{ Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 1, 1], Matrix: matrix },
        Resources: { XObject: { P: inner } },
      }),
    );
  const inner = form(picture, '10 0 0 10 0 0 cm /P Do', [2, 0, 0, 1, 0, 0]);
  page(look, '1 0 0 1 5 5 cm', form(inner, '/P Do', [1, 0, 0, 3, 0, 0]));
  look.doc.getPage(0).node.set(PDFName.of('UserUnit'), context.obj(2));
  const drawn: Drawn[] = [];
  const { places } = await smaller(look, drawn);
  expect(drawn).toEqual([{ width: 40, height: 60, space: '/DeviceRGB' }]);
  expect(places).toEqual([{ page: 0, box: { minX: 5, minY: 5, maxX: 25, maxY: 35 } }]);
});

test('what is drawn without loss stays so where JPEG saves little; its numbers come back', async () => {
  const look = await empty();
  const picture = look.picture({ ColorSpace: 'DeviceGray' }, noise(400 * 300));
  page(look, '40 0 0 30 0 0 cm', picture);
  await smaller(look, [], 72, 5);
  const dict = dictOf(look, picture);
  expect(said(dict, 'Filter')).toBe('/FlateDecode');
  const rows = inflateSync((look.doc.context.lookup(picture) as PDFRawStream).contents);
  expect(rows).toHaveLength(30 * 41);
});

test('left as they are: what has few pixels, black and white, inks of a press, masks by colour, what is used otherwise', async () => {
  const cmyk = { ColorSpace: 'DeviceCMYK' };
  const key = { Mask: [0, 0, 0, 0, 0, 0] as unknown as PDFObject };
  for (const [entries, place] of [
    [{}, '390 0 0 290 0 0 cm'],
    [{ BitsPerComponent: 1, ColorSpace: 'DeviceGray' }, '40 0 0 30 0 0 cm'],
    [{ Filter: 'CCITTFaxDecode' }, '40 0 0 30 0 0 cm'],
    [{ Filter: 'DCTDecode' }, '390 0 0 290 0 0 cm'],
    [cmyk, '40 0 0 30 0 0 cm'],
    [key, '40 0 0 30 0 0 cm'],
  ] as const) {
    const look = await empty();
    const picture = look.picture(entries);
    page(look, place, picture);
    const told = await smaller(look, [], 72, 5);
    expect({ entries, told }).toEqual({ entries, told: { pictures: 0, saved: 0, places: [] } });
  }
  const look = await empty();
  const picture = look.picture();
  page(look, '40 0 0 30 0 0 cm', picture);
  // A pattern draws it too, as large as the page.
  const { context } = look.doc;
  const pattern = context.stream('400 0 0 300 0 0 cm /P Do', {
    ...{ Type: 'Pattern', PatternType: 1, PaintType: 1, TilingType: 1 },
    ...{ BBox: [0, 0, 9, 9], XStep: 9, YStep: 9, Resources: { XObject: { P: picture } } },
  });
  const resources = look.doc.getPage(0).node.Resources();
  resources?.set(PDFName.of('Pattern'), context.obj({ Q: context.register(pattern) }));
  expect(await smaller(look)).toMatchObject({ pictures: 0 });
});

test('a picture that cannot be drawn stays: white is not what it shows', async () => {
  const look = await empty();
  const picture = look.picture({ Filter: 'JPXDecode' });
  page(look, '40 0 0 30 0 0 cm', picture);
  const white = new Uint8ClampedArray(40 * 30 * 4).fill(255);
  const draw = async (_: Uint8Array, width: number, height: number) => ({
    width,
    height,
    data: white,
  });
  const jpeg = async () => new Uint8Array(1);
  const noRoom = () => Promise.reject(new RangeError('There is no room.'));
  const damaged = () => Promise.reject(new PdfRefusal('damaged'));
  for (const tools of [draw, noRoom, damaged].map((how) => ({ draw: how, jpeg }))) {
    const told = await makeSmaller(look.doc, look.doc.getPages(), { dpi: 72, tools });
    expect(told).toEqual({ pictures: 0, saved: 0, places: [] });
  }
  // What is no fault of a picture is told.
  const gone = { draw: () => Promise.reject(new Error('It could not be fetched.')), jpeg };
  const asked = makeSmaller(look.doc, look.doc.getPages(), { dpi: 72, tools: gone });
  await expect(asked).rejects.toThrow('fetched');
});

test('a soft mask becomes as small as its picture, without loss; where it is multiplied in, both stay', async () => {
  for (const matte of [false, true]) {
    const look = await empty();
    const mask = look.picture({ ColorSpace: 'DeviceGray' }, noise(400 * 300));
    if (matte) dictOf(look, mask).set(PDFName.of('Matte'), look.doc.context.obj([0, 0, 0]));
    const picture = look.picture({ SMask: mask });
    page(look, '40 0 0 30 0 0 cm', picture);
    const told = await smaller(look);
    expect(told.pictures).toBe(matte ? 0 : 1);
    const dict = dictOf(look, mask);
    expect([said(dict, 'Width'), said(dict, 'Filter')]).toEqual(
      matte ? ['400', 'undefined'] : ['40', '/FlateDecode'],
    );
    expect(dictOf(look, picture).get(PDFName.of('SMask'))).toBe(mask);
  }
});

test('colours of a table are drawn as those of their base; a profile of grays is drawn as it is seen for JPEG', async () => {
  const look = await empty();
  const { context } = look.doc;
  const profile = (n: number) =>
    context.obj(['ICCBased', context.register(context.stream('', { N: n }))]);
  const rgb = profile(3);
  const table = context.obj(['Indexed', rgb, 255, context.register(context.stream(noise(768)))]);
  const few = look.picture({ ColorSpace: table }, noise(400 * 300));
  page(look, '40 0 0 30 0 0 cm', few);
  const gray = look.picture({ ColorSpace: profile(1) }, noise(400 * 300));
  page(look, '40 0 0 30 0 0 cm', gray);
  const drawn: Drawn[] = [];
  await smaller(look, drawn);
  expect(drawn.map(({ space }) => space.replace(/\s+/g, ' ').slice(0, 22))).toEqual([
    '[ /Indexed /DeviceRGB ',
    '/DeviceGray',
    expect.stringMatching(/^\[ \/ICCBased/),
  ]);
  expect(dictOf(look, few).get(PDFName.of('ColorSpace'))).toBe(rgb);
  expect(said(dictOf(look, gray), 'ColorSpace')).toBe('/DeviceRGB');
});

test('what is not packed is packed; forms that multiply without end stop the search, and nothing is made smaller', async () => {
  const look = await empty();
  const { context } = look.doc;
  let inner = look.picture();
  for (let k = 0; k < 9; k++)
    inner = context.register(
      context.stream(`${'/P Do '.repeat(100)}`, {
        ...{ Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 1, 1] },
        Resources: { XObject: { P: inner } },
      }),
    );
  page(look, '', inner);
  const told = await smaller(look);
  expect(told).toMatchObject({ pictures: 0, places: [] });
  // Nine streams of 600 letters, and the picture is no stream of those.
  expect(told.saved).toBeGreaterThan(9 * 550);
});
