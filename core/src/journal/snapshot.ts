import { array, number, object, ValidationError } from 'yup';
import {
  applyTransaction,
  type Change,
  changeOf,
  type DocState,
  emptyDocument,
  fromPartRecord,
  isPartName,
  type Page,
  type PartName,
  PartRecordError,
  samePart,
  toPartRecord,
} from '../document/index.ts';
import type { HistoryStep, History } from '../history/index.ts';
import { EMPTY_HISTORY, push, stackSteps } from '../history/index.ts';
import type { Mark } from '../kinds/index.ts';
import { JournalDamage, sealed, unsealed } from './record.ts';

/** The document after record `upTo`; the history as numbers of the records that hold its steps. */
export interface Snapshot {
  readonly upTo: number;
  readonly marks: readonly Mark[];
  /** Every other part that is not as the document came. */
  readonly others: readonly Change[];
  readonly done: readonly number[];
  readonly undone: readonly number[];
}

const seqs = array(number().strict().integer().min(1).required()).required();
const shape = object({
  upTo: number().strict().integer().min(0).required(),
  marks: array().required(),
  /** Not in snapshots of format 1. */
  others: array(),
  done: seqs,
  undone: seqs,
});

/** `pages` are the document's pages as they came. */
export function encodeSnapshot(
  upTo: number,
  pages: readonly Page[],
  state: DocState,
  history: History,
): string {
  const marks = [...state.marks.values()].flatMap((page) =>
    [...page.values()].map((mark) => toPartRecord('mark', mark)),
  );
  const numbers = (steps: readonly HistoryStep[]): number[] => steps.map((s) => s.seq);
  return sealed(
    JSON.stringify({
      upTo,
      marks,
      others: othersSince(pages, state),
      done: numbers(stackSteps(history.done)),
      undone: numbers(stackSteps(history.undone)),
    }),
  );
}

/** What came or changed, as records; of pages that were taken out the id alone. */
function othersSince(pages: readonly Page[], state: DocState): object[] {
  const came = new Map(pages.map((page) => [page.id, page]));
  const still = new Set(state.pages.map(({ id }) => id));
  const record = <P extends PartName>(part: P, value: Parameters<typeof toPartRecord<P>>[1]) => ({
    part,
    id: value.id,
    after: toPartRecord(part, value),
  });
  return [
    ...pages
      .filter(({ id }) => !still.has(id))
      .map(({ id }) => ({ part: 'page', id, after: null })),
    ...state.pages
      .filter((page) => {
        const was = came.get(page.id);
        return !was || !samePart('page', was, page);
      })
      .map((page) => record('page', page)),
    ...[...state.bookmarks.values()].map((value) => record('bookmark', value)),
    ...[...state.threads.values()].map((value) => record('thread', value)),
    ...[...state.tags.values()].map((value) => record('tag', value)),
    ...[...state.links.values()].map((value) => record('link', value)),
    ...[...state.attachments.values()].map((value) => record('attachment', value)),
  ];
}

/** @throws JournalDamage, JournalNewer */
export function decodeSnapshot(line: string, pages: readonly Page[]): Snapshot {
  try {
    const {
      upTo,
      marks,
      others = [],
      done,
      undone,
    } = shape.validateSync(JSON.parse(unsealed(line)), {
      strict: true,
    });
    const came = new Map(pages.map((page) => [page.id, page]));
    return {
      upTo,
      marks: marks.map((record) => fromPartRecord('mark', record)),
      others: others.map((other) => changeOfOther(other, came)),
      done,
      undone,
    };
  } catch (e) {
    if (e instanceof ValidationError || e instanceof SyntaxError || e instanceof PartRecordError)
      throw new JournalDamage(`The journal's snapshot is damaged: ${e.message}`);
    throw e;
  }
}

function changeOfOther(other: unknown, came: ReadonlyMap<string, Page>): Change {
  const { part, id, after } = other as { part?: unknown; id?: unknown; after?: unknown };
  if (!isPartName(part) || typeof id !== 'string')
    throw new PartRecordError('A part of no known name is stored.');
  const before = part === 'page' ? (came.get(id) ?? null) : null;
  const value = after === null ? null : fromPartRecord(part, after);
  if (!before && !value) throw new PartRecordError(`A page ${id} was taken out that never was.`);
  return changeOf(part, before as never, value as never) as Change;
}

/** @throws JournalDamage when its parts do not fit together */
export function stateOfSnapshot(pages: readonly Page[], snapshot: Snapshot): DocState {
  const marks = new Map<string, Map<string, Mark>>();
  for (const mark of snapshot.marks) {
    const page = marks.get(mark.page) ?? new Map<string, Mark>();
    marks.set(mark.page, page.set(mark.id, mark));
  }
  const bare = { ...emptyDocument(pages), marks };
  const applied = applyTransaction(bare, { label: 'Snapshot', changes: snapshot.others });
  if (!applied.ok) throw new JournalDamage(`The journal's snapshot is damaged: ${applied.reason}`);
  return applied.state;
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
