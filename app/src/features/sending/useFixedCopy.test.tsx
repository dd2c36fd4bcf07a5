import { emptyDocument, pagesOfSource } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import { act, renderHook } from '@testing-library/react';
import { readSource } from '@/storage';
import { startWork } from '@/work';
import { useFixedCopy } from './useFixedCopy';

const mockPages = pagesOfSource('a'.repeat(64), Array(3).fill(plainPage(9, 9)), String);
const mockSession = {
  copyLayers: { known: () => new Map() },
  desk: { source: 'a', pages: [1, 2, 3] },
};
jest.mock('@/session', () => ({ useSession: () => mockSession, passwordFor: () => undefined }));
jest.mock('@/storage', () => ({ readSource: jest.fn() }));
jest.mock('@/work', () => ({
  startWork: jest.fn(),
  faceAddresses: () => ({}),
  ownFaces: { files: async () => [] },
}));

const WHOLE = {
  part: { document: emptyDocument(mockPages), names: ['1', '2', '3'] },
  notes: 'end' as const,
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

test('nothing is started when it is stopped, or gone, while the source is read', async () => {
  for (const end of ['stop', 'unmount'] as const) {
    const source = open<Uint8Array>();
    read.mockReturnValue(source.promise);
    const { result, unmount } = renderHook(useFixedCopy);
    act(() => result.current.make(WHOLE));
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
  const { result } = renderHook(useFixedCopy);
  act(() => result.current.make(WHOLE));
  await act(async () => source.reject(new Error('the database was closed')));
  expect(result.current.state).toMatchObject({
    phase: 'failed',
    message: expect.stringContaining('the database was closed'),
  });
  await act(async () => result.current.make(WHOLE));
  expect(result.current.state).toMatchObject({
    phase: 'failed',
    message: expect.stringContaining('Open the file again'),
  });
});

test('making it again ends what was being made, whose answer is not heard', async () => {
  read.mockResolvedValue(new Uint8Array(3));
  const first = { ...open<unknown>(), stop: jest.fn() };
  const second = { ...open<unknown>(), stop: jest.fn() };
  for (const work of [first, second])
    start.mockReturnValueOnce({ result: work.promise, stop: work.stop });
  const { result, unmount } = renderHook(useFixedCopy);
  await act(async () => result.current.make(WHOLE));
  await act(async () => result.current.make(WHOLE));
  expect(first.stop).toHaveBeenCalled();
  await act(async () => first.resolve({ ok: true, value: { pages: 1 } }));
  expect(result.current.state.phase).toBe('making');
  await act(async () => second.resolve({ ok: true, value: { pages: 3 } }));
  expect(result.current.state).toEqual({ phase: 'made', copy: { pages: 3 } });
  unmount();
});
