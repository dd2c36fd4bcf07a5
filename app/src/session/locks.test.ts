import { REFUSALS } from '@marginalis/core/document';
import { readSource } from '@/storage';
import { startWork } from '@/work';
import { Locks } from './locks';
import { passwordFor, passwordOf } from './passwords';

jest.mock('@/storage', () => ({ readSource: jest.fn(async () => new Uint8Array([1])) }));
jest.mock('@/work', () => ({ startWork: jest.fn() }));

/** What opens each file, by how long its bytes are. */
const OPENS: readonly (string | undefined)[] = [undefined, 'kelp', 'weed', 'kelp'];
const sourceOf = (n: number): string => String(n).repeat(64);

beforeEach(() => {
  (readSource as jest.Mock).mockImplementation(
    async (source: string) => new Uint8Array(Number(source[0])),
  );
  (startWork as jest.Mock).mockImplementation((_: string, ask: Asked) => {
    const opens = OPENS[ask.bytes.length];
    const reason = ask.password === undefined ? 'locked' : 'wrong-password';
    const failure = { kind: 'refused', reason, message: REFUSALS[reason] };
    return {
      result: Promise.resolve(ask.password === opens ? { ok: true } : { ok: false, failure }),
    };
  });
});
interface Asked {
  readonly bytes: Uint8Array;
  readonly password?: string;
}

test('a password opens the files that it fits; the others stay locked, and it is still said', async () => {
  const opened: string[] = [];
  const locks = new Locks((source) => opened.push(`first ${source[0]}`));
  locks.subscribe((source) => opened.push(`then ${source[0]}`));
  for (const n of [1, 2, 3, 1]) locks.found(sourceOf(n));
  expect(locks.store.getState().locked.map((source) => source[0])).toEqual(['1', '2', '3']);
  expect(await locks.open('mussel')).toBe(REFUSALS['wrong-password']);
  expect(opened).toEqual([]);
  expect(await locks.open('kelp')).toBeNull();
  expect(opened).toEqual(['first 1', 'then 1', 'first 3', 'then 3']);
  expect(locks.store.getState()).toEqual({ locked: [sourceOf(2)], isSaid: true });
  expect(passwordFor(sourceOf(1))).toBe('kelp');
  expect(passwordOf({ shows: { source: sourceOf(2), index: 0 } })).toBeUndefined();
  expect(await locks.open('weed')).toBeNull();
  expect(locks.store.getState()).toEqual({ locked: [], isSaid: false });
});

test('which files are locked is looked up; what is known, or not there, is not asked for', async () => {
  const locks = new Locks(() => undefined);
  (readSource as jest.Mock).mockResolvedValueOnce(null);
  await locks.look([sourceOf(0), sourceOf(1)]);
  expect(locks.store.getState().locked).toEqual([]);
  (startWork as jest.Mock).mockReturnValue({
    result: Promise.resolve({ ok: false, failure: { kind: 'refused', reason: 'locked' } }),
  });
  await locks.look(['4'.repeat(64), sourceOf(1)]);
  // The password of the other is known since the test before.
  expect(locks.store.getState()).toEqual({ locked: ['4'.repeat(64)], isSaid: true });
  locks.putAway();
  expect(locks.store.getState().isSaid).toBe(false);
});
