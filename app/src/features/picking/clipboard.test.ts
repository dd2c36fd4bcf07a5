import { countMarks, type DocState } from '@marginalis/core/document';
import { wavePath } from '../../../../core/testing/hand';
import { done, pageRefsFor, written } from '../../../../core/testing/marks';
import type { DocumentSession } from '@/session';
import { keepClip, readKeptClip } from '@/storage';
import { copyPicked, cutPicked, isOfClip, pasteClip } from './clipboard';

jest.mock('@/stage', () => ({ pictureOfMarks: () => new Blob() }));
jest.mock('@/storage', () => ({ keepClip: jest.fn(), readKeptClip: jest.fn() }));

const keep = keepClip as jest.Mock;
const page = { box: { minX: 0, minY: 0, maxX: 600, maxY: 800 }, rotate: 0, userUnit: 1 } as const;

/** As much of a session as copying needs. */
function stand() {
  let document: DocState = written(pageRefsFor([page]), [
    { page: 0, path: wavePath({ x: 50, y: 50 }, 90, 6, 2), id: 'a' },
    { page: 0, path: wavePath({ x: 50, y: 90 }, 90, 6, 2), id: 'b' },
  ]);
  const told: string[] = [];
  const session = {
    store: { getState: () => ({ document, picked: new Set(['a']) }) },
    dispatch: (t: Parameters<typeof done>[1]) => {
      if (t) document = done(document, t);
      return t !== null;
    },
    inHand: { pick: () => undefined },
    notices: { tell: (words: string) => told.push(words) },
  } as unknown as DocumentSession;
  return { session, told, count: () => countMarks(document) };
}

test('what is cut goes only once its copy is kept', async () => {
  const { session, count } = stand();
  let stored: () => void = () => undefined;
  keep.mockReturnValue(new Promise<void>((resolve) => (stored = resolve)));
  const cutting = cutPicked(session);
  await Promise.resolve();
  expect(count()).toBe(2);
  stored();
  await cutting;
  expect(count()).toBe(1);
});

test('what cannot be kept is not cut, and that is said', async () => {
  const { session, told, count } = stand();
  keep.mockRejectedValue(new Error('the storage is full'));
  await cutPicked(session);
  expect([count(), await copyPicked(session)]).toEqual([2, []]);
  expect(told[0]).toMatch(/could not be kept: the storage is full/);
});

test('who pastes at once pastes what was just copied, not what was copied before', async () => {
  const { session, count } = stand();
  let kept: string | null = null;
  keep.mockImplementation(async (clip: string) => {
    await new Promise((resolve) => setTimeout(resolve, 20));
    kept = clip;
  });
  (readKeptClip as jest.Mock).mockImplementation(async () => kept);
  const copying = copyPicked(session);
  await pasteClip(session, 'p0', null);
  expect(count()).toBe(3);
  await copying;
});

test('what the system gives before it has what was just copied is not pasted instead', async () => {
  const { session } = stand();
  keep.mockResolvedValue(undefined);
  (readKeptClip as jest.Mock).mockResolvedValue(null);
  let taken: () => void = () => undefined;
  const write = jest.fn(() => new Promise<void>((resolve) => (taken = resolve)));
  const globals = globalThis as { ClipboardItem?: unknown };
  globals.ClipboardItem = class {};
  Object.defineProperty(navigator, 'clipboard', { value: { write }, configurable: true });
  const copying = copyPicked(session);
  while (write.mock.calls.length === 0) await Promise.resolve();
  expect(await isOfClip('copied before, elsewhere')).toBe(true);
  taken();
  await copying;
  expect(await isOfClip('copied since, elsewhere')).toBe(false);
});

test('what the system gives when it has not taken what was copied is not pasted instead, until something else may have been copied', async () => {
  const { session, told } = stand();
  keep.mockResolvedValue(undefined);
  (readKeptClip as jest.Mock).mockResolvedValue(null);
  (globalThis as { ClipboardItem?: unknown }).ClipboardItem = class {};
  const write = jest.fn(() => Promise.reject(new DOMException('', 'NotAllowedError')));
  Object.defineProperty(navigator, 'clipboard', { value: { write }, configurable: true });
  await copyPicked(session);
  expect(told[0]).toMatch(/^Copied for pasting here/);
  expect(await isOfClip('copied before, elsewhere')).toBe(true);
  window.dispatchEvent(new Event('blur'));
  expect(await isOfClip('copied since, elsewhere')).toBe(false);
});
