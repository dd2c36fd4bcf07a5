import {
  applyTransaction,
  type Change,
  type DocState,
  emptyDocument,
  findMark,
  type PageRef,
  type Transaction,
} from '@marginalis/core/document';
import {
  backToInk,
  changeFigure,
  type FigureOffer,
  type FoundFigure,
  offerScratch,
  offerTidy,
  type ScratchOffer,
  takeScratch,
  tidyMarks,
} from '@marginalis/core/editing';
import type { Figure, PrintedDot, SettleManners } from '@marginalis/core/figures';
import {
  EMPTY_HISTORY,
  type History,
  type Moved,
  recordDone,
  redo,
  undo,
} from '@marginalis/core/history';
import { createJournal, JournalDamage, type JournalRecord } from '@marginalis/core/journal';
import type { Mark, MarkId, Tidy } from '@marginalis/core/marks';
import { createStore } from 'zustand/vanilla';
import { createJournalStore, type DeskDocument } from '@/storage';
import { type Turn, waitForTurn } from './turn';

/** A figure that ink looks like; `taken` is the figure it became unasked, from which the ink can come back. */
export interface TidyOffer extends FigureOffer {
  readonly taken: MarkId | null;
}

export interface SessionState {
  readonly phase: 'opening' | 'open' | 'failed';
  readonly document: DocState;
  readonly history: History;
  /** `kept` is said only after storage has answered. */
  readonly saving: 'kept' | 'keeping' | 'unkept';
  /** False while another tab has the turn. */
  readonly writable: boolean;
  readonly offer: TidyOffer | null;
  /** Marks that a scribble over them would strike out. */
  readonly scratch: ScratchOffer | null;
  /** The marks in hand: what is done next is done to them. */
  readonly picked: ReadonlySet<MarkId>;
  /** The mark the reader was just led to; a new object each time. */
  readonly pointed: { readonly id: MarkId } | null;
  /** The document as it would be if what is being done were done now; null while nothing is. */
  readonly draft: DocState | null;
  /** Marks the eraser has touched and would take. */
  readonly doomed: ReadonlySet<MarkId>;
  /** Journal records that could not be read. */
  readonly damaged: number;
  /** What went wrong last, in words; null when nothing did. */
  readonly trouble: string | null;
  /** Work on this document that takes a while and can be stopped. */
  readonly task: Task | null;
}

/** Something that is being done for the person, and how far it is. */
export interface Task {
  readonly text: string;
  readonly stop: () => void;
}

/** What ink was meant to be is asked, and storing it begins, so long after it is shown: one frame does not pay for all, ms. */
const ASKED_AFTER = 24;
const STORED_AFTER = 48;
const NONE: ReadonlySet<MarkId> = new Set();
const STORAGE_TROUBLE =
  'This change is not stored yet: the browser’s storage is full or out of reach. It is safe while this tab is open. Send a copy, or free some space.';

export const pageIdOf = (source: string, index: number): string =>
  `${source.slice(0, 12)}-${index}`;

export const pageRefs = (document: DeskDocument): PageRef[] =>
  document.pages.map((page, index) => ({
    ...page,
    id: pageIdOf(document.source, index),
    source: document.source,
    index,
  }));

/** The open document: the one place where its marks change. It conducts; the core computes. */
export class DocumentSession {
  private readonly pages: readonly PageRef[];
  private readonly journal: ReturnType<typeof createJournal>;
  private readonly client = crypto.randomUUID();
  private readonly turn: Turn;
  private waiting: JournalRecord[] = [];
  private writing: Promise<void> | null = null;
  private last = 0;
  /** See {@link askSoon}. */
  private asking: ReturnType<typeof setTimeout> | null = null;
  /** See {@link startStroke}. */
  private inHand = false;
  /** Finishes what is still being worked out; see {@link finishWhen}. */
  private unfinished: (() => void) | null = null;
  /** Counts loads, so that a slow one never overrides a later one. */
  private loads = 0;
  readonly store;

  constructor(readonly desk: DeskDocument) {
    this.pages = pageRefs(desk);
    this.journal = createJournal(createJournalStore(desk.id));
    this.store = createStore<SessionState>(() => ({
      phase: 'opening',
      document: emptyDocument(this.pages),
      history: EMPTY_HISTORY,
      saving: 'kept',
      writable: false,
      offer: null,
      scratch: null,
      picked: NONE,
      pointed: null,
      draft: null,
      doomed: NONE,
      damaged: 0,
      trouble: null,
      task: null,
    }));
    this.turn = waitForTurn(desk.id, {
      onTurn: () => void this.load(true),
      onWait: () => void this.load(false),
      onAsked: () => this.yieldTurn(),
      onNews: () => {
        if (!this.get().writable) void this.load(false);
      },
    });
  }

  private get = (): SessionState => this.store.getState();
  private set = (part: Partial<SessionState>): void => this.store.setState(part);

