import { CORRECTION } from './correction/index.ts';
import { EQUATION } from './equation/index.ts';
import { FIELD } from './field/index.ts';
import { FIGURE } from './figure/index.ts';
import { GRAPHIC } from './graphic/index.ts';
import { INK } from './ink/index.ts';
import type { Kind } from './kind.ts';
import { NOTE } from './note/index.ts';
import { PICTURE } from './picture/index.ts';
import { REDACTION } from './redaction/index.ts';
import { signatureKind } from './signature/index.ts';
import { stampKind } from './stamp/index.ts';
import { TEXT } from './text/index.ts';
import { WORDS } from './words/index.ts';

/** Kinds that stand for themselves. */
const PLAIN = {
  ink: INK,
  figure: FIGURE,
  words: WORDS,
  note: NOTE,
  text: TEXT,
  picture: PICTURE,
  graphic: GRAPHIC,
  equation: EQUATION,
  correction: CORRECTION,
  redaction: REDACTION,
  field: FIELD,
};

/** Every kind of mark there is. What a document can hold follows from this table. */
export const KINDS = {
  ...PLAIN,
  // What it is made of is drawn, carried and kept through these.
  stamp: stampKind(PLAIN),
  signature: signatureKind(PLAIN),
};

type MarkOfKind<K> = K extends Kind<infer M> ? M : never;

/** Anything a person puts on a page. */
export type Mark = MarkOfKind<(typeof KINDS)[keyof typeof KINDS]>;

/** What a mark is, and how it behaves. */
export const kindFor = <M extends Mark>(mark: M): Kind<Mark> =>
  KINDS[mark.kind as keyof typeof KINDS] as unknown as Kind<Mark>;
