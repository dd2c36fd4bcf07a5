import type { Elsewhere } from '@marginalis/core/annotations';
import type { CopyNote, NotesAt } from '@marginalis/core/copy';
import type { Attachment, DocState, Page, RefusalReason } from '@marginalis/core/document';
import type { Drawing } from '@marginalis/core/drawing';
import type { Form } from '@marginalis/core/fields';
import type { Mail, PlacedInk } from '@marginalis/core/formats';
import type { Box, PageBox } from '@marginalis/core/geometry';
import type { MarkId, MarkRecord, PageId } from '@marginalis/core/marks';
import type {
  CopyOf,
  FixedCopy,
  Inspection,
  MarkLayer,
  Source,
  LivingCopy,
  OpenedLivingCopy,
  PagePicture,
  PrintTakenOut,
  Protection,
  SheetPlan,
  TakenUp,
} from '@marginalis/core/pdf';
import type { Quad } from '@marginalis/core/photographed';
import type { ReadSvg } from '@marginalis/core/svg';
import type { TakenPrint } from '@marginalis/core/kinds';
import type { InkOnPaper, PictureHead } from '@marginalis/core/pictures';
import type { PrintedLook, LookAt, Raster } from '@marginalis/core/pdfium';
import type { CopyToProve, Proof, ProvedPage } from '@marginalis/core/proof';
import type { Quad as PrintQuad } from '@marginalis/core/print';
import type { CarriedOver } from '@marginalis/core/edition';
import type { ShippedFace } from '@marginalis/core/type';
import type { OwnFaceFile } from './ownFaces';

/** Where the faces of a copy come from. */
export interface FaceSources {
  /** Where the file of each face is. */
  readonly faces: Readonly<Record<ShippedFace, string>>;
  /** Faces of the person's own. */
  readonly own: readonly OwnFaceFile[];
}

/** What can be asked of the worker that reads and writes PDFs, and what it answers. */
interface PdfJobs {
  inspect: { ask: { bytes: Uint8Array; password?: string }; answer: Inspection };
  /** The form of a file. */
  form: { ask: { bytes: Uint8Array; password?: string }; answer: Form };
  fixedCopy: {
    ask: {
      sources: readonly Source[];
      /** Of pages whose layer is given the marks need not be there. */
      document: DocState;
      layers: ReadonlyMap<PageId, MarkLayer>;
      notes: readonly CopyNote[];
      notesAt: NotesAt;
      copyOf: CopyOf;
      protection: Protection | null;
      /** Dots an inch its pictures keep at most; null where they stay as they are. */
      dpi: number | null;
      /** What pages are cut down from is left out. */
      withoutCut: boolean;
    } & FaceSources;
    answer: FixedCopy;
  };
  livingCopy: {
    ask: {
      sources: readonly Source[];
      document: DocState;
      madeAt: number;
      protection: Protection | null;
      dpi: number | null;
      withoutCut: boolean;
    } & FaceSources;
    answer: LivingCopy;
  };
  /** A living copy taken apart; null for every other PDF. */
  openLiving: {
    ask: { bytes: Uint8Array; now: number; password?: string };
    answer: OpenedLivingCopy | null;
  };
  /** Whether print can be taken out of a page; the file is not changed. */
  tryTakeOut: {
    ask: {
      bytes: Uint8Array;
      page: number;
      taken: readonly TakenPrint[];
      password?: string;
    };
    answer: PrintTakenOut;
  };
  /** Why what lies beneath bars on a page cannot be taken out, as a sentence; null where it can. The file is not changed. */
  tryRedact: {
    ask: { bytes: Uint8Array; page: number; quads: readonly PrintQuad[]; password?: string };
    answer: string | null;
  };
  /** A document of which each page is a picture. */
  pdfOfPictures: { ask: { pictures: readonly PagePicture[] }; answer: Uint8Array };
  /** A finished copy on sheets of paper. */
  sheets: { ask: { bytes: Uint8Array; plan: SheetPlan }; answer: Uint8Array };
  /** What other programs have written, taken off its pages as marks; these are called by their numbers, from 0. */
  takeUp: { ask: { bytes: Uint8Array; now: number }; answer: TakenUp };
  /** A page's marks, stored, as a copy holds them. */
  encodeMarks: {
    ask: { marks: readonly MarkRecord[] } & FaceSources;
    answer: MarkLayer;
  };
  /** InkML onto pages; ink that names none goes onto page `otherwise`. */
  readInk: {
    ask: { text: string; pages: readonly Page[]; otherwise: number };
    answer: readonly PlacedInk[];
  };
  /** What of an XFDF file a document does not have. */
  readXfdf: {
    ask: { text: string; document: DocState; now: number };
    answer: {
      readonly elsewhere: Elsewhere;
      /** What it has in fields of a form, by their full names. */
      readonly fields: ReadonlyMap<string, readonly string[]>;
    };
  };
  writeXfdf: { ask: { document: DocState; fileName: string }; answer: string };
  /** A message as a file for a mail program; `unique` are letters that occur nowhere else. */
  writeMail: { ask: { mail: Mail; at: number; unique: string }; answer: string };
  writeInk: { ask: { document: DocState; title: string }; answer: string };
}

