import { emptyDocument, type Transaction } from '@marginalis/core/document';
import { EMPTY_HISTORY } from '@marginalis/core/history';
import type { Journal, JournalRecord } from '@marginalis/core/journal';
import { settle } from '../testing/fakeLocks';
import { Keeper } from './keeper';

const NOTHING: Transaction = { label: 'Nothing', changes: [] };

/** A keeper on a journal whose every answer the test gives. */
function stand() {
  const stored: number[] = [];
  const told: string[] = [];
  /** How much was stored each time what a change refers to was held. */
  const held: number[] = [];
  const gates = {
    refuse: false,
    unheld: false,
    compacting: null as Promise<void> | null,
    compacted: 0,
  };
  const journal: Journal = {
    open: () => Promise.reject(new Error('Not asked here.')),
    begin: () => Promise.reject(new Error('Not asked here.')),
    async append(record: JournalRecord) {
      await Promise.resolve();
      if (gates.refuse) throw new Error('QuotaExceededError');
      stored.push(record.seq);
      return `line ${record.seq}`;
    },
    async compact() {
      gates.compacted++;
      await gates.compacting;
    },
  };
  const keeper = new Keeper({
    journal,
    client: 'me',
    current: () => ({ document: emptyDocument([]), history: EMPTY_HISTORY }),
    beforeKept: async () => {
      if (gates.unheld) throw new Error('QuotaExceededError');
      held.push(stored.length);
    },
    onChange: () => undefined,
    onKept: (lines) => told.push(...lines),
    onTrouble: (words) => told.push(words),
  });
  return { keeper, stored, told, held, gates, keep: () => keeper.keep('do', NOTHING) };
}

test('changes are stored in order, and told when they are', async () => {
  const { keeper, stored, told, keep } = stand();
  keep();
  keep();
  expect([keeper.waits, keeper.isWriting, told]).toEqual([2, true, []]);
  await keeper.settled();
  expect([keeper.waits, stored, told]).toEqual([0, [1, 2], ['line 1', 'line 2']]);
});

test('a change that arrives while old records are bundled is stored as well', async () => {
  const { keeper, stored, gates, keep } = stand();
  let open: () => void = () => undefined;
  gates.compacting = new Promise((resolve) => (open = resolve));
  keep();
  for (let i = 0; i < 60 && gates.compacted === 0; i++) await settle(2);
  expect(gates.compacted).toBe(1);
  keep();
  gates.compacting = null;
  open();
  await keeper.settled();
  expect([keeper.waits, stored]).toEqual([0, [1, 2]]);
});

test('bundling that fails is told and loses nothing', async () => {
  const { keeper, stored, told, gates, keep } = stand();
  gates.compacting = Promise.reject(new Error('full'));
  gates.compacting.catch(() => undefined);
  keep();
  await keeper.settled();
  expect([stored, keeper.isRefused]).toEqual([[1], false]);
  expect(told[1]).toMatch(/could not be bundled: full/);
});

test('what storage refuses waits, is tried again by itself, and later changes come after it', async () => {
  const { keeper, stored, gates, keep } = stand();
  gates.refuse = true;
  keep();
  await keeper.settled();
  expect([keeper.waits, keeper.isRefused]).toEqual([1, true]);
  keep();
  await keeper.settled();
  expect([keeper.waits, stored]).toEqual([2, []]);
  jest.useFakeTimers();
  keeper.retry();
  await jest.advanceTimersByTimeAsync(10);
  expect(keeper.isRefused).toBe(true);
  gates.refuse = false;
  await jest.advanceTimersByTimeAsync(2_100);
  jest.useRealTimers();
  await keeper.settled();
  expect([keeper.waits, keeper.isRefused, stored]).toEqual([0, false, [1, 2]]);
});

test('a keeper that is stopped tries nothing again', async () => {
  const { keeper, stored, gates, keep } = stand();
  gates.refuse = true;
  keep();
  await keeper.settled();
  gates.refuse = false;
  jest.useFakeTimers();
  keeper.stop();
  await jest.advanceTimersByTimeAsync(100_000);
  jest.useRealTimers();
  expect(stored).toEqual([]);
});

test('what a change refers to is held before the change is stored; where that fails nothing is stored', async () => {
  const { keeper, stored, held, gates, keep } = stand();
  keep();
  await keeper.settled();
  expect([held, stored]).toEqual([[0], [1]]);
  gates.unheld = true;
  keep();
  await keeper.settled();
  expect([keeper.waits, keeper.isRefused, stored]).toEqual([1, true, [1]]);
  gates.unheld = false;
  keeper.retry();
  await keeper.settled();
  expect([keeper.waits, stored]).toEqual([0, [1, 2]]);
});
