import { type Change, changeOf, type Transaction } from '@marginalis/core/document';
import { createJournal, type JournalStore } from '@marginalis/core/journal';
import { plainPage } from '@marginalis/core/geometry';
import { createStore } from 'zustand/vanilla';
import { createMemoryStore } from '../../../core/testing/memoryStore';
import { pageRefsFor } from '../../../core/testing/marks';
import { PART_ARBITRARIES, plainState } from '../../../core/testing/parts';
import fc from 'fast-check';
import { installFakeTabs, settle } from '../testing/fakeLocks';
import { openingState, type SessionState } from './sessionState';
import { Visit } from './visit';

beforeEach(installFakeTabs);
const pages = pageRefsFor([plainPage(300, 400)]);

/** A tab that visits the document kept in `kept`, and writes as the session would. */
function tab(kept: JournalStore) {
  const journal = createJournal(kept);
  const store = createStore<SessionState>(() => openingState(pages));
  const numbers = { last: 0 };
  const made = { store, stores: true, yielded: 0 };
  const visit = new Visit('d', {
    store,
    journal,
    pages,
    last: { get: () => numbers.last, set: (seq) => (numbers.last = seq) },
    onYield: async () => {
      made.yielded++;
      return made.stores;
    },
    after: () => ({ draft: null }),
  });
  const write = async (transaction: Transaction): Promise<void> => {
    numbers.last += 1;
    visit.tell([await journal.append({ seq: numbers.last, client: 'x', act: 'do', transaction })]);
  };
  return Object.assign(made, { visit, write });
}
const writable = (...tabs: ReturnType<typeof tab>[]): boolean[] =>
  tabs.map(({ store }) => store.getState().writable);

test('every kind of part that one tab writes is followed by the other, and read again by a third', async () => {
  const kept = createMemoryStore();
  const first = tab(kept);
  const second = tab(kept);
  await settle();
  expect(writable(first, second)).toEqual([true, false]);
  for (const [part, arbitrary] of Object.entries(PART_ARBITRARIES)) {
    const [value] = fc.sample(arbitrary as fc.Arbitrary<never>, { seed: 11, numRuns: 1 });
    const change = changeOf(part as never, null, value) as Change;
    await first.write({ label: part, changes: [change] });
  }
  await settle();
  const third = tab(kept);
  await settle();
  const { document } = second.store.getState();
  expect(document.bookmarks.size + document.threads.size + document.tags.size).toBe(3);
  expect([document.links.size, document.pages.length]).toEqual([1, 2]);
  expect(plainState(document)).toEqual(plainState(third.store.getState().document));
});

test('the turn goes to the tab that asks, once everything is stored; not before', async () => {
  const kept = createMemoryStore();
  const first = tab(kept);
  const second = tab(kept);
  await settle();
  first.stores = false;
  second.visit.askForTurn();
  await settle();
  expect(writable(first, second)).toEqual([true, false]);
  first.stores = true;
  second.visit.askForTurn();
  await settle();
  expect(writable(first, second)).toEqual([false, true]);
  expect(first.yielded).toBe(2);
  second.visit.leave();
  await settle();
  expect(writable(first)).toEqual([true]);
});

test('a line that does not follow has the whole journal read again', async () => {
  const kept = createMemoryStore();
  const first = tab(kept);
  const second = tab(kept);
  await settle();
  const [tag] = fc.sample(PART_ARBITRARIES.tag, { seed: 3, numRuns: 1 });
  const [link] = fc.sample(PART_ARBITRARIES.link, { seed: 3, numRuns: 1 });
  await first.write({ label: 'Tag', changes: [changeOf('tag', null, tag)] });
  second.visit.tell(['not a line at all']);
  first.visit.tell(['m2 1 00000000 x']);
  await first.write({ label: 'Link', changes: [changeOf('link', null, link)] });
  await settle();
  const { document } = second.store.getState();
  expect([document.tags.size, document.links.size]).toEqual([1, 1]);
});

test('a journal that cannot be read is said, and nothing is written on it', async () => {
  const broken: JournalStore = {
    ...createMemoryStore(),
    readAll: () => Promise.reject(new Error('gone')),
  };
  const one = tab(broken);
  await settle();
  expect(one.store.getState()).toMatchObject({
    phase: 'failed',
    writable: false,
    trouble: 'The marks cannot be read from storage: gone',
  });
});
