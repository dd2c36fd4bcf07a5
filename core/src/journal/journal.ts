import { array, string, ValidationError } from 'yup';
import {
  applyTransaction,
  type DocState,
  emptyDocument,
  type PageRef,
  type Transaction,
} from '../document/index.ts';
import {
  EMPTY_HISTORY,
  type History,
  type HistoryStep,
  moveToDone,
  moveToUndone,
  recordDone,
} from '../history/index.ts';
import { decodeRecord, encodeRecord, JournalDamage, type JournalRecord } from './record.ts';
import {
  decodeSnapshot,
  encodeSnapshot,
  historyOfSnapshot,
  type Snapshot,
  stateOfSnapshot,
} from './snapshot.ts';
import type { JournalStore } from './store.ts';

/** Loose records are bundled, and a snapshot taken, after so many. */
export const COMPACT_AFTER = 256;

const RECORD = 'record/';
const BUNDLE = 'bundle/';
const SNAPSHOT = 'snapshot';
const bundleShape = array(string().required()).required();
const recordName = (seq: number): string => RECORD + String(seq).padStart(12, '0');

/** A document as its journal tells it. */
export interface OpenedJournal {
  readonly state: DocState;
  readonly history: History;
  /** Number of the last record. */
  readonly last: number;
  /** How many records or snapshots could not be read; what they held is lost, the rest stands. */
  readonly damaged: number;
}

export interface Journal {
  open(pages: readonly PageRef[]): Promise<OpenedJournal>;
  /** Resolves when the record is stored. */
  append(record: JournalRecord): Promise<void>;
  /** Bundles the loose records and takes a snapshot once there are enough of them. */
  compact(last: number, state: DocState, history: History): Promise<void>;
}

/** Keeps the changes of one document in `store`: loose records, bundles of older ones, a snapshot. */
export function createJournal(store: JournalStore, compactAfter = COMPACT_AFTER): Journal {
  /** Loose records as stored, so that bundling needs no reading back. */
  const loose = new Map<string, string>();

  return {
    async open(pages) {
      const texts = await store.readAll();
      loose.clear();
      for (const [name, text] of texts) if (name.startsWith(RECORD)) loose.set(name, text);
      return reopened(pages, texts);
    },

    async append(record) {
      const text = encodeRecord(record);
      await store.put([[recordName(record.seq), text]]);
      loose.set(recordName(record.seq), text);
    },

    async compact(last, state, history) {
      if (loose.size < compactAfter) return;
      const names = [...loose.keys()].sort();
      const lines = names.map((name) => loose.get(name) as string);
      await store.put([
        [BUNDLE + names[0].slice(RECORD.length), JSON.stringify(lines)],
        [SNAPSHOT, encodeSnapshot(last, state, history)],
      ]);
      // Removed only now: a crash in between leaves records twice, never not at all.
      await store.remove(names);
      for (const name of names) loose.delete(name);
    },
  };
}

/** The lines of every record by number, bundled and loose. */
function linesOf(texts: ReadonlyMap<string, string>): {
  lines: Map<number, string>;
  damaged: number;
} {
  const lines = new Map<number, string>();
  let damaged = 0;
  const numbered = (line: string): void => {
    const seq = Number(/"seq":(\d+)/.exec(line)?.[1] ?? NaN);
    if (Number.isNaN(seq)) damaged++;
    else lines.set(seq, line);
  };
  for (const [name, text] of texts) {
    if (name.startsWith(RECORD)) numbered(text);
    else if (name.startsWith(BUNDLE)) {
      try {
        bundleShape.validateSync(JSON.parse(text), { strict: true }).forEach(numbered);
      } catch (e) {
        if (!(e instanceof SyntaxError || e instanceof ValidationError)) throw e;
        damaged++;
      }
    }
  }
  return { lines, damaged };
}

function reopened(pages: readonly PageRef[], texts: ReadonlyMap<string, string>): OpenedJournal {
  const { lines, damaged: unreadable } = linesOf(texts);
  let damaged = unreadable;
  const stepOf = (seq: number): HistoryStep | null => {
    const line = lines.get(seq);
    return line === undefined ? null : lazyStep(seq, line);
  };

  let snapshot: Snapshot | null = null;
  const snapshotText = texts.get(SNAPSHOT);
  if (snapshotText !== undefined) {
    try {
      snapshot = decodeSnapshot(snapshotText);
    } catch (e) {
      if (!(e instanceof JournalDamage)) throw e;
      damaged++;
    }
  }
  let state = snapshot ? stateOfSnapshot(pages, snapshot) : emptyDocument(pages);
  let history = snapshot ? historyOfSnapshot(snapshot, stepOf) : EMPTY_HISTORY;
  let last = snapshot?.upTo ?? 0;
  for (const seq of [...lines.keys()].sort((a, b) => a - b)) {
    if (seq <= last) continue;
    last = seq;
    const record = readRecord(lines.get(seq) as string);
    const applied = record && applyTransaction(state, record.transaction);
    if (!record || !applied || !applied.ok) {
      // A torn record is dropped; later ones that do not build on it still count.
      damaged++;
      continue;
    }
    state = applied.state;
    history = replayed(history, record);
  }
  return { state, history, last, damaged };
}

function readRecord(line: string): JournalRecord | null {
  try {
    return decodeRecord(line);
  } catch (e) {
    if (e instanceof JournalDamage) return null;
    throw e;
  }
}

function replayed(history: History, record: JournalRecord): History {
  if (record.act === 'undo') return moveToUndone(history);
  if (record.act === 'redo') return moveToDone(history);
  return recordDone(history, { seq: record.seq, transaction: () => record.transaction });
}

/** Old steps are decoded when someone goes back that far, not at every opening. */
function lazyStep(seq: number, line: string): HistoryStep {
  let decoded: Transaction | null = null;
  return { seq, transaction: () => (decoded ??= decodeRecord(line).transaction) };
}