  /** Stops writing and waits for storage; false when something is still only in memory here. */
  private async yieldTurn(): Promise<boolean> {
    this.finishNow();
    this.set({ writable: false, offer: null });
    await this.settled();
    if (this.waiting.length === 0) return true;
    this.set({ writable: true });
    return false;
  }

  private async load(writable: boolean): Promise<void> {
    const load = ++this.loads;
    try {
      const { state, history, last, damaged } = await this.journal.open(this.pages);
      if (load !== this.loads) return;
      this.last = last;
      this.set({ phase: 'open', document: state, draft: null, history, damaged, writable });
    } catch (e) {
      this.set({
        phase: 'failed',
        writable: false,
        trouble: `The marks cannot be read from storage: ${words(e)}`,
      });
    }
  }

  /** Carries out a transaction and keeps it; false when the document cannot be written on, or has changed. */
  dispatch = (transaction: Transaction | null): boolean => {
    this.finishNow();
    const { document, history, writable } = this.get();
    if (!transaction || !writable) return false;
    const applied = applyTransaction(document, transaction);
    if (!applied.ok) return false;
    const seq = this.last + 1;
    const step = { seq, transaction: () => transaction };
    this.set({
      document: applied.state,
      draft: null,
      history: recordDone(history, step),
      offer: null,
      ...this.withoutScratch(),
      picked: this.stillPicked(applied.state),
    });
    this.keep('do', transaction);
    return true;
  };

  /** The marks in hand that are there in a document. */
  private stillPicked(document: DocState): ReadonlySet<MarkId> {
    const { picked } = this.get();
    const still = [...picked].filter((id) => findMark(document, id));
    return still.length === picked.size ? picked : new Set(still);
  }

  /**
   * Calls `finish` with what is being worked out elsewhere, or with null at once when anything else is about to
   * change the document, so that changes keep their order.
   */
  finishWhen<T>(ready: Promise<T | null>, finish: (value: T | null) => void): void {
    this.finishNow();
    const mine = (): void => finish(null);
    this.unfinished = mine;
    this.inHand = false;
    this.tellSaving();
    void ready.then((value) => {
      if (this.unfinished === mine) this.endWith(() => finish(value));
    });
  }

  /** A stroke is under the pen. */
  startStroke(): void {
    this.inHand = true;
    this.tellSaving();
  }

  /** The stroke under the pen came to nothing. */
  dropStroke(): void {
    this.inHand = false;
    this.tellSaving();
  }

  /** What is not in the journal yet is not said to be kept, ink under the pen least of all. */
  private tellSaving(): void {
    const waits = this.waiting.length > 0;
    const isBusy = this.inHand || this.unfinished || this.asking || (waits && this.writing);
    const saving = isBusy ? 'keeping' : waits ? 'unkept' : 'kept';
    // The interface is told only what it has not been told.
    if (this.get().saving !== saving) this.set({ saving });
  }

  /** Does what may wait until a change is shown; before it is done nothing is said to be kept. */
  askSoon(ask: () => void): void {
    this.askNoMore();
    this.asking = setTimeout(() => {
      this.asking = null;
      ask();
      this.tellSaving();
    }, ASKED_AFTER);
  }

  /** What was to be asked does not matter any more. */
  askNoMore(): void {
    if (!this.asking) return;
    clearTimeout(this.asking);
    this.asking = null;
    this.tellSaving();
  }

  /** Finishes what is still being worked out. */
  finishNow(): void {
    if (this.unfinished) this.endWith(this.unfinished);
  }

  private endWith(finish: () => void): void {
    this.unfinished = null;
    finish();
    this.tellSaving();
  }

  undo = (): string | null => this.step('undo');
  redo = (): string | null => this.step('redo');

  /** One step through the history; the label of what was done, or null. */
  private step(act: 'undo' | 'redo'): string | null {
    this.finishNow();
    const { document, history, writable } = this.get();
    if (!writable) return null;
    let moved: Moved | null;
    try {
      moved = act === 'undo' ? undo(document, history) : redo(document, history);
    } catch (e) {
      if (!(e instanceof JournalDamage)) throw e;
      this.set({ trouble: 'This step of the history is damaged in storage and cannot be taken.' });
      return null;
    }
    if (!moved) return null;
    this.set({
      document: moved.state,
      draft: null,
      history: moved.history,
      offer: null,
      ...this.withoutScratch(),
      picked: this.stillPicked(moved.state),
    });
    this.keep(act, moved.transaction);
    return moved.transaction.label;
  }

  private keep(act: JournalRecord['act'], transaction: Transaction): void {
    this.last += 1;
    this.waiting.push({ seq: this.last, client: this.client, act, transaction });
    this.writing ??= apart().then(() => this.write());
    this.tellSaving();
  }

  private async write(): Promise<void> {
    await this.writeAll();
    this.writing = null;
    this.tellSaving();
  }

