import fc from 'fast-check';
import { inkMark } from '../../testing/arbitraries.ts';
import type { Mark } from '../kinds/index.ts';
import { plainPage } from '../geometry/index.ts';
import { pagesOfSource, samePart } from './parts/index.ts';
import {
  countMarks,
  type DocState,
  emptyDocument,
  findMark,
  inOrder,
  marksOn,
  nextOrder,
} from './state.ts';
import {
  applyTransaction,
  type Change,
  invertTransaction,
  markChange,
  type Transaction,
} from './transaction.ts';

const EMPTY = emptyDocument(
  pagesOfSource('a'.repeat(64), Array(9).fill(plainPage(1, 1)), (i) => `p${i + 1}`),
);

/** The state after a transaction that must fit. */
function applied(state: DocState, transaction: Transaction): DocState {
  const result = applyTransaction(state, transaction);
  if (!result.ok) throw new Error(result.reason);
  return result.state;
}

const adding = (marks: readonly Mark[]): Transaction => ({
  label: 'Write',
  changes: marks.map((mark) => markChange(null, mark)),
});
const plain = (state: DocState) =>
  [...state.marks]
    .map(([page, marks]) => [page, [...marks].sort(([a], [b]) => (a < b ? -1 : 1))] as const)
    .filter(([, m]) => m.length > 0)
    .sort();

const marks = fc.uniqueArray(inkMark, { selector: (m) => m.id, minLength: 1, maxLength: 8 });

test('a transaction and its inverse leave everything as it was', () => {
  fc.assert(
    fc.property(marks, fc.nat(), (all, pick) => {
      const state = applied(EMPTY, adding(all));
      const mark = all[pick % all.length];
      const moved: Mark = { ...mark, page: 'p9', order: 77 };
      const change: Transaction = {
        label: 'Move',
        changes: [
          markChange(mark, moved),
          ...all.filter((m) => m !== mark).map((m): Change => markChange(m, null)),
        ],
      };
      const after = applied(state, change);
      expect(countMarks(after)).toBe(1);
      expect(findMark(after, mark.id)).toEqual(moved);
      const back = applied(after, invertTransaction(change));
      expect(plain(back)).toEqual(plain(state));
      expect(plain(applied(state, invertTransaction(adding(all))))).toEqual([]);
    }),
  );
});

test('the state before is never touched', () => {
  fc.assert(
    fc.property(marks, (all) => {
      const state = applied(EMPTY, adding(all));
      const before = JSON.stringify(plain(state));
      applied(state, {
        label: 'Rub out',
        changes: all.map((m) => markChange(m, null)),
      });
      expect(JSON.stringify(plain(state))).toBe(before);
    }),
  );
});

test('pages without a change keep their very object, so that nothing of them is drawn again', () => {
  const [a, b] = ['p1', 'p2'].map((page, i): Mark => ({
    ...fc.sample(inkMark, { seed: 3, numRuns: 1 })[0],
    id: `m${i}`,
    page,
  }));
  const state = applied(EMPTY, adding([a]));
  const next = applied(state, adding([b]));
  expect(marksOn(next, 'p1')).toBe(marksOn(state, 'p1'));
  expect(marksOn(next, 'p3')).toBe(marksOn(state, 'p7'));
});

test('a change that finds another mark than it expects changes nothing and says so', () => {
  fc.assert(
    fc.property(inkMark, inkMark, (mark, other) => {
      const state = applied(EMPTY, adding([mark]));
      const wrong = { ...mark, order: mark.order + 1 };
      for (const change of [
        markChange(wrong, null),
        markChange(null, mark),
        markChange(other, null),
      ]) {
        const result = applyTransaction(state, {
          label: 'x',
          changes: [...adding([{ ...mark, id: 'new' }]).changes, change],
        });
        if (other.id !== mark.id) expect(result.ok).toBe(false);
        expect(countMarks(state)).toBe(1);
      }
    }),
  );
});

test('a malformed change is misuse and throws', () => {
  const mark = fc.sample(inkMark, { seed: 5, numRuns: 1 })[0];
  for (const change of [
    { part: 'mark', id: 'x', before: null, after: null },
    { part: 'mark', id: 'x', before: null, after: mark },
    { part: 'mark', id: 'x', before: mark, after: null },
  ] as const)
    expect(() => applyTransaction(EMPTY, { label: 'x', changes: [change] })).toThrow(RangeError);
});

test('marks are the same by value, whatever the order of their keys', () => {
  fc.assert(
    fc.property(inkMark, (mark) => {
      const shuffled = Object.fromEntries(Object.entries(mark).reverse()) as unknown as Mark;
      expect(samePart('mark', mark, shuffled)).toBe(true);
      expect(samePart('mark', mark, { ...mark, madeAt: mark.madeAt + 1 })).toBe(false);
    }),
  );
});

test('new marks lie above all others of their page', () => {
  fc.assert(
    fc.property(marks, (all) => {
      const state = applied(EMPTY, adding(all));
      for (const page of ['p1', 'p2', 'p3']) {
        const order = nextOrder(state, page);
        for (const m of marksOn(state, page).values()) expect(order).toBeGreaterThan(m.order);
        const sorted = inOrder(marksOn(state, page)).map((m) => m.order);
        expect(sorted).toEqual([...sorted].sort((x, y) => x - y));
      }
    }),
  );
});
