import { array, number, object, ValidationError } from 'yup';
import { type DocState, type PageRef } from '../document/index.ts';
import type { HistoryStep, History } from '../history/index.ts';
import { EMPTY_HISTORY, push, stackSteps } from '../history/index.ts';
import { fromMarkRecord, type Mark, MarkRecordError, toMarkRecord } from '../marks/index.ts';
import { JournalDamage, sealed, unsealed } from './record.ts';

/** The document after record `upTo`; the history as numbers of the records that hold its steps. */
export interface Snapshot {
  readonly upTo: number;
  readonly marks: readonly Mark[];
  readonly done: readonly number[];
  readonly undone: readonly number[];
}

const seqs = array(number().strict().integer().min(1).required()).required();
const shape = object({
  upTo: number().strict().integer().min(0).required(),
  marks: array().required(),
  done: seqs,
  undone: seqs,
});

export function encodeSnapshot(upTo: number, state: DocState, history: History): string {
  const marks = [...state.marks.values()].flatMap((page) => [...page.values()].map(toMarkRecord));
  const numbers = (steps: readonly HistoryStep[]): number[] => steps.map((s) => s.seq);
  return sealed(
    JSON.stringify({
      upTo,
      marks,
      done: numbers(stackSteps(history.done)),
      undone: numbers(stackSteps(history.undone)),
    }),
  );
}

/** @throws JournalDamage, JournalNewer */
export function decodeSnapshot(line: string): Snapshot {
  try {
    const { upTo, marks, done, undone } = shape.validateSync(JSON.parse(unsealed(line)), {
      strict: true,
    });
    return { upTo, marks: marks.map(fromMarkRecord), done, undone };
  } catch (e) {
    if (e instanceof ValidationError || e instanceof SyntaxError || e instanceof MarkRecordError)
      throw new JournalDamage(`The journal's snapshot is damaged: ${e.message}`);
    throw e;
  }
}

export function stateOfSnapshot(pages: readonly PageRef[], snapshot: Snapshot): DocState {
  const marks = new Map<string, Map<string, Mark>>();
  for (const mark of snapshot.marks) {
    const page = marks.get(mark.page) ?? new Map<string, Mark>();
    marks.set(mark.page, page.set(mark.id, mark));
  }
  return { pages, marks };
}

/** Steps whose records are gone cannot be undone; nor can what lies below them. */
export function historyOfSnapshot(
  snapshot: Snapshot,
  stepOf: (seq: number) => HistoryStep | null,
): History {
  const stack = (numbers: readonly number[]): History['done'] =>
    numbers.reduce<History['done']>((below, seq) => {
      const step = stepOf(seq);
      return step ? push(below, step) : null;
    }, EMPTY_HISTORY.done);
  return { done: stack(snapshot.done), undone: stack(snapshot.undone) };
}
