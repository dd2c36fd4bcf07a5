import { plainPage } from '../geometry/index.ts';
import { toMarkRecord } from '../kinds/index.ts';
import { usualRuling } from '../paper/index.ts';
import { type DocState, markChangesIn, paperPage } from '../document/index.ts';
import { pageRefsFor } from '../../testing/marks.ts';
import formatOne from '../../testing/journalFormat1.json';
import { createMemoryStore } from '../../testing/memoryStore.ts';
import fc from 'fast-check';
import { inkMark } from '../../testing/arbitraries.ts';
import { acts, marksOf, play, type Played } from '../../testing/acts.ts';
import { partsOf, plainState } from '../../testing/parts.ts';
import { journalStoreContract } from '../../testing/journalStoreContract.ts';
import { stackSteps } from '../history/index.ts';
import { type FollowedJournal, followJournal, type Journal, createJournal } from './journal.ts';
import {
  decodeRecord,
  encodeRecord,
  JournalDamage,
  JournalNewer,
  type JournalRecord,
} from './record.ts';
import { type JournalStore } from './store.ts';

describe('the store in memory', () => journalStoreContract(createMemoryStore));

/** Writes what was played into a journal, compacting as the open document does. */
async function keep(journal: Journal, played: Played, from = 0): Promise<void> {
  await journal.open([]);
  for (const record of played.records.slice(from)) await journal.append(record);
  await journal.compact(played.records.length, played.state, played.history);
}

async function expectSame(store: JournalStore, played: Played): Promise<void> {
  const opened = await createJournal(store).open([]);
  expect(opened.damaged).toBe(0);
  expect(plainState(opened.state)).toEqual(plainState(played.state));
  expect(opened.last).toBe(played.records.length);
  expect(opened.history.done?.size ?? 0).toBe(played.history.done?.size ?? 0);
  expect(opened.history.undone?.size ?? 0).toBe(played.history.undone?.size ?? 0);
}

test('a reopened journal tells the same marks and the same history', async () => {
  await fc.assert(
    fc.asyncProperty(acts(), async (all) => {
      const store = createMemoryStore();
      const played = play(all);
      await keep(createJournal(store), played);
      await expectSame(store, played);
    }),
  );
});

test('a journal compacted again and again tells the same, and undo goes on across the snapshots', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(acts(12), { maxLength: 5 }),
      fc.integer({ min: 1, max: 6 }),
      async (parts, after) => {
        const store = createMemoryStore();
        let played = play([]);
        for (const part of parts) {
          const next = play(part, played);
          await keep(createJournal(store, after), next, played.records.length);
          played = next;
          await expectSame(store, played);
        }
        const opened = await createJournal(store).open([]);
        const undoAll = Array.from({ length: 99 }, () => ({ do: 'undo' as const }));
        const back = play(undoAll, { ...opened, records: [] });
        expect(partsOf(back.state)).toEqual([]);
      },
    ),
  );
});

test('a tab killed between bundling and removing loses nothing and doubles nothing', async () => {
  await fc.assert(
    fc.asyncProperty(acts(20), async (all) => {
      const store = createMemoryStore();
      const dying: JournalStore = { ...store, remove: () => Promise.reject(new Error('killed')) };
      const played = play(all);
      await keep(createJournal(dying, 1), played).catch(() => undefined);
      await expectSame(store, played);
      const last = await createJournal(store, 1).open([]);
      expect(last.last).toBe(played.records.length);
    }),
  );
});

test('a torn last record is dropped and counted; everything before it stands', async () => {
  await fc.assert(
    fc.asyncProperty(acts(15), fc.nat(), async (all, cut) => {
      const played = play(all);
      if (played.records.length === 0) return;
      const store = createMemoryStore();
      await keep(createJournal(store), played);
      const [name, text] = [...(await store.readAll())].sort().at(-1) as [string, string];
      await store.put([[name, text.slice(0, cut % text.length)]]);
      const opened = await createJournal(store).open([]);
      expect(opened.damaged).toBe(1);
      const before = replay(played.records.slice(0, -1));
      expect(marksOf(opened.state)).toEqual(before);
    }),
  );
});

