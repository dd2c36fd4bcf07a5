import { array, string, ValidationError } from 'yup';
import {
  applyTransaction,
  type DocState,
  emptyDocument,
  type Page,
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
import {
  decodeRecord,
  encodeRecord,
  isOfNewer,
  JournalDamage,
  JournalNewer,
  type JournalRecord,
} from './record.ts';
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
  /** A newer version of the program wrote some of it: what is here is what could be read, and is not to be written on. */
  readonly newer: boolean;
}

export interface Journal {
  open(pages: readonly Page[]): Promise<OpenedJournal>;
  /** Writes a document that comes with parts already, before it is opened: nothing of it is a step that can be taken back. */
  begin(pages: readonly Page[], state: DocState): Promise<void>;
  /**
   * Resolves, with the line as stored, when the record is stored.
   * @throws JournalNewer when a newer version of the program wrote the journal
   */
  append(record: JournalRecord): Promise<string>;
  /** Bundles the loose records and takes a snapshot once there are enough of them. */
  compact(last: number, state: DocState, history: History): Promise<void>;
}

/** Keeps the changes of one document in `store`: loose records, bundles of older ones, a snapshot. */
export function createJournal(store: JournalStore, compactAfter = COMPACT_AFTER): Journal {
  /** Loose records as stored, so that bundling needs no reading back. */
  const loose = new Map<string, string>();
  let newer = false;
  /** The pages as the document came. */
  let came: readonly Page[] = [];

  return {
    async open(pages) {
      came = pages;
      const texts = await store.readAll();
      loose.clear();
      for (const [name, text] of texts) if (name.startsWith(RECORD)) loose.set(name, text);
      const opened = reopened(pages, texts);
      newer = opened.newer;
      return opened;
    },

    async begin(pages, state) {
      await store.put([[SNAPSHOT, encodeSnapshot(0, pages, state, EMPTY_HISTORY)]]);
    },

    async append(record) {
      if (newer) throw new JournalNewer('This journal was written by a newer version.');
      const text = encodeRecord(record);
      await store.put([[recordName(record.seq), text]]);
      loose.set(recordName(record.seq), text);
      return text;
    },

    async compact(last, state, history) {
      if (newer || loose.size < compactAfter) return;
      const names = [...loose.keys()].sort();
      const lines = names.map((name) => loose.get(name) as string);
      await store.put([
        [BUNDLE + names[0].slice(RECORD.length), JSON.stringify(lines)],
        [SNAPSHOT, encodeSnapshot(last, came, state, history)],
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
  newer: boolean;
} {
  const lines = new Map<number, string>();
  let damaged = 0;
  let newer = false;
  const numbered = (line: string): void => {
    const seq = Number(/"seq":(\d+)/.exec(line)?.[1] ?? NaN);
    if (isOfNewer(line)) newer = true;
    else if (Number.isNaN(seq)) damaged++;
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
  return { lines, damaged, newer };
}

function reopened(pages: readonly Page[], texts: ReadonlyMap<string, string>): OpenedJournal {
  const { lines, damaged: unreadable, newer: unknown } = linesOf(texts);
  let damaged = unreadable;
  const stepOf = (seq: number): HistoryStep | null => {
    const line = lines.get(seq);
    return line === undefined ? null : lazyStep(seq, line);
  };

  let newer = unknown;
  /** What a line holds; null when it cannot be read, which is counted. */
  const read = <T>(decode: () => T): T | null => {
    try {
      return decode();
    } catch (e) {
      if (e instanceof JournalNewer) newer = true;
      else if (e instanceof JournalDamage) damaged++;
      else throw e;
      return null;
    }
  };
  const snapshotText = texts.get(SNAPSHOT);
  const snapshot =
    snapshotText === undefined
      ? null
      : read((): Snapshot & { state: DocState } => {
          const decoded = decodeSnapshot(snapshotText, pages);
          return { ...decoded, state: stateOfSnapshot(pages, decoded) };
        });
  let state = snapshot ? snapshot.state : emptyDocument(pages);
  let history = snapshot ? historyOfSnapshot(snapshot, stepOf) : EMPTY_HISTORY;
  let last = snapshot?.upTo ?? 0;
  for (const seq of [...lines.keys()].sort((a, b) => a - b)) {
    if (seq <= last) continue;
    last = seq;
    const record = read(() => decodeRecord(lines.get(seq) as string));
    if (!record) continue;
    const applied = applyTransaction(state, record.transaction);
    if (!applied.ok) {
      // A torn record was dropped; later ones that do not build on it still count.
      damaged++;
      continue;
    }
    state = applied.state;
    history = replayed(history, record);
  }
  return { state, history, last, damaged, newer };
}

/** A document as a reader of its journal has it. */
export type FollowedJournal = Pick<OpenedJournal, 'state' | 'history' | 'last'>;

/**
 * The document after the next line that another tab has stored. Null when the line is not the next one, or cannot be
 * read or applied: then the journal is to be opened anew.
 */
export function followJournal(at: FollowedJournal, line: string): FollowedJournal | null {
  let record: JournalRecord;
  try {
    record = decodeRecord(line);
  } catch (e) {
    if (e instanceof JournalDamage || e instanceof JournalNewer) return null;
    throw e;
  }
  if (record.seq <= at.last) return at;
  const applied = record.seq === at.last + 1 && applyTransaction(at.state, record.transaction);
  if (!applied || !applied.ok) return null;
  return { state: applied.state, history: replayed(at.history, record), last: record.seq };
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
