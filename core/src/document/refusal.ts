/** Why a file cannot be worked on. */
export type RefusalReason =
  'empty' | 'not-pdf' | 'cut-short' | 'damaged' | 'locked' | 'wrong-password' | 'no-pages';

/** What is said to the person who opened it. */
export const REFUSALS: Readonly<Record<RefusalReason, string>> = {
  empty: 'This file is empty: it holds no bytes at all. Ask for it again where it came from.',
  'not-pdf': 'This file is not a PDF. Save or print it as a PDF first, then open that.',
  'cut-short': 'This PDF is cut short: its end is missing. Download or copy it again.',
  damaged: 'This PDF is damaged and no page of it can be read. Ask for a fresh copy.',
  locked: 'This PDF is locked with a password.',
  'wrong-password': 'That password does not open this PDF.',
  'no-pages': 'This PDF has no pages.',
};

/** Thrown when a file is refused; `message` is a sentence for people. */
export class PdfRefusal extends Error {
  override readonly name = 'PdfRefusal';

  constructor(readonly reason: RefusalReason) {
    super(REFUSALS[reason]);
  }
}
