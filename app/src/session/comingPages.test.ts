import { REFUSALS } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import { dropSource, keepSource } from '@/storage';
import { startWork } from '@/work';
import { pagesOfFiles } from './comingPages';
import { passwordOf } from './passwords';

jest.mock('@/storage', () => ({
  dropSource: jest.fn(async () => undefined),
  keepSource: jest.fn(async () => undefined),
  readShelf: jest.fn(async () => ({ documents: [] })),
  sha256: jest.fn(async (bytes: Uint8Array) => String(bytes[0]).repeat(64)),
}));
jest.mock('@/work', () => ({ startWork: jest.fn() }));
jest.mock('./unlocking', () => ({ unlockDocument: jest.fn() }));

/** A file of so many pages; locked ones open with “kelp”, and one without pages is damaged. */
const fileOf = (pages: number, name = `${pages}.pdf`): File => {
  const bytes = Uint8Array.from([pages]);
  return Object.assign(new File([bytes], name), {
    arrayBuffer: () => Promise.resolve(bytes.buffer),
  });
};

const refused = (reason: 'locked' | 'wrong-password' | 'damaged') => ({
  ok: false,
  failure: { kind: 'refused', reason, message: REFUSALS[reason] },
});

beforeEach(() => {
  jest.clearAllMocks();
  (startWork as jest.Mock).mockImplementation((_: string, ask: Asked) => {
    const [count] = ask.bytes;
    const isLocked = count === 4;
    const pages = Array.from({ length: count }, () => plainPage(300, 400));
    const result =
      count === 0
        ? refused('damaged')
        : isLocked && ask.password !== 'kelp'
          ? refused(ask.password === undefined ? 'locked' : 'wrong-password')
          : { ok: true, value: { title: null, pages } };
    return { result: Promise.resolve(result) };
  });
});
interface Asked {
  readonly bytes: Uint8Array;
  readonly password?: string;
}

test('files are read one after the other; where one is locked it goes on with its password', async () => {
  const read: string[] = [];
  const files = pagesOfFiles([fileOf(2), fileOf(4), fileOf(1)], (n, of) => read.push(`${n}/${of}`));
  expect(await files.read()).toMatchObject({ ok: false, isLocked: true, name: '4.pdf' });
  expect(await files.read('weed')).toMatchObject({
    ...{ ok: false, isLocked: true, message: REFUSALS['wrong-password'] },
  });
  expect(read).toEqual(['1/3']);
  const coming = await files.read('kelp');
  if (!coming.ok) throw new Error(coming.message);
  expect(read).toEqual(['1/3', '2/3', '3/3']);
  const { pages } = coming.document;
  expect(coming.title).toBe('3 files');
  expect(pages.map(({ shows }) => 'source' in shows && shows.source[0]).join('')).toBe('2244441');
  expect(new Set(pages.map(({ id }) => id)).size).toBe(7);
  expect(pages.map(({ order }) => order)).toEqual([0, 1, 2, 3, 4, 5, 6]);
  expect([passwordOf(pages[0]), passwordOf(pages[2])]).toEqual([undefined, 'kelp']);
  // Those before were read once.
  expect(keepSource).toHaveBeenCalledTimes(3);
});

test('where one is damaged, or nobody wants them any more, nothing stays in storage', async () => {
  const damaged = pagesOfFiles([fileOf(2), fileOf(0, 'gone.pdf')], () => undefined);
  const why = await damaged.read();
  expect(!why.ok && why.message).toContain('“gone.pdf”');
  expect(dropSource).toHaveBeenCalledWith('2'.repeat(64));
  const left = pagesOfFiles([fileOf(3), fileOf(4)], () => undefined);
  await left.read();
  await left.drop();
  expect(dropSource).toHaveBeenCalledWith('3'.repeat(64));
});

test('one file is what it is', async () => {
  const coming = await pagesOfFiles([fileOf(2, 'log.pdf')], () => undefined).read();
  expect(coming).toMatchObject({ ok: true, title: 'log.pdf' });
});
