import type { DocState, Page } from '@marginalis/core/document';
import { followJournal, type Journal } from '@marginalis/core/journal';
import type { SessionState, SessionStore } from './sessionState';
import { type Turn, waitForTurn } from './turn';

export interface VisitPorts {
  readonly store: SessionStore;
  readonly journal: Journal;
  /** The pages as the document came. */
  readonly pages: readonly Page[];
  /** Number of the last record, stored or waiting. */
  readonly last: { get(): number; set(seq: number): void };
  /** Another tab asks for the turn: finishes and stores everything; false when storage refused some of it. */
  readonly onYield: () => Promise<boolean>;
  /** What else is so when the document is another one. */
  readonly after: (document: DocState) => Partial<SessionState>;
}

/** This tab's visit to a document that other tabs may visit too: one writes, the others follow. */
export class Visit {
  private readonly turn: Turn;
  /** This tab has the turn, and is not about to give it away. */
  private holds = false;
  /** Lines another tab stored while the journal was being read; null while it is not. */
  private heard: string[] | null = null;
  /** Counts loads, so that a slow one never overrides a later one. */
  private loads = 0;

  constructor(
    documentId: string,
    private readonly ports: VisitPorts,
  ) {
    this.turn = waitForTurn(documentId, {
      onTurn: () => this.begin(true),
      onWait: () => this.begin(false),
      onAsked: () => this.yield(),
      onNews: (lines) => this.follow(lines),
    });
  }

  private get = () => this.ports.store.getState();
  private set = (part: Partial<SessionState>): void => this.ports.store.setState(part);

  /** Asks the other tab for the turn. */
  askForTurn = (): void => this.turn.ask();

  /** Tells the other tabs the lines of the journal that are new. */
  tell = (lines: readonly string[]): void => this.turn.tell(lines);

  /** Gives the turn away. */
  leave = (): void => this.turn.leave();

  /** The turn came, or another tab has it. */
  private begin(holds: boolean): void {
    this.holds = holds;
    void this.load();
  }

  /** Stops writing and waits for storage; false when something is still only in memory here. */
  private async yield(): Promise<boolean> {
    this.holds = false;
    const yielding = this.ports.onYield();
    this.set({ writable: false, offer: null });
    if (await yielding) return true;
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
      const { journal, pages, last, after } = this.ports;
      const { state, history, last: seq, damaged, newer } = await journal.open(pages);
      if (load !== this.loads) return;
      const heard = this.heard ?? [];
      this.heard = null;
      last.set(seq);
      this.set({ phase: 'open', document: state, history, damaged, newer, ...after(state) });
      this.set({ writable: this.mayWrite() });
      if (heard.length > 0) this.follow(heard);
    } catch (e) {
      if (load !== this.loads) return;
      this.heard = null;
      const words = e instanceof Error ? e.message : String(e);
      this.set({
        phase: 'failed',
        writable: false,
        trouble: `The marks cannot be read from storage: ${words}`,
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
    const { last, after } = this.ports;
    const { document, history } = this.get();
    let at = { state: document, history, last: last.get() };
    for (const line of lines) {
      const next = followJournal(at, line);
      if (!next) return void this.load();
      at = next;
    }
    last.set(at.last);
    this.set({ document: at.state, history: at.history, ...after(at.state) });
  }
}
