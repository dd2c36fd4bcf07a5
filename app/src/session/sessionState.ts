import type { DocState, Page } from '@marginalis/core/document';
import { emptyDocument } from '@marginalis/core/document';
import type { FigureOffer, ScratchOffer } from '@marginalis/core/editing';
import { EMPTY_HISTORY, type History } from '@marginalis/core/history';
import type { MarkId } from '@marginalis/core/marks';
import type { StoreApi } from 'zustand/vanilla';

/** A figure that ink looks like; `taken` is the figure it became unasked, from which the ink can come back. */
export interface TidyOffer extends FigureOffer {
  readonly taken: MarkId | null;
}

/** Something that is being done for the person, and how far it is. */
export interface Task {
  readonly text: string;
  readonly stop: () => void;
}

/** Something that was done beside the document: said, and undone if it was not meant. */
export interface Undoable {
  readonly text: string;
  undo(): void;
}

/** What has been begun and goes on: a figure of which some corners have been tapped, a text that is typed. */
export interface Begun {
  /** Takes back the last step of it. */
  takeBack(): void;
  /** Does again what was taken back, where its steps are those of the document. */
  redo?(): void;
  /** Makes a mark of what is there, or drops it where that is too little. */
  finish(): void;
}

/** The document, what was done to it, and whether it may be changed here. See `visit` and `keeper`. */
export interface DocumentPart {
  readonly phase: 'opening' | 'open' | 'failed';
  readonly document: DocState;
  readonly history: History;
  /** False while another tab has the turn, and where a newer version of the program wrote. */
  readonly writable: boolean;
  /** A newer version of the program has worked on this document. */
  readonly newer: boolean;
  /** Journal records that could not be read. */
  readonly damaged: number;
}

/** What is held, led to, or shown as it would be. See `inHand`. */
export interface InHandPart {
  /** The marks in hand: what is done next is done to them. */
  readonly picked: ReadonlySet<MarkId>;
  /** The mark the reader was just led to; a new object each time. */
  readonly pointed: { readonly id: MarkId } | null;
  /** The document as it would be if what is being done were done now; null while nothing is. */
  readonly draft: DocState | null;
  /** Marks the eraser has touched and would take. */
  readonly doomed: ReadonlySet<MarkId>;
  readonly begun: Begun | null;
}

/** What a person is asked beside their ink. See `offers`. */
export interface OffersPart {
  readonly offer: TidyOffer | null;
  /** Marks that a scribble over them would strike out. */
  readonly scratch: ScratchOffer | null;
}

/** What can be done about something that went wrong. */
export interface Remedy {
  readonly text: string;
  run(): void;
}

/** What a person is told. See `notices`. */
export interface NoticesPart {
  /** `kept` is said only after storage has answered. */
  readonly saving: 'kept' | 'keeping' | 'unkept';
  /** Storage refuses changes, which are only in memory; they are tried again and again. */
  readonly refused: boolean;
  /** What went wrong last, in words; null when nothing did. */
  readonly trouble: string | null;
  /** What can be done about that; null where there is nothing, or nothing went wrong. */
  readonly remedy: Remedy | null;
  /** Work on this document that takes a while and can be stopped. */
  readonly task: Task | null;
  /** What was just done that is no step of the document, and the way back from it. */
  readonly undoable: Undoable | null;
}

export interface SessionState extends DocumentPart, InHandPart, OffersPart, NoticesPart {}
export type SessionStore = StoreApi<SessionState>;

export const NONE: ReadonlySet<MarkId> = new Set();

export const openingState = (pages: readonly Page[]): SessionState => ({
  phase: 'opening',
  document: emptyDocument(pages),
  history: EMPTY_HISTORY,
  writable: false,
  newer: false,
  damaged: 0,
  picked: NONE,
  pointed: null,
  draft: null,
  doomed: NONE,
  begun: null,
  offer: null,
  scratch: null,
  saving: 'kept',
  refused: false,
  trouble: null,
  remedy: null,
  task: null,
  undoable: null,
});
