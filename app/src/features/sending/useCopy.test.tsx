import { emptyDocument, pagesOfSource } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import { act, renderHook } from '@testing-library/react';
import { readSource } from '@/storage';
import { startWork } from '@/work';
import { useCopy } from './useCopy';

const mockPages = pagesOfSource('a'.repeat(64), Array(3).fill(plainPage(9, 9)), String);
const mockSession = {
  copyLayers: { known: () => new Map() },
  desk: { source: 'a', pages: [1, 2, 3] },
  leadingSource: () => 'a',
};
jest.mock('@/session', () => ({
  BYTES_GONE: jest.requireActual('@/session/pageFile').BYTES_GONE,
  useSession: () => mockSession,
  passwordFor: () => undefined,
}));
jest.mock('@/storage', () => ({ readSource: jest.fn() }));
jest.mock('@/work', () => ({
  startWork: jest.fn(),
  faceAddresses: () => ({}),
  ownFaces: { files: async () => [] },
}));

const WHOLE = {
  part: { document: emptyDocument(mockPages), names: ['1', '2', '3'] },
  notes: 'end' as const,
  as: 'fixed' as const,
};
const read = readSource as jest.Mock;
const start = startWork as jest.Mock;
beforeEach(() => {
  read.mockReset();
  start.mockReset().mockReturnValue({ result: new Promise(() => undefined), stop: jest.fn() });
});

/** A promise, and what ends it. */
function open<T>() {
  let resolve: (value: T) => void = () => undefined;
  let reject: (e: Error) => void = () => undefined;
  const promise = new Promise<T>((yes, no) => ([resolve, reject] = [yes, no]));
  return { promise, resolve, reject };
}
/** Work whose answers the test gives, in the order in which it is started. */
function works(count: number) {
  const all = Array.from({ length: count }, () => ({ ...open<unknown>(), stop: jest.fn() }));
  for (const work of all) start.mockReturnValueOnce({ result: work.promise, stop: work.stop });
  return all;
}
const making = () => {
  const { result, unmount } = renderHook(useCopy);
  return { result, unmount, make: () => void result.current.make(WHOLE) };
};

test('nothing is started when it is stopped, or gone, while the source is read', async () => {
  for (const end of ['stop', 'unmount'] as const) {
    const source = open<Uint8Array>();
    read.mockReturnValue(source.promise);
    const { result, unmount, make } = making();
    act(make);
    expect(result.current.state).toMatchObject({ phase: 'making', done: 0, all: 3 });
    act(() => (end === 'stop' ? result.current.stop() : unmount()));
    await act(async () => source.resolve(new Uint8Array(3)));
    expect(start).not.toHaveBeenCalled();
    if (end === 'stop') expect(result.current.state.phase).toBe('idle');
  }
});

test('a source that cannot be read is said, and it can be tried again', async () => {
  const source = open<Uint8Array>();
  read.mockReturnValueOnce(source.promise).mockResolvedValueOnce(null);
  const { result, make } = making();
  act(make);
  await act(async () => source.reject(new Error('the database was closed')));
  expect(result.current.state).toMatchObject({
    phase: 'failed',
    message: expect.stringContaining('the database was closed'),
  });
  await act(async () => make());
  expect(result.current.state).toMatchObject({
    phase: 'failed',
    message: expect.stringContaining('Open the file again'),
  });
});

test('what is made is proved before it is given, and a proof that cannot be made is said', async () => {
  read.mockResolvedValue(new Uint8Array(3));
  const [copying, proving] = works(2);
  const { result } = renderHook(useCopy);
  let made: unknown;
  await act(async () => {
    void result.current.make(WHOLE).then((it) => (made = it));
  });
  const copy = { pages: 3, bytes: new Uint8Array(2), annotatedPages: [1] };
  await act(async () => copying.resolve({ ok: true, value: copy }));
  expect(result.current.state).toMatchObject({ phase: 'proving' });
  expect(start.mock.calls[1].slice(0, 2)).toMatchObject([
    'prove',
    { copy: copy.bytes, annotated: [1] },
  ]);
  const failure = { kind: 'failed', message: 'There is no room.' };
  await act(async () => proving.resolve({ ok: false, failure }));
  expect(made).toEqual({ copy, proved: { proof: null, why: 'There is no room.' }, pictures: null });
  expect(result.current.state).toMatchObject({ phase: 'made', copy });
});

test('making it again ends what was being made, whose answer is not heard', async () => {
  read.mockResolvedValue(new Uint8Array(3));
  const [first, second, proving] = works(3);
  const { result, make, unmount } = making();
  await act(async () => make());
  await act(async () => make());
  expect(first.stop).toHaveBeenCalled();
  await act(async () => first.resolve({ ok: true, value: { pages: 1 } }));
  expect(result.current.state.phase).toBe('making');
  await act(async () => second.resolve({ ok: true, value: { pages: 3 } }));
  act(() => result.current.stop());
  expect(proving.stop).toHaveBeenCalled();
  await act(async () => proving.resolve({ ok: true, value: {} }));
  expect(result.current.state.phase).toBe('idle');
  unmount();
});
