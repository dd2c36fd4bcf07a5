import { scanContent } from './scan.ts';

/** How a page's content leaves the stack of graphics states. */
export interface Balance {
  /** Restores (Q) without a save before them. */
  readonly missingSaves: number;
  /** Saves (q) never restored. */
  readonly missingRestores: number;
  /** Marked-content sections (BMC, BDC) never closed. */
  readonly openSections: number;
}

/** Pages that save and restore unevenly exist; whoever draws after them must even them out first. */
export function stateBalance(content: Uint8Array): Balance {
  let depth = 0;
  let lowest = 0;
  let sections = 0;
  scanContent(content, ({ operator }) => {
    if (operator === 'q') depth++;
    else if (operator === 'Q') lowest = Math.min(lowest, --depth);
    else if (operator === 'BMC' || operator === 'BDC') sections++;
    else if (operator === 'EMC') sections = Math.max(0, sections - 1);
  });
  return { missingSaves: 0 - lowest, missingRestores: depth - lowest, openSections: sections };
}
