import {
  applyTransaction,
  type DocState,
  leadingSource,
  sourcesShownIn,
  type Transaction,
} from '@marginalis/core/document';
import {
  keepAttachments,
  keepLinks,
  keepNotes,
  keepNumbers,
  keepTies,
} from '@marginalis/core/editing';
import { type History, type Moved, recordDone, redo, undo } from '@marginalis/core/history';
import { createJournal, JournalDamage } from '@marginalis/core/journal';
import { createStore } from 'zustand/vanilla';
import { createJournalStore, type DeskDocument } from '@/storage';
import { browserSpeech, ownFaces, whenIdle } from '@/work';
import { CopyLayers } from './copyLayers';
import { holdSources } from './desk';
import { DocumentSearch } from './documentSearch';
import { encodeElsewhere } from './encodeElsewhere';
import { Fingers } from './fingers';
import { Guide } from './guide';
import { Hand } from './hand';
import { InHand } from './inHand';
import { markInUse } from './inUse';
import { Keeper } from './keeper';
import { Hints } from './hints';
import { LeadsOut } from './leadsOut';
import { Locks } from './locks';
import { Notices } from './notices';
import { Offers } from './offers';
import { useOwnFonts } from './ownFonts';
import { openingState, type SessionState } from './sessionState';
import { pagesAsCame } from './pagesAsCame';
import { ReadingAloud } from './readingAloud';
import { SourcePrint } from './sourcePrint';
import { useSettings } from './settings';
import { StrokeInHand } from './strokeInHand';
import { WordsInHand } from './wordsInHand';
import { Visit } from './visit';

/** The open document: the one place where its parts change. It conducts; the others play, and the core computes. */
export class DocumentSession {
  readonly store;
  /** What is held over this document. */
  readonly hand = new Hand();
  readonly hints = new Hints();
  readonly fingers: Fingers = new Fingers(
    this.hints,
    () => this.store,
    (transaction) => this.dispatch(transaction),
  );
  readonly inHand: InHand;
  readonly offers: Offers;
  readonly notices: Notices;
  readonly print = new SourcePrint();
  readonly words = new WordsInHand();
  readonly search: DocumentSearch = new DocumentSearch(
    this.print,
    () => this.store.getState().document.pages,
  );
  readonly leadsOut = new LeadsOut();
  readonly locks = new Locks((source) => this.print.forget(source));
  readonly guide: Guide = new Guide(() => this.store.getState().document.pages);
  readonly aloud: ReadingAloud = new ReadingAloud(
    this.print,
    () => this.store.getState().document.pages,
    browserSpeech(),
    (message) => this.notices.tell(message),
  );
  /** The stroke being written, and what comes of it. */
  readonly strokeInHand = new StrokeInHand(() => this.notices.saving());
  /** What of a copy is made ahead, while nobody writes. */
  readonly copyLayers: CopyLayers;
  private readonly keeper: Keeper;
  private readonly visit: Visit;
  private readonly endUse: () => void;
  private readonly endFaces: () => void;

