import { emptyDocument, partsOfDocument } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import { createJournal } from '@marginalis/core/journal';
import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { createJournalStore, findDocument, readShelf, readSource, sha256 } from '@/storage';
import { pageRefsFor } from '../../../core/testing/marks';
import { installFakeTabs, settle } from '../testing/fakeLocks';
import { PictureError, PdfPictures, startWork } from '@/work';
import {
  addDocument,
  deskDocuments,
  dropRemoved,
  holdSources,
  noteWorkedOn,
  putBack,
  removeDocument,
  renameDocument,
} from './desk';
import { unlockDocument } from './unlocking';
import { markInUse } from './inUse';
import { pagesAsCame } from './pagesAsCame';
import { passwordFor } from './passwords';
import { returnedInWords } from './returned';

jest.mock('@/work', () => {
  class FakePictureError extends Error {}
  return {
    startWork: jest.fn(),
    PictureError: FakePictureError,
    PrintError: class extends Error {},
    PdfPictures: { open: jest.fn(async () => ({ close: () => undefined })) },
    firstPagePicture: jest.fn(async () => 'data:image/jpeg;base64,AA=='),
  };
});

const inspection = {
  title: null,
  pages: [plainPage(300, 400)],
  scanned: false,
  signed: false,
  rescued: false,
};
const answer = (value: unknown) =>
  (startWork as jest.Mock).mockReturnValue({ result: Promise.resolve(value) });
const found = (part = {}) => answer({ ok: true, value: { ...inspection, ...part } });
const refused = (reason: string, message = 'No.') =>
  answer({ ok: false, failure: { kind: 'refused', reason, message } });
const bytes = (n: number): Uint8Array => Uint8Array.from([37, 80, 68, 70, n]);
const lay = async (n: number, name = `file-${n}.pdf`, now = n) => addDocument(name, bytes(n), now);
const onDesk = async () => (await deskDocuments()).documents;

beforeEach(installFakeTabs);
afterEach(async () => {
  for (const d of await onDesk()) await removeDocument(d.id);
  await dropRemoved();
});

test('a file is laid on the desk with its own title, or its name without one; the last is on top', async () => {
  found();
  await lay(1, 'rock pools.PDF');
  found({ title: 'Tide log', scanned: true });
  await lay(2);
  expect((await onDesk()).map((d) => [d.title, d.scanned])).toEqual([
    ['Tide log', true],
    ['rock pools', false],
  ]);
  expect(await readSource(await sha256(bytes(1)))).toEqual(bytes(1));
});

test('the same bytes are never laid down twice, whatever their name', async () => {
  found();
  const first = await lay(3);
  const again = await addDocument('other name.pdf', bytes(3), 99);
  expect(again).toMatchObject({ ok: true, already: true });
  expect(await onDesk()).toHaveLength(1);
  expect(first.ok && again.ok && first.document.id === again.document.id).toBe(true);
});

test('a refused file leaves nothing behind, and says why', async () => {
  refused('not-pdf', 'This file is not a PDF.');
  expect(await lay(4)).toEqual({ ok: false, message: 'This file is not a PDF.' });
  expect(await onDesk()).toEqual([]);
  expect(await readSource(await sha256(bytes(4)))).toBeNull();
});

test('a page that cannot be drawn refuses the file too', async () => {
  found();
  (PdfPictures.open as jest.Mock).mockRejectedValueOnce(new PictureError('damaged'));
  expect(await lay(5)).toMatchObject({ ok: false });
  expect(await onDesk()).toEqual([]);
});

test('a locked file lies on the desk, is opened with its password, and shows no picture', async () => {
  refused('locked');
  const added = await lay(6);
  if (!added.ok) throw new Error(added.message);
  expect(added.document).toMatchObject({ locked: true, pages: [], picture: null });
  refused('wrong-password', 'That password does not open this PDF.');
  expect(await unlockDocument(added.document, 'whelk')).toMatchObject({ ok: false });
  expect(passwordFor(added.document.source)).toBeUndefined();
  found();
  expect(await unlockDocument(added.document, 'limpet')).toMatchObject({ ok: true });
  expect(passwordFor(added.document.source)).toBe('limpet');
  expect(await findDocument(added.document.id)).toMatchObject({ locked: true, picture: null });
  expect(JSON.stringify(await readShelf())).not.toContain('limpet');
});

