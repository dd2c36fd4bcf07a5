import fc from 'fast-check';
import {
  applyTransaction,
  type DocState,
  emptyDocument,
  type Transaction,
} from '../src/document/index.ts';
import { EMPTY_HISTORY, type History, recordDone, redo, undo } from '../src/history/index.ts';
import type { JournalRecord } from '../src/journal/index.ts';
import type { Mark } from '../src/marks/index.ts';
import { inkMark } from './arbitraries.ts';

/** What a person might do next: write a mark, rub one out, undo, redo. */
export type Act =
  { do: 'write'; mark: Mark } | { do: 'rub'; pick: number } | { do: 'undo' } | { do: 'redo' };

export const acts = (most = 40): fc.Arbitrary<Act[]> =>
  fc.array(
    fc.oneof(
      { weight: 4, arbitrary: inkMark.map((mark): Act => ({ do: 'write', mark })) },
      { weight: 2, arbitrary: fc.nat().map((pick): Act => ({ do: 'rub', pick })) },
      { weight: 3, arbitrary: fc.constant<Act>({ do: 'undo' }) },
      { weight: 2, arbitrary: fc.constant<Act>({ do: 'redo' }) },
    ),
    { maxLength: most },
  );

export interface Played {
  readonly state: DocState;
  readonly history: History;
  readonly records: JournalRecord[];
}

/** Plays acts one after the other, as the open document would, and notes the journal's records. */
export function play(
  all: readonly Act[],
  from: Played = { state: emptyDocument([]), history: EMPTY_HISTORY, records: [] },
): Played {
  let { state, history } = from;
  const records = [...from.records];
  const note = (act: JournalRecord['act'], transaction: Transaction): void => {
    records.push({ seq: records.length + 1, client: 'tab', act, transaction });
  };
  for (const act of all) {
    if (act.do === 'undo' || act.do === 'redo') {
      const moved = act.do === 'undo' ? undo(state, history) : redo(state, history);
      if (!moved) continue;
      ({ state, history } = moved);
      note(act.do, moved.transaction);
      continue;
    }
    const present = [...state.marks.values()].flatMap((page) => [...page.values()]);
    const gone = act.do === 'rub' ? present[act.pick % Math.max(1, present.length)] : null;
    if (act.do === 'rub' && !gone) continue;
    const transaction: Transaction = gone
      ? { label: 'Rub out', changes: [{ id: gone.id, before: gone, after: null }] }
      : {
          label: 'Write',
          changes: [
            {
              id: (act as { mark: Mark }).mark.id,
              before: null,
              after: (act as { mark: Mark }).mark,
            },
          ],
        };
    const result = applyTransaction(state, transaction);
    if (!result.ok) continue;
    state = result.state;
    note('do', transaction);
    history = recordDone(history, { seq: records.length, transaction: () => transaction });
  }
  return { state, history, records };
}

/** The marks of a state as plain data, in a fixed order, for comparing. */
export const marksOf = (state: DocState): Mark[] =>
  [...state.marks.values()]
    .flatMap((page) => [...page.values()])
    .sort((a, b) => (a.id < b.id ? -1 : 1));
