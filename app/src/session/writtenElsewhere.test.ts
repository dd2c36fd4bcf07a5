import { fromAnnotations } from '@marginalis/core/annotations';
import { plainPage } from '@marginalis/core/geometry';
import { createJournal } from '@marginalis/core/journal';
import { marksOn } from '@marginalis/core/document';
import {
  createJournalStore,
  findDocument,
  keepDocument,
  keepSource,
  readSource,
  sha256,
} from '@/storage';
import { startWork } from '@/work';
import { deskDocument } from '../testing/deskDocument';
import { pagesAsCame } from './pagesAsCame';
import { leaveWritten, takeUpWritten } from './writtenElsewhere';
import { leftInWords, writtenInWords } from './writtenInWords';

jest.mock('@/work', () => ({
  startWork: jest.fn(),
  PrintError: class extends Error {},
  PrintReader: class {
    page = () => Promise.reject(new Error('No print is asked for.'));
    close = () => undefined;
  },
}));

const WRITTEN = { count: 1, authors: ['Ada'], left: {} };
const came = Uint8Array.from([37, 80, 68, 70, 1]);
const without = Uint8Array.from([37, 80, 68, 70, 2]);
const read = fromAnnotations(
  [
    {
      ...{
        name: 'n',
        page: 0,
        subtype: 'Text',
        rect: null,
        colour: '#c22f17',
        opacity: 1,
        author: 'Ada',
      },
      ...{ contents: 'Why?', madeAt: 1, changedAt: null, locked: false, shown: true },
      ...{ answers: null, state: null, sketch: { subtype: 'Text', at: { x: 4, y: 5 } } },
    },
  ],
  { pageId: String, now: 1 },
);

async function lay(id: string) {
  const source = await sha256(came);
  const document = deskDocument({ id, source, pages: [plainPage(300, 400)], written: WRITTEN });
  await keepSource(source, came);
  await keepDocument(document);
  return document;
}
const answer = (value: unknown) =>
  (startWork as jest.Mock).mockReturnValue({ result: Promise.resolve(value) });
const begunWith = async (id: string) => {
  const document = await findDocument(id);
  if (!document) throw new Error('It is gone.');
  const pages = pagesAsCame(document);
  const { state } = await createJournal(createJournalStore(id)).open(pages);
  return [...marksOn(state, pages[0].id).values()];
};

test('what was written becomes marks, and the source is the file without it', async () => {
  const { id } = await lay('taken');
  answer({ ok: true, value: { ...read, left: [], source: without } });
  expect(await takeUpWritten(id, 1)).toEqual({ ok: true });
  const document = await findDocument(id);
  expect(document).toMatchObject({
    source: await sha256(without),
    cameAs: await sha256(came),
    written: null,
  });
  expect(await readSource(await sha256(came))).toBeNull();
  expect(await begunWith(id)).toMatchObject([{ id: 'n', kind: 'note', author: 'Ada' }]);
  // Another tab that asks as well changes nothing.
  (startWork as jest.Mock).mockClear();
  expect(await takeUpWritten(id, 1)).toEqual({ ok: true });
  expect(startWork).not.toHaveBeenCalled();
});

test('where it cannot be read nothing is changed, and it can be asked again', async () => {
  const { id, source } = await lay('refused');
  answer({ ok: false, failure: { kind: 'failed', message: 'It broke off.' } });
  expect(await takeUpWritten(id, 1)).toEqual({ ok: false, message: 'It broke off.' });
  expect(await findDocument(id)).toMatchObject({ source, written: WRITTEN });
  expect(await readSource(source)).toEqual(came);
});

test('left in the print it is asked no more, and has no marks', async () => {
  const document = await lay('left');
  await leaveWritten(document);
  expect(await findDocument(document.id)).toMatchObject({ source: document.source, written: null });
  expect(await begunWith(document.id)).toEqual([]);
});

test('who wrote, how much, and what stays is said in words', () => {
  const said = (authors: string[], count = 3) => writtenInWords({ count, authors, left: {} });
  expect(said(['Ada'], 1)).toBe(
    'Ada has written on this PDF with another program: 1 mark or note.',
  );
  expect(said(['Ada', 'Tom', 'Ines', 'Teo'])).toBe(
    'Ada, Tom and 2 others have written on this PDF with another program: 3 marks and notes.',
  );
  expect(said([])).toBe('There is writing of another program on this PDF: 3 marks and notes.');
  const left = (kinds: Record<string, number>) =>
    leftInWords({ count: 1, authors: [], left: kinds });
  expect(left({})).toBeNull();
  expect(left({ Stamp: 1 })).toBe('1 stamp stays in the print either way.');
  expect(left({ Stamp: 2, Movie: 1 })).toBe(
    '2 stamps and 1 other thing stay in the print either way.',
  );
});