/** The marks after these records, by applying their changes plainly. */
function replay(records: Played['records']) {
  const marks = new Map<string, ReturnType<typeof marksOf>[number]>();
  for (const { transaction } of records)
    for (const { id, after } of markChangesIn(transaction)) {
      if (after) marks.set(id, after);
      else marks.delete(id);
    }
  return [...marks.values()].sort((a, b) => (a.id < b.id ? -1 : 1));
}

test('a damaged snapshot is made good from the records', async () => {
  await fc.assert(
    fc.asyncProperty(acts(15), async (all) => {
      const store = createMemoryStore();
      const played = play(all);
      await keep(createJournal(store, 1), played);
      if (!(await store.readAll()).has('snapshot')) return;
      await store.put([['snapshot', 'm1 3 00000000 {}x']]);
      const opened = await createJournal(store).open([]);
      expect(opened.damaged).toBe(1);
      expect(plainState(opened.state)).toEqual(plainState(played.state));
    }),
  );
});

test('garbage of any kind under any name opens without a crash', async () => {
  const name = fc.constantFrom('record/000000000001', 'bundle/000000000001', 'snapshot', 'other');
  await fc.assert(
    fc.asyncProperty(fc.array(fc.tuple(name, fc.string())), async (entries) => {
      const store = createMemoryStore();
      await store.put(entries);
      const opened = await createJournal(store).open([]);
      expect(partsOf(opened.state)).toEqual([]);
    }),
  );
});

function someRecord() {
  const [mark] = fc.sample(inkMark, { seed: 4, numRuns: 1 });
  return play([{ do: 'write', mark }]).records[0];
}

test('a record’s seal catches a changed or missing character', () => {
  const act = someRecord();
  const line = encodeRecord(act);
  expect(decodeRecord(line)).toEqual(act);
  for (let i = 0; i < line.length; i += 7) {
    expect(() => decodeRecord(line.slice(0, i))).toThrow(JournalDamage);
    const other = line[i] === '0' ? '1' : '0';
    expect(() => decodeRecord(line.slice(0, i) + other + line.slice(i + 1))).toThrow(JournalDamage);
  }
});

test('a store that refuses is heard: append fails, and the next try succeeds', async () => {
  let full = true;
  const store = createMemoryStore();
  const journal = createJournal({
    ...store,
    put: (entries) => (full ? Promise.reject(new Error('full')) : store.put(entries)),
  });
  const record = someRecord();
  await journal.open([]);
  await expect(journal.append(record)).rejects.toThrow('full');
  full = false;
  await journal.append(record);
  expect((await createJournal(store).open([])).last).toBe(1);
});

test('what a newer version wrote is not damage: it is said, and the journal is neither written nor compacted', async () => {
  const record = someRecord();
  const asNewer = (line: string): string => line.replace(/^m2/, 'm3');
  const next = { ...record, seq: 2 };
  for (const entries of [
    [['record/000000000002', asNewer(encodeRecord(next))]],
    [['record/000000000002', 'm3 whatever it is then']],
    [['bundle/000000000002', JSON.stringify([asNewer(encodeRecord(next))])]],
    [['snapshot', 'm12 5 00000000 {}']],
  ] as [string, string][][]) {
    const store = createMemoryStore();
    await store.put([['record/000000000001', encodeRecord(record)], ...entries]);
    const before = await store.readAll();
    const journal = createJournal(store, 1);
    const opened = await journal.open([]);
    expect(opened).toMatchObject({ newer: true, damaged: 0 });
    expect(marksOf(opened.state)).toHaveLength(1);
    await expect(journal.append(next)).rejects.toThrow(JournalNewer);
    await journal.compact(opened.last, opened.state, opened.history);
    expect(await store.readAll()).toEqual(before);
  }
  const store = createMemoryStore();
  await store.put([['record/000000000001', encodeRecord(record)]]);
  expect((await createJournal(store).open([])).newer).toBe(false);
});

