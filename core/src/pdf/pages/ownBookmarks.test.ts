import { PDFDict, PDFDocument, PDFHexString, PDFName, PDFNumber } from '@cantoo/pdf-lib';
import fc from 'fast-check';
import { pageRefsFor } from '../../../testing/marks.ts';
import { pdfWith, plainPdf } from '../../../testing/pdfs.ts';
import { type Bookmark, type DocState, emptyDocument } from '../../document/index.ts';
import { makeFixedCopy } from '../fixedCopy.ts';
import { inspectPdf } from '../inspect.ts';
import { makeLivingCopy } from '../living/livingCopy.ts';
import { openLivingCopy } from '../living/openLivingCopy.ts';
import { openPdf } from '../openPdf.ts';
import { writeAnew } from '../library/writeAnew.ts';
import { removeBookmarks } from './ownBookmarks.ts';

const SHA = 'a'.repeat(64);
const name = (text: string): PDFName => PDFName.of(text);
const bookmark = (id: string, page: string, more: Partial<Bookmark> = {}): Bookmark => ({
  ...{ id, page, title: `To ${id}`, at: null, parent: null, order: 1, madeAt: 1 },
  ...more,
});

async function withBookmarks(bytes: Uint8Array, all: readonly Bookmark[]): Promise<DocState> {
  const pages = pageRefsFor((await inspectPdf(bytes)).pages);
  return { ...emptyDocument(pages), bookmarks: new Map(all.map((one) => [one.id, one])) };
}

/** A file with an outline of two entries, the first with one beneath it. */
const outlined = (): Promise<Uint8Array> =>
  pdfWith((page, doc, index) => {
    if (index > 0) return;
    const { context, catalog } = doc;
    const root = context.register(context.obj({ Type: 'Outlines' }));
    const entry = (title: string, parent: unknown) =>
      context.register(
        context.obj({
          ...{ Title: PDFHexString.fromText(title), Parent: parent },
          Dest: [page.ref, 'Fit'],
        } as never),
      );
    const [zones, tides] = [entry('Zones', root), entry('Tides', root)];
    const splash = entry('Splash', zones);
    const put = (ref: typeof root, entries: object): void => {
      const dict = context.lookup(ref, PDFDict);
      for (const [key, value] of Object.entries(entries)) dict.set(name(key), value);
    };
    put(root, { First: zones, Last: tides, Count: PDFNumber.of(3) });
    put(zones, { First: splash, Last: splash, Count: PDFNumber.of(1), Next: tides });
    put(tides, { Prev: zones });
    catalog.set(name('Outlines'), root);
  }, 3);

/** Titles with where they lead; checks that every way through the entries agrees, and that so many are told as are seen. */
function read(doc: PDFDocument): string[] {
  const root = doc.catalog.lookup(name('Outlines'));
  if (!(root instanceof PDFDict)) return [];
  const pages = doc.getPages().map(({ ref }) => ref.toString());
  const from = (parent: PDFDict, depth: number): string[] => {
    const all: string[] = [];
    let before: PDFDict | undefined;
    let at = parent.lookupMaybe(name('First'), PDFDict);
    for (; at; at = at.lookupMaybe(name('Next'), PDFDict)) {
      expect(at.lookupMaybe(name('Prev'), PDFDict)).toBe(before);
      expect(at.lookup(name('Parent'))).toBe(parent);
      const to = at.lookup(name('Dest'))?.toString() ?? '';
      const page = pages.findIndex((ref) => to.includes(ref));
      const place = /XYZ (.*) null/.exec(to)?.[1] ?? '';
      const title = at.lookup(name('Title'), PDFHexString).decodeText();
      all.push(`${'-'.repeat(depth)}${title}${page < 0 ? '' : ` ${page}`} ${place}`.trim());
      all.push(...from(at, depth + 1));
      before = at;
    }
    expect(parent.lookupMaybe(name('Last'), PDFDict)).toBe(before);
    const count = parent.lookup(name('Count'));
    if (all.length > 0) expect(count instanceof PDFNumber && count.asNumber()).toBe(all.length);
    return all;
  };
  return from(root, 0);
}

