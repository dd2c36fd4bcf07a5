import {
  applyTransaction,
  type DocState,
  invertTransaction,
  type Transaction,
} from '../document/index.ts';

/** A step that can be undone. The transaction is asked for only when it is needed. */
export interface HistoryStep {
  /** Number of the journal record that first made it. */
  readonly seq: number;
  transaction(): Transaction;
}

/** A stack that shares its lower part with the stacks it came from. */
export interface Stack {
  readonly top: HistoryStep;
  readonly below: Stack | null;
  readonly size: number;
}

/** What was done and can be undone, and what was undone and can be done again; without limit. */
export interface History {
  readonly done: Stack | null;
  readonly undone: Stack | null;
}

export const EMPTY_HISTORY: History = { done: null, undone: null };

export const push = (stack: Stack | null, top: HistoryStep): Stack => ({
  top,
  below: stack,
  size: (stack?.size ?? 0) + 1,
});

/** From the bottom up. */
export function stackSteps(stack: Stack | null): HistoryStep[] {
  const steps: HistoryStep[] = [];
  for (let s = stack; s; s = s.below) steps.push(s.top);
  return steps.reverse();
}

/** After something new is done, what was undone cannot come back. */
export const recordDone = (history: History, step: HistoryStep): History => ({
  done: push(history.done, step),
  undone: null,
});

export const moveToUndone = (history: History): History =>
  history.done
    ? { done: history.done.below, undone: push(history.undone, history.done.top) }
    : history;

export const moveToDone = (history: History): History =>
  history.undone
    ? { done: push(history.done, history.undone.top), undone: history.undone.below }
    : history;

/** The document and its history one step back or forth, with the transaction that did it. */
export interface Moved {
  readonly state: DocState;
  readonly history: History;
  readonly transaction: Transaction;
}

/** Null when there is nothing to undo, or the document is not as the step left it. */
export function undo(state: DocState, history: History): Moved | null {
  if (!history.done) return null;
  const transaction = invertTransaction(history.done.top.transaction());
  const applied = applyTransaction(state, transaction);
  return applied.ok ? { state: applied.state, history: moveToUndone(history), transaction } : null;
}

/** Null when there is nothing to do again. */
export function redo(state: DocState, history: History): Moved | null {
  if (!history.undone) return null;
  const transaction = history.undone.top.transaction();
  const applied = applyTransaction(state, transaction);
  return applied.ok ? { state: applied.state, history: moveToDone(history), transaction } : null;
}
