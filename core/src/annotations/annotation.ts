import type { Attachment } from '../document/index.ts';
import type { Box } from '../geometry/index.ts';
import type { AnnotationSketch } from '../kinds/index.ts';

/** A standard annotation (ISO 32000-1 §12.5) as data, whatever file it stands in. */
export interface Annotation {
  /** What its file calls it (NM); empty where it has no name. */
  readonly name: string;
  /** From 0. */
  readonly page: number;
  /** As its file says it: "Highlight", "Stamp". */
  readonly subtype: string;
  /** Its rectangle, in user space; null where it has none. */
  readonly rect: Box | null;
  /** What it is, where a kind of mark could be that; null for all others. */
  readonly sketch: AnnotationSketch | null;
  /** The picture that its sketch shows, where its file brings it. */
  readonly attachment?: Attachment;
  /** `#rrggbb`; null where it has none. */
  readonly colour: string | null;
  /** 0–1. */
  readonly opacity: number;
  /** Nobody when empty. */
  readonly author: string;
  /** What is said in it: plain text, lines ended by line feeds. */
  readonly contents: string;
  /** Milliseconds since 1970; null where it does not say. */
  readonly madeAt: number | null;
  readonly changedAt: number | null;
  readonly locked: boolean;
  /** It is there to be seen: neither hidden nor of a layer that is off. */
  readonly shown: boolean;
  /** Which of its list it answers, from 0, and how; null where it stands for itself. */
  readonly answers: { readonly to: number; readonly as: 'answer' | 'group' } | null;
  /** That somebody has said something of what it answers: "Completed" by the model "Review" (§12.5.6.3). */
  readonly state: { readonly model: string; readonly says: string } | null;
}
