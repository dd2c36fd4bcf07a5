import fc from 'fast-check';
import { inkMark } from '../../testing/arbitraries.ts';
import { type Act, acts, marksOf, play } from '../../testing/acts.ts';
import { partsOf, plainState } from '../../testing/parts.ts';
import { emptyDocument } from '../document/index.ts';
import { EMPTY_HISTORY, redo, stackSteps, undo } from './history.ts';

const times = (n: number, act: Act): Act[] => Array.from({ length: n }, () => act);

test('undoing everything leads to the empty page, redoing everything back', () => {
  fc.assert(
    fc.property(acts(), (all) => {
      const end = play(all);
      const done = end.history.done?.size ?? 0;
      const undone = play(times(done, { do: 'undo' }), end);
      expect(partsOf(undone.state)).toEqual([]);
      expect(undone.history.done).toBeNull();
      const again = play(times(done, { do: 'redo' }), undone);
      expect(plainState(again.state)).toEqual(plainState(end.state));
    }),
  );
});

test('one undo and one redo are each other’s inverse at every point', () => {
  fc.assert(
    fc.property(acts(20), (all) => {
      const end = play(all);
      if (!end.history.done) return;
      const back = play([{ do: 'undo' }, { do: 'redo' }], end);
      expect(plainState(back.state)).toEqual(plainState(end.state));
      expect(back.history.done?.size).toBe(end.history.done.size);
    }),
  );
});

test('after something new, what was undone cannot come back', () => {
  fc.assert(
    fc.property(acts(20), acts(3), (all, more) => {
      const undone = play([...all, { do: 'undo' }]);
      const next = play(
        more.filter((a) => a.do === 'write'),
        undone,
      );
      if (next.records.length > undone.records.length) expect(next.history.undone).toBeNull();
    }),
  );
});

test('there is no limit: two thousand steps go back one by one', () => {
  const [mark] = fc.sample(inkMark, { seed: 1, numRuns: 1 });
  const many = Array.from({ length: 2000 }, (_, i): Act => ({
    do: 'write',
    mark: { ...mark, id: `m${i}` },
  }));
  const end = play(many);
  expect(end.history.done?.size).toBe(2000);
  expect(stackSteps(end.history.done).map((s) => s.seq)).toEqual(many.map((_, i) => i + 1));
  const back = play(times(2000, { do: 'undo' }), end);
  expect(marksOf(back.state)).toEqual([]);
});

test('an empty history undoes and redoes nothing; a step that no longer fits is not forced', () => {
  expect(undo(emptyDocument([]), EMPTY_HISTORY)).toBeNull();
  expect(redo(emptyDocument([]), EMPTY_HISTORY)).toBeNull();
  const [mark] = fc.sample(inkMark, { seed: 1, numRuns: 1 });
  const [some] = fc.sample(acts(30), { seed: 9, numRuns: 1 });
  const end = play([...some, { do: 'write', mark }]);
  expect(end.history.done).not.toBeNull();
  const elsewhere = emptyDocument([]);
  const last = end.history.done?.top.transaction();
  if (last?.changes.some((c) => c.after)) expect(undo(elsewhere, end.history)).toBeNull();
});
