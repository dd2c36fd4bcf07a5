import type { Change, Transaction } from '@marginalis/core/document';
import { asText, type Mark } from '@marginalis/core/kinds';
import { pageFonts } from './pageFonts';

/** A text box as high as its lines are, now that they may break elsewhere; other marks, and text whose faces are still to come, as they are. */
export function measuredMark(mark: Mark): Mark {
  const text = asText(mark);
  const set = text && pageFonts.setBlock(text.block);
  return text && set && Math.abs(set.height - text.height) > 1e-6
    ? { ...text, height: set.height }
    : mark;
}

/** A transaction whose text boxes are as high as their lines are. */
export const measured = (transaction: Transaction | null): Transaction | null =>
  transaction && {
    ...transaction,
    changes: transaction.changes.map((change): Change =>
      change.part === 'mark' && change.after
        ? { ...change, after: measuredMark(change.after) }
        : change,
    ),
  };
