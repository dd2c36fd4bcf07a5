import type { DocState, Transaction } from '@marginalis/core/document';
import type { History } from '@marginalis/core/history';
import type { Journal, JournalRecord } from '@marginalis/core/journal';

/** Storing begins so long after a change is shown: one frame does not pay for all, ms. */
const STORED_AFTER = 48;
/** What storage refused is tried again after so long, then after twice as long each time up to the longest, ms. */
const FIRST_RETRY = 2_000;
const LONGEST_RETRY = 30_000;

export interface KeeperPorts {
  readonly journal: Journal;
  /** Which tab writes. */
  readonly client: string;
  /** The document as it is, for snapshots. */
  readonly current: () => { readonly document: DocState; readonly history: History };
  /** Something is to be told differently: what waits, whether it is being written, or whether storage refuses. */
  readonly onChange: () => void;
  /** Done before a change is stored: what it refers to is held as long as it can be undone. */
  readonly beforeKept: (transaction: Transaction) => Promise<void>;
  /** These lines of the journal are stored now. */
  readonly onKept: (lines: readonly string[]) => void;
  /** Old records could not be bundled; nothing is lost. */
  readonly onTrouble: (words: string) => void;
}

/** Keeps a document's changes: each is in the journal before it is called kept, in order, and what storage refuses waits. */
export class Keeper {
  private waiting: JournalRecord[] = [];
  private writing: Promise<void> | null = null;
  private retrying: ReturnType<typeof setTimeout> | null = null;
  private pause = FIRST_RETRY;
  /** Number of the last record, stored or waiting. */
  last = 0;
  /** Storage refused what waits. */
  isRefused = false;

  constructor(private readonly ports: KeeperPorts) {}

  /** Changes that are only in memory. */
  get waits(): number {
    return this.waiting.length;
  }

  get isWriting(): boolean {
    return this.writing !== null;
  }

  /** Puts a change in the queue and begins to store it. */
  keep(act: JournalRecord['act'], transaction: Transaction): void {
    this.last += 1;
    this.waiting.push({ seq: this.last, client: this.ports.client, act, transaction });
    this.writing ??= apart().then(() => this.write());
    this.ports.onChange();
  }

  /** Tries at once to store what storage refused. */
  retry(): void {
    this.pause = FIRST_RETRY;
    if (this.waiting.length > 0) this.writing ??= this.write();
    this.ports.onChange();
  }

  /** When everything so far is stored, or storage has refused it. */
  async settled(): Promise<void> {
    while (this.writing) await this.writing;
  }

  /** Tries nothing again; what waits is lost. */
  stop(): void {
    this.tryNoMore();
    this.waiting = [];
  }

  private async write(): Promise<void> {
    this.tryNoMore();
    // What arrives while older records are bundled waits for nobody else.
    do this.isRefused = !(await this.writeAll());
    while (this.waiting.length > 0 && !this.isRefused);
    this.writing = null;
    if (this.isRefused) {
      this.retrying = setTimeout(() => (this.writing ??= this.write()), this.pause);
      this.pause = Math.min(2 * this.pause, LONGEST_RETRY);
    } else this.pause = FIRST_RETRY;
    this.ports.onChange();
  }

  /** Writes what waits, in order; false when storage refused a record. */
  private async writeAll(): Promise<boolean> {
    const { journal, current, beforeKept, onChange, onKept, onTrouble } = this.ports;
    const lines: string[] = [];
    let stored = true;
    while (stored && this.waiting.length > 0) {
      try {
        await beforeKept(this.waiting[0].transaction);
        lines.push(await journal.append(this.waiting[0]));
        this.waiting.shift();
      } catch {
        // Told by `isRefused`, whatever the reason: full, out of reach, or closed by the browser.
        stored = false;
      }
    }
    if (lines.length > 0) onKept(lines);
    if (!stored) return false;
    onChange();
    const { document, history } = current();
    try {
      await journal.compact(this.last, document, history);
    } catch (e) {
      // Nothing is lost: the loose records stay, and the next stroke tries again.
      onTrouble(`Old records could not be bundled: ${e instanceof Error ? e.message : String(e)}`);
    }
    return true;
  }

  private tryNoMore(): void {
    if (this.retrying) clearTimeout(this.retrying);
    this.retrying = null;
  }
}

/** A moment later; at once where nobody looks, and the browser may put the page to sleep. */
const apart = (): Promise<void> =>
  globalThis.document?.visibilityState === 'hidden'
    ? Promise.resolve()
    : new Promise((resolve) => setTimeout(resolve, STORED_AFTER));
