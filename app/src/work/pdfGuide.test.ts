import type { PDFDocumentProxy } from 'pdfjs-dist';
import { PdfGuide } from './pdfGuide';

const FIT = { name: 'Fit' };
const guideOf = (doc: object): PdfGuide =>
  new PdfGuide({ numPages: 9, ...doc } as unknown as PDFDocumentProxy, Promise.resolve());
const entry = (title: string, dest: unknown, more: object = {}) => ({
  title,
  dest,
  url: null,
  count: undefined,
  items: [],
  ...more,
});

test('an outline leads to pages by number, by reference and by name; what leads nowhere is kept without a place', async () => {
  const guide = guideOf({
    getOutline: async () => [
      entry('By number', [3, { name: 'XYZ' }, 10, 20, null]),
      entry('By reference', [{ num: 7, gen: 0 }, FIT]),
      entry('By name', 'chapter', { items: [entry('Under it', null)], count: -1 }),
      entry('Out', null, { url: 'https://saltmarsh.example/' }),
      entry('To a name nobody gave', 'toString'),
      entry('Past the end', [99, FIT]),
      entry('To no page', ['x', FIT]),
    ],
    getPageIndex: async ({ num }: { num: number }) => num - 2,
    getDestinations: async () => ({ chapter: [4, { name: 'FitH' }, 50] }),
  });
  const all = await guide.outline();
  expect(all.map(({ place }) => place)).toEqual([
    { page: 3, left: 10, top: 20 },
    { page: 5, left: null, top: null },
    { page: 4, left: null, top: 50 },
    null,
    null,
    null,
    null,
  ]);
  expect(all[2]).toMatchObject({ open: false, under: [{ title: 'Under it' }] });
  expect(all[3].address).toBe('https://saltmarsh.example/');
});

test('an outline without end is read so far and no farther', async () => {
  const loop = { ...entry('Again', null), items: [] as object[] };
  loop.items.push(loop);
  const deep = await guideOf({ getOutline: async () => [loop] }).outline();
  let depth = 0;
  for (let at = deep; at.length > 0; at = at[0].under) depth++;
  expect(depth).toBeLessThan(50);
  const many = Array.from({ length: 30_000 }, (_, k) => entry(`${k}`, null));
  expect(await guideOf({ getOutline: async () => many }).outline()).toHaveLength(10_000);
});

test('a title is one line, and turns nothing round', async () => {
  const guide = guideOf({ getOutline: async () => [entry(' A\n\u202eB\u0007 C ', null)] });
  expect((await guide.outline())[0].title).toBe('A B C');
});

test('what a damaged file cannot say is not there', async () => {
  jest.spyOn(console, 'warn').mockImplementation(() => undefined);
  const broken = async () => Promise.reject(new Error('damaged'));
  const guide = guideOf({ getOutline: broken, getPageLabels: broken });
  expect(await guide.outline()).toEqual([]);
  expect(await guide.labels()).toBeNull();
  jest.restoreAllMocks();
});

test('of the annotations of a page only links count, and of those none that would start anything', async () => {
  const rect = [10, 20, 0, 5];
  const link = { subtype: 'Link', rect };
  const guide = guideOf({
    getPage: async () => ({
      getAnnotations: async () => [
        { ...link, dest: [1, FIT] },
        { ...link, url: 'mailto:station@saltmarsh.example' },
        { ...link, url: 'javascript:alert(1)' },
        { ...link, url: 'file:///etc/passwd' },
        { ...link, rect: [0, NaN, 1, 1], dest: [1, FIT] },
        { subtype: 'Text', rect, dest: [1, FIT] },
      ],
    }),
  });
  const links = await guide.linksOn(0);
  expect(links).toHaveLength(2);
  expect(links[0]).toMatchObject({
    area: { minX: 0, minY: 5, maxX: 10, maxY: 20 },
    place: { page: 1 },
  });
  expect(links[1].address).toBe('mailto:station@saltmarsh.example');
});
