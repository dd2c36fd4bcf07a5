import type { Blend } from '../../drawing/index.ts';
import type { FaceName } from '../../type/index.ts';

/** A graphics state a form names. */
export interface NamedState {
  readonly name: string;
  readonly opacity: number;
  readonly blend: Blend;
}

/**
 * A form XObject without a document to stand in: plain data, so that it can be made ahead, on another thread, and kept.
 * Glyphs stand in it by their numbers in the face.
 */
export interface EncodedForm {
  readonly content: Uint8Array;
  /** Deflated already. */
  readonly deflated: boolean;
  readonly states: readonly NamedState[];
  readonly forms: readonly { readonly name: string; readonly form: EncodedForm }[];
  readonly faces: readonly {
    readonly name: string;
    readonly face: FaceName;
    /** Glyphs used, and what each stands for. */
    readonly glyphs: ReadonlyMap<number, string>;
  }[];
  readonly pictures: readonly { readonly name: string; readonly source: string }[];
  /** What is written in it, in the order it is drawn. */
  readonly words: string;
  /** Drawn by itself, before it meets what lies beneath. */
  readonly isolated: boolean;
}

export const isEmptyForm = ({ content }: EncodedForm): boolean => content.length === 0;
