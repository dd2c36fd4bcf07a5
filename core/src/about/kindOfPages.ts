/** What stands on the pages of a document. */
export interface PageCounts {
  /** Pages with words that can be read. */
  readonly worded: number;
  /** Pages without, that a picture covers most of: scans. */
  readonly pictured: number;
  /** All others. */
  readonly bare: number;
}

/** `mixed`: some pages have words and others are scans; `bare`: neither words nor scans. */
export type DocumentKind = 'text' | 'scanned' | 'mixed' | 'bare';

/** Of a page that is a scan its largest picture covers at least so much. */
export const MOST_OF_THE_PAGE = 0.5;

export const NO_PAGES: PageCounts = { worded: 0, pictured: 0, bare: 0 };

/** Counts one page more. `pictured`: what share of it its largest picture covers. */
export function countPage(counts: PageCounts, text: string, pictured: number): PageCounts {
  if (/\S/.test(text)) return { ...counts, worded: counts.worded + 1 };
  return pictured >= MOST_OF_THE_PAGE
    ? { ...counts, pictured: counts.pictured + 1 }
    : { ...counts, bare: counts.bare + 1 };
}

export function kindOfPages({ worded, pictured }: PageCounts): DocumentKind {
  if (worded > 0) return pictured > 0 ? 'mixed' : 'text';
  return pictured > 0 ? 'scanned' : 'bare';
}
