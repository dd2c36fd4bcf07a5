import type { PDFPage } from '@cantoo/pdf-lib';
import { rewriteContent, type Rewritten } from './rewrite.ts';
import type { TextTrouble } from './shownFont.ts';
import { type ShownLetter, TextPass } from './textPass.ts';

/**
 * Takes letters out of the content of a page, and of the forms it draws, so that nothing of them is left there; everything else stays byte for byte, and where
 * it is. What is written in place of a marked section's own letters (ActualText, §14.9.4) goes with them.
 * @param isGone asked of every letter, once
 */
export const takeTextOut = (
  page: PDFPage,
  isGone: (letter: ShownLetter) => boolean,
): Rewritten<TextTrouble> =>
  rewriteContent<TextTrouble>(page, (tools) => new TextPass({ ...tools, isGone }));
