import type { CopyNote, NotesAt } from '@marginalis/core/copy';
import type { DocState, Page, RefusalReason } from '@marginalis/core/document';
import type { PlacedInk } from '@marginalis/core/formats';
import type { MarkRecord, PageId } from '@marginalis/core/marks';
import type { CopyOf, FixedCopy, Inspection, MarkLayer, Source } from '@marginalis/core/pdf';
import type { ShippedFace } from '@marginalis/core/type';
import type { OwnFaceFile } from './ownFaces';

/** What can be asked of the worker, and what it answers. */
export interface Jobs {
  inspect: { ask: { bytes: Uint8Array; password?: string }; answer: Inspection };
  fixedCopy: {
    ask: {
      sources: readonly Source[];
      /** Of pages whose layer is given the marks need not be there. */
      document: DocState;
      layers: ReadonlyMap<PageId, MarkLayer>;
      /** Where the file of each face is: those that marks are set in go into the copy. */
      faces: Readonly<Record<ShippedFace, string>>;
      /** Faces of the person's own. */
      own: readonly OwnFaceFile[];
      notes: readonly CopyNote[];
      notesAt: NotesAt;
      copyOf: CopyOf;
    };
    answer: FixedCopy;
  };
  /** A page's marks, stored, as a copy holds them. */
  encodeMarks: {
    ask: {
      marks: readonly MarkRecord[];
      faces: Readonly<Record<ShippedFace, string>>;
      own: readonly OwnFaceFile[];
    };
    answer: MarkLayer;
  };
  /** InkML onto pages; ink that names none goes onto page `otherwise`. */
  readInk: {
    ask: { text: string; pages: readonly Page[]; otherwise: number };
    answer: readonly PlacedInk[];
  };
  writeInk: { ask: { document: DocState; title: string }; answer: string };
}
export type JobName = keyof Jobs;

export interface WorkRequest<J extends JobName = JobName> {
  readonly id: number;
  readonly job: J;
  readonly ask: Jobs[J]['ask'];
}

/** Errors lose their class on the way between threads, so they travel as values. */
export type WorkFailure =
  | { readonly kind: 'refused'; readonly reason: RefusalReason; readonly message: string }
  | { readonly kind: 'failed'; readonly message: string };

export type WorkReply =
  | { readonly id: number; readonly type: 'progress'; readonly done: number; readonly all: number }
  | { readonly id: number; readonly type: 'done'; readonly ok: true; readonly answer: unknown }
  | {
      readonly id: number;
      readonly type: 'done';
      readonly ok: false;
      readonly failure: WorkFailure;
    };
