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
import { createJournal, followJournal, JournalDamage } from '@marginalis/core/journal';
import type { Mark, MarkId, Tidy } from '@marginalis/core/marks';
import { createStore } from 'zustand/vanilla';
import { createJournalStore, type DeskDocument } from '@/storage';
import { markInUse } from './inUse';
import { Keeper } from './keeper';
import { StrokeInHand } from './strokeInHand';
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
  /** Storage refuses changes, which are only in memory; they are tried again and again. */
  readonly refused: boolean;
  /** False while another tab has the turn, and where a newer version of the program wrote. */
  readonly writable: boolean;
  /** A newer version of the program has worked on this document. */
  readonly newer: boolean;
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

const NONE: ReadonlySet<MarkId> = new Set();
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
  private readonly keeper: Keeper;
  private readonly turn: Turn;
  private readonly endUse: () => void;
  /** This tab has the turn, and is not about to give it away. */
  private holds = false;
  /** Lines another tab stored while the journal was being read; null while it is not. */
  private heard: string[] | null = null;
  /** The stroke being written, and what comes of it. */
  readonly strokeInHand = new StrokeInHand(() => this.tellSaving());
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
      refused: false,
      writable: false,
      newer: false,
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
    this.keeper = new Keeper({
      journal: this.journal,
      client: crypto.randomUUID(),
      current: this.get,
      onChange: () => this.tellSaving(),
      onKept: (lines) => this.turn.tell(lines),
      onTrouble: (trouble) => this.set({ trouble }),
    });
    this.endUse = markInUse(desk.id);
    this.turn = waitForTurn(desk.id, {
      onTurn: () => this.startTurn(true),
      onWait: () => this.startTurn(false),
      onAsked: () => this.yieldTurn(),
      onNews: (lines) => this.follow(lines),
    });
  }

  private get = (): SessionState => this.store.getState();
  private set = (part: Partial<SessionState>): void => this.store.setState(part);

  /** The turn came, or another tab has it. */
  private startTurn(holds: boolean): void {
    this.holds = holds;
    void this.load();
  }

  /** Stops writing and waits for storage; false when something is still only in memory here. */
  private async yieldTurn(): Promise<boolean> {
    this.strokeInHand.finishNow();
    this.holds = false;
    this.set({ writable: false, offer: null });
    await this.settled();
    if (this.keeper.waits === 0) return true;
    this.holds = true;
    this.set({ writable: this.mayWrite() });
    return false;
  }

  /** Whether this tab may write, once the journal has been read. */
  private mayWrite = (): boolean =>
    this.holds && this.heard === null && this.get().phase === 'open' && !this.get().newer;

  /** Reads the journal. Whoever has the turn when it is read, not when reading began, may write. */
  private async load(): Promise<void> {
    const load = ++this.loads;
    this.heard = [];
    try {
      const { state, history, last, damaged, newer } = await this.journal.open(this.pages);
      if (load !== this.loads) return;
      const heard = this.heard ?? [];
      this.heard = null;
      this.keeper.last = last;
      this.set({ phase: 'open', document: state, draft: null, history, damaged, newer });
      this.set({ writable: this.mayWrite() });
      if (heard.length > 0) this.follow(heard);
    } catch (e) {
      if (load !== this.loads) return;
      this.heard = null;
      this.set({
        phase: 'failed',
        writable: false,
        trouble: `The marks cannot be read from storage: ${words(e)}`,
      });
    }
  }

  /** Takes over what another tab has stored; reads the whole journal only when something is missing between. */
  private follow(lines: readonly string[]): void {
    if (this.holds) return;
    if (this.heard) {
      this.heard.push(...lines);
      return;
    }
    const { document, history } = this.get();
    let at = { state: document, history, last: this.keeper.last };
    for (const line of lines) {
      const next = followJournal(at, line);
      if (!next) return void this.load();
      at = next;
    }
    this.keeper.last = at.last;
    this.set({ document: at.state, history: at.history, draft: null });
    this.set({ picked: this.stillPicked(at.state) });
  }

  /** Carries out a transaction and keeps it; false when the document cannot be written on, or has changed. */
  dispatch = (transaction: Transaction | null): boolean => {
    this.strokeInHand.finishNow();
    const { document, history, writable } = this.get();
    if (!transaction || !writable) return false;
    const applied = applyTransaction(document, transaction);
    if (!applied.ok) return false;
    const seq = this.keeper.last + 1;
    const step = { seq, transaction: () => transaction };
    this.set({
      document: applied.state,
      draft: null,
      history: recordDone(history, step),
      offer: null,
      ...this.withoutScratch(),
      picked: this.stillPicked(applied.state),
    });
    this.keeper.keep('do', transaction);
    return true;
  };

  /** The marks in hand that are there in a document. */
  private stillPicked(document: DocState): ReadonlySet<MarkId> {
    const { picked } = this.get();
    const still = [...picked].filter((id) => findMark(document, id));
    return still.length === picked.size ? picked : new Set(still);
  }

  /** What is not in the journal yet is not said to be kept, ink under the pen least of all. */
  private tellSaving(): void {
    const { waits, isWriting, isRefused } = this.keeper;
    const isBusy = this.strokeInHand.isBusy || (waits > 0 && isWriting);
    const saving = isBusy ? 'keeping' : waits > 0 ? 'unkept' : 'kept';
    const refused = isRefused && waits > 0;
    const said = this.get();
    // The interface is told only what it has not been told.
    if (said.saving !== saving || said.refused !== refused) this.set({ saving, refused });
  }

  undo = (): string | null => this.step('undo');
  redo = (): string | null => this.step('redo');

  /** One step through the history; the label of what was done, or null. */
  private step(act: 'undo' | 'redo'): string | null {
    this.strokeInHand.finishNow();
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
    this.keeper.keep(act, moved.transaction);
    return moved.transaction.label;
  }

  /** Tries again to store what storage refused. */
  retry = (): void => this.keeper.retry();

  /** When everything so far is stored, or storage has refused it. */
  settled = (): Promise<void> => this.keeper.settled();

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

  /** Lays everything down and waits for storage; false when it refused something, which then is only here. */
  async rest(): Promise<boolean> {
    this.strokeInHand.finishNow();
    this.strokeInHand.askNoMore();
    this.get().task?.stop();
    await this.settled();
    return this.keeper.waits === 0;
  }

  /** Gives the turn away. What is not stored by then is lost. */
  async close(): Promise<void> {
    await this.rest();
    this.keeper.stop();
    this.turn.leave();
    this.endUse();
  }
}

const words = (e: unknown): string => (e instanceof Error ? e.message : String(e));