test('what is removed can be put back until the next visit; then its bytes are gone', async () => {
  found();
  const added = await lay(7);
  if (!added.ok) throw new Error(added.message);
  const { id, source } = added.document;
  await removeDocument(id);
  expect(await onDesk()).toEqual([]);
  await putBack(id);
  expect(await onDesk()).toHaveLength(1);
  await removeDocument(id);
  await dropRemoved();
  expect(await findDocument(id)).toBeNull();
  expect(await readSource(source)).toBeNull();
});

test('opening a removed file again brings it back with what it had', async () => {
  found();
  const added = await lay(8);
  if (!added.ok) throw new Error(added.message);
  await removeDocument(added.document.id);
  expect(await lay(8)).toMatchObject({ ok: true, already: false });
  expect((await onDesk())[0].id).toBe(added.document.id);
});

test('renaming keeps the document, an empty name changes nothing, working moves it to the top', async () => {
  found();
  const a = await lay(9);
  await lay(10);
  if (!a.ok) throw new Error(a.message);
  await renameDocument(a.document.id, '  My notes ');
  await renameDocument(a.document.id, '   ');
  await noteWorkedOn(a.document.id, 1000);
  await noteWorkedOn('gone', 1000);
  expect((await onDesk())[0].title).toBe('My notes');
});

test('opening a file again heals a source that the browser lost', async () => {
  found();
  await lay(11);
  const sha = await sha256(bytes(11));
  const store = createAsyncStorage('marginalis-sources');
  for (const lost of [sha, `${sha}/00000`]) {
    await store.removeItem(lost);
    expect(await readSource(sha)).toBeNull();
    expect(await lay(11)).toMatchObject({ ok: true, already: true });
    expect(await readSource(sha)).toEqual(bytes(11));
  }
});

test('what another tab has open, or still offers to put back, is not dropped', async () => {
  found();
  const added = await lay(12);
  if (!added.ok) throw new Error(added.message);
  const { id, source } = added.document;
  const [endOne, endTwo] = [markInUse(id), markInUse(id)];
  await removeDocument(id);
  await dropRemoved();
  expect(await findDocument(id)).not.toBeNull();
  endOne();
  await settle(3);
  await dropRemoved();
  expect(await readSource(source)).not.toBeNull();
  await putBack(id);
  expect(await onDesk()).toHaveLength(1);
  await removeDocument(id);
  endTwo();
  await settle(3);
  await dropRemoved();
  expect(await findDocument(id)).toBeNull();
});

test('a source stays as long as any document, or any step of one, refers to it', async () => {
  found();
  const [a, b] = [await lay(13), await lay(14)];
  if (!a.ok || !b.ok) throw new Error('They were not laid on the desk.');
  await holdSources(b.document.id, [a.document.source]);
  await holdSources(b.document.id, [a.document.source, b.document.source]);
  await holdSources('gone', [a.document.source]);
  expect((await findDocument(b.document.id))?.sources).toEqual([a.document.source]);
  await removeDocument(a.document.id);
  await dropRemoved();
  expect(await findDocument(a.document.id)).toBeNull();
  expect(await readSource(a.document.source)).toEqual(bytes(13));
  await removeDocument(b.document.id);
  await dropRemoved();
  expect(await readSource(a.document.source)).toBeNull();
  expect(await readSource(b.document.source)).toBeNull();
});

test('a living copy is laid down as its source, with what is on it in a journal of its own; one that cannot be taken apart as it is', async () => {
  const written = {
    ...emptyDocument(pageRefsFor([plainPage(300, 400)])),
    tags: new Map([['t', { id: 't', name: 'To measure', colour: '#1b5e3a', order: 1 }]]),
  };
  const elsewhere = { changes: [], added: 0, changed: 0, removed: 0, authors: [], left: [] };
  const opened = { source: bytes(40), parts: partsOfDocument(written as never), elsewhere };
  const asked = { inspect: { ...inspection, living: true }, openLiving: opened as unknown };
  (startWork as jest.Mock).mockImplementation((job: 'inspect' | 'openLiving', ask) => {
    // The source within is none.
    const value =
      job === 'inspect' ? { ...asked.inspect, living: ask.bytes[4] !== 40 } : asked[job];
    return { result: Promise.resolve({ ok: true, value }) };
  });
  const added = await lay(41, 'from a colleague.pdf');
  if (!added.ok) throw new Error(added.message);
  expect(added.document.source).toBe(await sha256(bytes(40)));
  const journal = createJournal(createJournalStore(added.document.id));
  const { state } = await journal.open(pagesAsCame(added.document));
  expect([...state.tags.keys()]).toEqual(['t']);
  expect(state.pages).toHaveLength(1);

  asked.openLiving = null;
  const plain = await lay(42, 'spoilt.pdf');
  expect(plain.ok && plain.document.source).toBe(await sha256(bytes(42)));
});