  /** Writes what waits, in order; stops at the first record that storage refuses. */
  private async writeAll(): Promise<void> {
    while (this.waiting.length > 0) {
      try {
        await this.journal.append(this.waiting[0]);
      } catch {
        this.set({ trouble: STORAGE_TROUBLE });
        return;
      }
      this.waiting.shift();
    }
    if (this.get().trouble === STORAGE_TROUBLE) this.set({ trouble: null });
    this.tellSaving();
    this.turn.tell();
    const { document, history } = this.get();
    try {
      await this.journal.compact(this.last, document, history);
    } catch (e) {
      // Nothing is lost: the loose records stay, and the next stroke tries again.
      this.set({ trouble: `Old records could not be bundled: ${words(e)}` });
    }
  }

  /** Tries again to store what storage refused. */
  retry = (): void => {
    this.writing ??= this.write();
    this.tellSaving();
  };

  /** When everything so far is stored, or storage has refused it. */
  async settled(): Promise<void> {
    while (this.writing) await this.writing;
  }

  setDoomed = (doomed: ReadonlySet<MarkId>): void =>
    this.set({ doomed: doomed.size === 0 ? NONE : doomed });

  /** Shows what changes would do, over those that are shown already, without doing it; null shows what is. */
  preview = (changes: readonly Change[] | null): void => {
    const { document, draft } = this.get();
    if (!changes && !draft) return;
    const applied = changes && applyTransaction(draft ?? document, { label: 'Draft', changes });
    this.set({ draft: applied?.ok ? applied.state : null });
  };

  /** Looks whether new ink is a figure, unless that has been found out, and by the pen's manner asks or takes it. */
  considerTidy = (
    id: MarkId,
    tidy: Tidy,
    manners: SettleManners,
    figure?: FoundFigure | null,
    printed?: PrintedDot,
  ): void => {
    if (tidy === 'never') return this.considerScratch(id);
    const found = offerTidy(this.get().document, id, { ...manners, tidy }, figure, printed);
    if (!found) return this.considerScratch(id);
    const taken =
      tidy === 'always' && this.dispatch(tidyMarks(this.get().document, found.marks, found.figure));
    this.set({ offer: { ...found, taken: taken ? id : null } });
  };

  /** Takes the figure that is offered, or another reading of the same ink. */
  takeOffer = (figure?: Figure): void => {
    const { offer, document } = this.get();
    if (!offer) return this.takeScratch();
    const { taken, marks } = offer;
    const last = marks[marks.length - 1];
    const done = this.dispatch(
      taken === null
        ? tidyMarks(document, marks, figure ?? offer.figure)
        : figure
          ? changeFigure(document, taken, { figure })
          : backToInk(document, taken),
    );
    const isFigure = taken === null || figure !== undefined;
    this.set({ offer: null, picked: done && isFigure ? new Set([last]) : NONE });
  };

  /** Looks whether new ink strikes out what lies beneath, and asks. */
  private considerScratch(id: MarkId): void {
    const scratch = offerScratch(this.get().document, id);
    if (scratch) this.set({ scratch, doomed: new Set([...scratch.marks, scratch.stroke]) });
  }

  /** What is no longer so when nothing is offered to be struck out. */
  private withoutScratch(): Partial<SessionState> {
    return this.get().scratch ? { scratch: null, doomed: NONE } : {};
  }

  /** Strikes out what is offered. */
  takeScratch = (): void => {
    const { scratch, document } = this.get();
    if (scratch) this.dispatch(takeScratch(document, scratch));
  };

  dismissOffer = (): void => {
    if (this.get().offer) this.set({ offer: null });
    if (this.get().scratch) this.set(this.withoutScratch());
  };

  /** Takes marks in hand, to be changed; those that are locked stay where they are. None lays down what was there. */
  pick = (ids: Iterable<MarkId>): void => {
    const { document, picked } = this.get();
    const isFree = (mark: Mark | null): boolean => mark !== null && !mark.locked;
    const next = new Set([...ids].filter((id) => isFree(findMark(document, id))));
    if (next.size === 0 && picked.size === 0) return;
    this.set({ picked: next.size === 0 ? NONE : next });
  };

  /** Leads the eye to a mark; null lets go. */
  point = (id: MarkId | null): void => this.set({ pointed: id === null ? null : { id } });

  setTask = (task: Task | null): void => this.set({ task });

  /** Says what went wrong, until it is put away. */
  tell = (trouble: string): void => this.set({ trouble });

  forgetTrouble = (): void => this.set({ trouble: null });

  /** Asks the other tab for the turn. */
  askForTurn = (): void => this.turn.ask();

  async close(): Promise<void> {
    this.finishNow();
    this.askNoMore();
    this.get().task?.stop();
    await this.settled();
    this.turn.leave();
  }
}

/** A moment later; at once where nobody looks, and the browser may put the page to sleep. */
const apart = (): Promise<void> =>
  globalThis.document?.visibilityState === 'hidden'
    ? Promise.resolve()
    : new Promise((resolve) => setTimeout(resolve, STORED_AFTER));

const words = (e: unknown): string => (e instanceof Error ? e.message : String(e));