test('where the file has no outline the own bookmarks are one, in their order, each at its place', async () => {
  const bytes = await plainPdf(3);
  const state = await withBookmarks(bytes, [
    bookmark('b', 'p2', { order: 2, at: { x: 40, y: 250.5 } }),
    bookmark('a', 'p0'),
    bookmark('under', 'p1', { parent: 'b', title: 'Ebbe – 潮' }),
    bookmark('lost', 'p1', { parent: 'gone', order: 3 }),
    bookmark('elsewhere', 'no page'),
  ]);
  const { bytes: copy } = await makeFixedCopy(bytes, state);
  expect(read(await openPdf(copy))).toEqual([
    ...['To a 0 0 400', 'To b 2 40 250.5', '-Ebbe – 潮 1 0 400', 'To lost 1 0 400'],
  ]);
});

test('beside an outline they stand at its end; on turned pages they lead to the corner that is seen first', async () => {
  const bytes = await outlined();
  const pages = pageRefsFor((await inspectPdf(bytes)).pages).map((page, k) =>
    k === 2 ? { ...page, turn: 90 as const, rotate: 90 as const } : page,
  );
  const state = {
    ...(await withBookmarks(bytes, [bookmark('a', 'p1'), bookmark('b', 'p2')])),
    pages,
  };
  const { bytes: copy } = await makeFixedCopy(bytes, state);
  expect(read(await openPdf(copy))).toEqual([
    ...['Zones 0', '-Splash 0', 'Tides 0', 'Bookmarks', '-To a 1 0 400', '-To b 2 0 0'],
  ]);
});

test.each(['an outline', 'none'])(
  'a living copy of a file with %s has them too, and taken apart gives the file as it was',
  async (which) => {
    const bytes = which === 'none' ? await plainPdf(3) : await outlined();
    const before = read(await openPdf(bytes));
    const state = await withBookmarks(bytes, [bookmark('a', 'p1')]);
    const { bytes: copy, addedTo } = await makeLivingCopy([{ sha: SHA, bytes }], state, {
      madeAt: 0,
    });
    expect(addedTo).toBe(true);
    const own = which === 'none' ? ['To a 1 0 400'] : ['Bookmarks', '-To a 1 0 400'];
    expect(read(await openPdf(copy))).toEqual([...before, ...own]);
    // Another program has written it anew: what is ours is told by its marks.
    const anew = await (await PDFDocument.load(copy, { updateMetadata: false })).save();
    const opened = await openLivingCopy(anew, 1);
    expect(opened?.parts.filter(({ part }) => part === 'bookmark')).toHaveLength(1);
    expect(read(await openPdf(opened?.source ?? new Uint8Array()))).toEqual(before);
  },
);

test('however bookmarks stand under one another, each is there once, or runs in a circle', async () => {
  const bytes = await plainPdf(1);
  const ids = ['a', 'b', 'c', 'd', 'e'];
  const any = fc.array(fc.constantFrom(...ids, null), { minLength: 5, maxLength: 5 });
  await fc.assert(
    fc.asyncProperty(any, async (parents) => {
      const all = ids.map((id, k) => bookmark(id, 'p0', { parent: parents[k] }));
      const { bytes: copy } = await makeFixedCopy(bytes, await withBookmarks(bytes, all));
      const titles = read(await openPdf(copy)).map((row) => /To ./.exec(row)?.[0]);
      expect(new Set(titles).size).toBe(titles.length);
      const isInCircle = (id: string | null, steps = 0): boolean =>
        id !== null && (steps > 5 || isInCircle(parents[ids.indexOf(id)], steps + 1));
      expect(titles).toHaveLength(ids.filter((id) => !isInCircle(id)).length);
    }),
    { numRuns: 20 },
  );
});

test('an outline that runs in circles is left, and ends', async () => {
  const doc = await openPdf(await outlined());
  const root = doc.catalog.lookup(name('Outlines'), PDFDict);
  const zones = root.lookup(name('First'), PDFDict);
  zones.lookup(name('Next'), PDFDict).set(name('Next'), root.get(name('First')) as never);
  const bytes = await writeAnew(doc);
  const { bytes: copy } = await makeFixedCopy(
    bytes,
    await withBookmarks(bytes, [bookmark('a', 'p1')]),
  );
  const again = await openPdf(copy);
  removeBookmarks(again);
  expect(again.getPageCount()).toBe(3);
});