test('whoever follows line by line has what whoever opens the journal has', async () => {
  await fc.assert(
    fc.asyncProperty(acts(15), async (all) => {
      const store = createMemoryStore();
      const played = play(all);
      const journal = createJournal(store);
      const lines: string[] = [];
      let at: FollowedJournal = await journal.open([]);
      for (const record of played.records) lines.push(await journal.append(record));
      for (const line of lines) at = followJournal(at, line) ?? at;
      const opened = await createJournal(store).open([]);
      expect(plainState(at.state)).toEqual(plainState(opened.state));
      expect(at.last).toBe(opened.last);
      const steps = ({ history }: FollowedJournal) =>
        [history.done, history.undone].map((s) => stackSteps(s).map(({ seq }) => seq));
      expect(steps(at)).toEqual(steps(opened));
    }),
  );
});

test('a line that is not the next one is not followed', async () => {
  const record = someRecord();
  const start: FollowedJournal = await createJournal(createMemoryStore()).open([]);
  const line = encodeRecord(record);
  expect(followJournal(start, encodeRecord({ ...record, seq: 2 }))).toBeNull();
  expect(followJournal(start, line.slice(0, -2))).toBeNull();
  expect(followJournal(start, line.replace(/^m2/, 'm3'))).toBeNull();
  const after = followJournal(start, line);
  if (!after) throw new Error('The next line was not followed.');
  // Heard twice, and a second mark of the same id.
  expect(followJournal(after, line)).toBe(after);
  expect(followJournal(after, encodeRecord({ ...record, seq: 2 }))).toBeNull();
});

/** A journal as the last release before format 2 kept it: written, tidied, filled, scaled, rubbed, undone and bundled. */
const FORMAT_ONE = formatOne as unknown as {
  pages: [number, number][];
  texts: Record<string, string>;
  marks: object[];
  last: number;
  done: number;
  undone: number;
};
const pagesThen = pageRefsFor(FORMAT_ONE.pages.map(([width, height]) => plainPage(width, height)));
const recordsOf = (state: DocState): unknown =>
  JSON.parse(JSON.stringify(marksOf(state).map(toMarkRecord)));

test('a journal of format 1 tells the same marks and history as it did, and goes on in format 2', async () => {
  const store = createMemoryStore();
  await store.put(Object.entries(FORMAT_ONE.texts));
  const journal = createJournal(store, 1);
  const opened = await journal.open(pagesThen);
  expect(opened).toMatchObject({ damaged: 0, newer: false, last: FORMAT_ONE.last });
  expect(recordsOf(opened.state)).toEqual(FORMAT_ONE.marks);
  expect(opened.history.done?.size).toBe(FORMAT_ONE.done);
  expect(opened.history.undone?.size).toBe(FORMAT_ONE.undone);
  const blank = paperPage('blank', 0.5, { width: 400, height: 600 }, usualRuling('ruled'));
  const before = { ...opened, records: Array<JournalRecord>(opened.last) };
  const next = play([{ do: 'put', part: 'page', value: blank }], before);
  await journal.append(next.records[opened.last]);
  await journal.compact(opened.last + 1, next.state, next.history);
  const again = await createJournal(store).open(pagesThen);
  expect(again.state.pages.map(({ id }) => id)).toEqual(['p0', 'blank', 'p1']);
  expect(recordsOf(again.state)).toEqual(FORMAT_ONE.marks);
  const undoAll = Array.from({ length: 99 }, () => ({ do: 'undo' as const }));
  const back = play(undoAll, { ...again, records: [] });
  expect(marksOf(back.state)).toEqual([]);
  expect(back.state.pages).toEqual(pagesThen);
});

test('records of format 1 alone, without their snapshot, tell the same', async () => {
  const store = createMemoryStore();
  const bundles = Object.entries(FORMAT_ONE.texts).filter(([name]) => name !== 'snapshot');
  await store.put(bundles);
  const opened = await createJournal(store).open(pagesThen);
  expect(opened.damaged).toBe(0);
  expect(recordsOf(opened.state)).toEqual(FORMAT_ONE.marks);
});
