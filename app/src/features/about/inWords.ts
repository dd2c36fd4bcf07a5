import { kindOfPages, type PageCounts, type PageSize } from '@marginalis/core/about';
import { pagesInWords as countInWords } from '@/ui';

/** What kind of document it is, and what that means for whoever marks it. */
export function kindInWords(counts: PageCounts): string {
  const { worded, pictured } = counts;
  switch (kindOfPages(counts)) {
    case 'text':
      return 'Text: its words can be marked, searched and read aloud.';
    case 'scanned':
      return 'Scanned: its pages are pictures, whose words cannot be read. They are marked by area.';
    case 'mixed':
      return `Mixed: ${countInWords(pictured)} scanned, ${countInWords(worded)} with words that can be read.`;
    default:
      return 'Without words: nothing on its pages can be read.';
  }
}

/** One size of page: "A4, 210 × 297 mm". */
const pageSizeInWords = ({ name, width, height }: PageSize): string => {
  const measured = `${width} × ${height} mm`;
  if (!name) return measured;
  return `${name}${width > height ? ' landscape' : ''}, ${measured}`;
};

/** Sizes that are said; the rest is counted. */
const MOST_SIZES = 3;

/** How many pages of which size. */
export function pagesInWords(sizes: readonly PageSize[]): string {
  const count = sizes.reduce((sum, size) => sum + size.count, 0);
  const [first] = sizes;
  if (!first) return 'None';
  if (sizes.length === 1) return `${count}, ${pageSizeInWords(first)}`;
  const said = sizes
    .slice(0, MOST_SIZES)
    .map((size) => `${size.count} of ${pageSizeInWords(size)}`);
  const more = sizes.length - MOST_SIZES;
  return `${count}: ${said.join('; ')}${more > 0 ? `; ${more} other sizes` : ''}`;
}

/** Whether it serves those who do not see it. */
export const taggedInWords = (tagged: boolean): string =>
  tagged
    ? 'Tagged: it says what is a heading, a list or a picture.'
    : 'Not tagged: words are read in the order they are found in.';

/** What it, or its author, allows. */
export function locksInWords(locks: {
  readonly locked: boolean;
  readonly copyLocked: boolean;
  readonly signed: boolean;
}): readonly string[] {
  return [
    ...(locks.locked ? ['Locked with a password.'] : []),
    ...(locks.copyLocked ? ['Its author asks that its words not be copied.'] : []),
    ...(locks.signed ? ['Signed: a fixed copy no longer carries the signature.'] : []),
  ];
}