  constructor(readonly desk: DeskDocument) {
    const pages = pagesAsCame(desk);
    const journal = createJournal(createJournalStore(desk.id));
    const store = createStore<SessionState>(() => openingState(pages));
    this.store = store;
    this.inHand = new InHand(store);
    this.offers = new Offers(store, (transaction) => this.dispatch(transaction));
    this.notices = new Notices(
      store,
      () => this.keeper,
      () => this.strokeInHand,
    );
    this.copyLayers = new CopyLayers({
      current: () => store.getState().document,
      encode: encodeElsewhere,
      whenIdle,
    });
    this.keeper = new Keeper({
      journal,
      client: crypto.randomUUID(),
      current: store.getState,
      beforeKept: (transaction) => holdSources(desk.id, sourcesShownIn(transaction)),
      onChange: this.notices.saving,
      onKept: (lines) => this.visit.tell(lines),
      onTrouble: this.notices.tell,
    });
    // What another instrument is taken for begins anew: grips of what was picked would stand in its way.
    this.hand.store.subscribe((now, before) => {
      if (now.current === before.current) return;
      this.inHand.pick([]);
      this.words.choose([]);
    });
    this.guide.name();
    this.endUse = markInUse(desk.id);
    this.visit = new Visit(desk.id, {
      store,
      journal,
      pages,
      last: { get: () => this.keeper.last, set: (seq) => (this.keeper.last = seq) },
      onYield: () => {
        // While it may still be written.
        this.inHand.finishBegun();
        return this.storeAll();
      },
      after: (document) => this.inHand.after(document),
    });
    this.endFaces = ownFaces.subscribe(() => this.copyLayers.forget());
    void useOwnFonts.getState().ready();
    store.subscribe((now, before) => {
      if (now.document === before.document) return;
      this.copyLayers.touch();
      if (now.document.pages === before.document.pages) return;
      this.search.gather();
      this.guide.name();
    });
  }

  /** The source that the document is made of by now. */
  leadingSource = (): string =>
    leadingSource(this.store.getState().document.pages, this.desk.source);

  /** Carries out a transaction and keeps it; false when the document cannot be written on, or has changed. */
  dispatch = (asked: Transaction | null): boolean => {
    this.strokeInHand.finishNow();
    const { document, history, writable } = this.store.getState();
    if (!asked || !writable) return false;
    const { meet } = useSettings.getState().settle;
    const kept = keepTies(document, keepAttachments(document, keepNotes(document, asked)), meet);
    const linked = keepLinks(document, kept);
    const transaction = keepNumbers(document, linked, this.guide.namesOf);
    const applied = applyTransaction(document, transaction);
    if (!applied.ok) return false;
    const step = { seq: this.keeper.last + 1, transaction: () => transaction };
    this.become(applied.state, recordDone(history, step));
    this.keeper.keep('do', transaction);
    return true;
  };

  undo = (): Transaction | null => this.step('undo');
  redo = (): Transaction | null => this.step('redo');

  /** One step through the history; what it changed, or null. */
  private step(act: 'undo' | 'redo'): Transaction | null {
    this.strokeInHand.finishNow();
    const { document, history, writable } = this.store.getState();
    if (!writable) return null;
    let moved: Moved | null;
    try {
      moved = act === 'undo' ? undo(document, history) : redo(document, history);
    } catch (e) {
      if (!(e instanceof JournalDamage)) throw e;
      this.notices.tell('This step of the history is damaged in storage and cannot be taken.');
      return null;
    }
    if (!moved) return null;
    this.become(moved.state, moved.history);
    this.keeper.keep(act, moved.transaction);
    return moved.transaction;
  }

  private become(document: DocState, history: History): void {
    const { offers, inHand } = this;
    this.store.setState({ document, history, ...offers.none(), ...inHand.after(document) });
  }

  /** Tries again to store what storage refused. */
  retry = (): void => this.keeper.retry();

  /** When everything so far is stored, or storage has refused it. */
  settled = (): Promise<void> => this.keeper.settled();

  /** Asks the other tab for the turn. */
  askForTurn = (): void => this.visit.askForTurn();

  /** Finishes the stroke and waits for storage; false when it refused something, which then is only here. */
  private async storeAll(): Promise<boolean> {
    this.strokeInHand.finishNow();
    await this.settled();
    return this.keeper.waits === 0;
  }

  /** Lays everything down and waits for storage; false when it refused something. */
  rest(): Promise<boolean> {
    this.inHand.finishBegun();
    this.strokeInHand.finishNow();
    this.strokeInHand.askNoMore();
    this.store.getState().task?.stop();
    return this.storeAll();
  }

  /** Gives the turn away. What is not stored by then is lost. */
  async close(): Promise<void> {
    await this.rest();
    this.keeper.stop();
    this.copyLayers.stop();
    this.print.close();
    this.visit.leave();
    this.endUse();
    this.endFaces();
  }
}