/** Pages of a PDF that is not locked, as pictures. */
export interface PicturesAsk {
  readonly bytes: Uint8Array;
  /** Pixels an inch. */
  readonly dpi: number;
  readonly type: 'image/png' | 'image/jpeg';
  /** What the picture of each is called, without its ending, and how long its points are. */
  readonly pages: readonly { readonly name: string; readonly userUnit: number }[];
  /** What pages after these are called, before their number. */
  readonly rest: string;
  /** The only part of the pages that is drawn, points as they are seen; all of them without. */
  readonly area?: Box | null;
}

/** A file that is to become a picture of a document. */
export interface PictureAsk {
  readonly bytes: Uint8Array;
  readonly name: string;
  readonly head: PictureHead;
  /** Pixels, turned as it is to be seen. */
  readonly wanted: { readonly width: number; readonly height: number };
  /** The only part of it that stays, in shares of its sides from its upper left corner; all of it without. */
  readonly part?: Box;
  /** The paper that something is written on is taken out: it can be seen through then. */
  readonly withoutPaper?: boolean;
}

/** The file of an edition, and its pages as they came. */
export interface EditionAsk {
  readonly bytes: Uint8Array;
  readonly password?: string;
  readonly pages: readonly PageBox[];
  /** None where it has none, or where nothing was filled in before. */
  readonly form?: Form;
}

/** What can be asked of the worker that looks at finished copies, and what it answers. */
interface LookJobs {
  /** A page, from 0, of a PDF that is not locked, or an area of it as it is seen, so many pixels wide. `userUnit`: how long its points are. */
  pagePicture: {
    ask: { bytes: Uint8Array; page: number; width: number; area?: Box | null; userUnit?: number };
    answer: Raster;
  };
  /** One picture, or several in a ZIP file. */
  pictures: { ask: PicturesAsk; answer: Blob };
  /** A picture as a document carries it: turned as its camera was held, no larger than wanted, with nothing said of where and by whom it was made. */
  picture: { ask: PictureAsk; answer: Attachment };
  /** What a drawing in SVG draws, as outlines; null where it is not simple. */
  graphic: {
    ask: { svg: Uint8Array; width: number; height: number };
    answer: ReadSvg | null;
  };
  /** How a line of print looks: the letter at a place, in user space, and the colours of an area as the file has it. */
  lineLook: {
    ask: LookAt & { bytes: Uint8Array; area: Box };
    answer: { readonly printed: PrintedLook | null; readonly colours: InkOnPaper | null };
  };
  /** Where the marks of a document belong in another edition of it. */
  carryOver: {
    ask: {
      readonly document: DocState;
      /** What pages of the document show the earlier edition. */
      readonly source: string;
      readonly was: EditionAsk;
      readonly is: EditionAsk;
    };
    answer: CarriedOver;
  };
  /** Where on a photograph a sheet of paper is: its corners, in shares of the sides, from the upper left one clockwise; null where none is seen. */
  findSheet: {
    ask: { file: Blob; name: string };
    answer: { readonly width: number; readonly height: number; readonly corners: Quad | null };
  };
  /** What lies between four corners of a photograph as an upright page, a JPEG. */
  straighten: {
    ask: { file: Blob; name: string; corners: Quad; isLightEvened: boolean };
    answer: PagePicture;
  };
  /** Whether a copy shows what the screen shows. */
  prove: {
    ask: Omit<CopyToProve, 'locked'> &
      FaceSources & {
        sources: readonly Source[];
        copy: Uint8Array;
        /** How marks are drawn on the screen, as far as they were; the others are worked out. */
        drawn: ReadonlyMap<MarkId, Drawing>;
        /** What opens the copy; null where everybody can. */
        password: string | null;
      };
    answer: { readonly proof: Proof; readonly wrong: readonly ProvedPage[] };
  };
}

export type Jobs = PdfJobs & LookJobs;
export type PdfJob = keyof PdfJobs;
export type LookJob = keyof LookJobs;
export type JobName = keyof Jobs;

const LOOK_JOBS: readonly LookJob[] = [
  ...(['pagePicture', 'pictures', 'picture', 'graphic'] as const),
  ...(['findSheet', 'straighten', 'prove', 'carryOver', 'lineLook'] as const),
];

export const isLookJob = (job: JobName): boolean => (LOOK_JOBS as readonly string[]).includes(job);

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