test('a locked living copy is taken apart when it is opened for the first time, and stays locked', async () => {
  const parts = [
    { part: 'tag', value: { id: 't', name: 'To measure', colour: '#1b5e3a', order: 1 } },
  ];
  const elsewhere = { changes: [], added: 0, changed: 0, removed: 0, authors: [], left: [] };
  refused('locked');
  const added = await lay(60, 'from a colleague.pdf');
  if (!added.ok) throw new Error(added.message);
  (startWork as jest.Mock).mockImplementation((job: string, ask: { password?: string }) => ({
    result: Promise.resolve({
      ok: true,
      value:
        job === 'inspect'
          ? { ...inspection, living: true }
          : { source: bytes(61), parts, elsewhere, asked: ask.password },
    }),
  }));
  const opened = await unlockDocument(added.document, 'limpet');
  if (!opened.ok) throw new Error(opened.message);
  const { id, source } = opened.document;
  expect(id).toBe(added.document.id);
  expect(source).toBe(await sha256(bytes(61)));
  expect(startWork).toHaveBeenLastCalledWith(
    'openLiving',
    expect.objectContaining({ password: 'limpet' }),
  );
  expect(passwordFor(source)).toBe('limpet');
  expect(await findDocument(id)).toMatchObject({ locked: true, picture: null, source });
  const { state } = await createJournal(createJournalStore(id)).open(pagesAsCame(opened.document));
  expect([...state.tags.keys()]).toEqual(['t']);
  // The copy itself is not kept beside it, and opening its file again leads here.
  expect(await readSource(await sha256(bytes(60)))).toBeNull();
  expect(await lay(60)).toMatchObject({ ok: true, already: true, document: { id } });
});

test('a living copy that comes back belongs to the document it was sent from, or is laid down by itself', async () => {
  const page = { ...pageRefsFor([plainPage(300, 400)])[0], id: 'theirs' };
  const mark = noteMark('mine', 'theirs');
  const parts = [
    { part: 'page', value: page },
    { part: 'mark', value: mark },
  ];
  const change = { part: 'mark', id: 'new', before: null, after: noteMark('new', 'theirs') };
  const elsewhere = {
    changes: [change],
    added: 1,
    changed: 0,
    removed: 0,
    authors: ['Tom'],
    left: [],
  };
  (startWork as jest.Mock).mockImplementation((job: string, ask: { bytes: Uint8Array }) => {
    const value =
      job === 'inspect'
        ? { ...inspection, living: ask.bytes[4] !== 50 }
        : { source: bytes(50), parts, elsewhere };
    return { result: Promise.resolve({ ok: true, value }) };
  });
  const first = await lay(51, 'tides.pdf');
  if (!first.ok || !first.returned) throw new Error('It has come back.');
  // No document of it is here: it lies there as it was sent.
  expect(first.returned.layDown).toBeNull();
  const again = await lay(52, 'tides again.pdf');
  if (!again.ok || !again.returned?.layDown) throw new Error('It belongs to the first.');
  expect(again.document.id).toBe(first.document.id);
  expect(await onDesk()).toHaveLength(1);
  const beside = await again.returned.layDown();
  expect(beside).toMatchObject({ ok: true, document: { title: 'tides again (2)' } });
  expect(await onDesk()).toHaveLength(2);
  const said = (part = {}) =>
    returnedInWords('tides', { ...again.returned?.elsewhere, ...part } as never);
  expect(said()).toBe('“tides” has come back, marked further elsewhere by Tom: 1 new.');
  expect(said({ authors: [], removed: 2, left: [{}] })).toBe(
    '“tides” has come back, marked further elsewhere: 1 new, 2 gone. 1 thing was added that cannot be taken in.',
  );
});

const noteMark = (id: string, on: string) => ({
  ...{ kind: 'note', id, page: on, order: 1, madeAt: 1, at: { x: 9, y: 9 }, quads: [] },
  style: { colour: '#c22f17', width: 1, opacity: 1 },
  quote: { exact: '', before: '', after: '' },
});
