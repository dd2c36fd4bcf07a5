import fc from 'fast-check';
import {
  applyTransaction,
  type Change,
  changeOf,
  type DocState,
  emptyDocument,
  type Transaction,
  markChange,
} from '../src/document/index.ts';
import { EMPTY_HISTORY, type History, recordDone, redo, undo } from '../src/history/index.ts';
import type { JournalRecord } from '../src/journal/index.ts';
import type { Mark } from '../src/kinds/index.ts';
import { inkMark } from './arbitraries.ts';
import { changeFor, partsOf, put, type Put } from './parts.ts';

/** What a person might do next: write a mark, put in or change any part, take one out, undo, redo. */
export type Act =
  | { do: 'write'; mark: Mark }
  | ({ do: 'put' } & Put)
  | { do: 'rub'; pick: number }
  | { do: 'undo' }
  | { do: 'redo' };

export const acts = (most = 40): fc.Arbitrary<Act[]> =>
  fc.array(
    fc.oneof(
      { weight: 3, arbitrary: inkMark.map((mark): Act => ({ do: 'write', mark })) },
      { weight: 3, arbitrary: put.map((one): Act => ({ do: 'put', ...one })) },
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
    const transaction = transactionFor(state, act);
    if (!transaction) continue;
    const result = applyTransaction(state, transaction);
    if (!result.ok) continue;
    state = result.state;
    note('do', transaction);
    history = recordDone(history, { seq: records.length, transaction: () => transaction });
  }
  return { state, history, records };
}

/** Null when there is nothing to take out. */
function transactionFor(
  state: DocState,
  act: Exclude<Act, { do: 'undo' | 'redo' }>,
): Transaction | null {
  if (act.do === 'write') return { label: 'Write', changes: [markChange(null, act.mark)] };
  if (act.do === 'put') return { label: 'Change', changes: [changeFor(state, act)] };
  const present = partsOf(state);
  if (present.length === 0) return null;
  const { part, value } = present[act.pick % present.length];
  return { label: 'Take out', changes: [changeOf(part, value as never, null) as Change] };
}

/** The marks of a state as plain data, in a fixed order, for comparing. */
export const marksOf = (state: DocState): Mark[] =>
  [...state.marks.values()]
    .flatMap((page) => [...page.values()])
    .sort((a, b) => (a.id < b.id ? -1 : 1));
