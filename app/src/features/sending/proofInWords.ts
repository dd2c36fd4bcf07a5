import type { PageProof, Proof } from '@marginalis/core/proof';

const many = (count: number, one: string, several: string): string =>
  `${count} ${count === 1 ? one : several}`;

/** A share as people write it: 0.02 %. */
export const shareInWords = (share: number): string =>
  share === 0
    ? '0 %'
    : share < 0.0001
      ? 'less than 0.01 %'
      : `${(100 * share).toFixed(share < 0.01 ? 2 : 1)} %`;

const inkInWords = (most: number): string => {
  if (most === 0) return 'no ink differs';
  const share = shareInWords(most);
  return `${share.startsWith('less') ? share : `at most ${share}`} of the ink differs`;
};

/** A line of writing is one mark to people; a proof looks for each of its strokes. */
const foundInWords = (marks: number, lost: number): string =>
  lost === 0 ? 'every mark found' : `${lost} of ${marks} strokes and marks missing`;

/** What a proof has found, in words and numbers. */
export function proofInWords({ alike, pageCount, locked, pages }: Proof): string {
  const marks = pages.reduce((sum, page) => sum + page.marks, 0);
  const lost = pages.reduce((sum, page) => sum + page.lost.length, 0);
  const most = pages.reduce((least, { differs }) => Math.max(least, differs), 0);
  const wrong = pages.filter((page) => !page.alike).length;
  const counted =
    pages.length === 0
      ? ''
      : ` ${many(pages.length, 'changed page', 'changed pages')} compared, ${foundInWords(marks, lost)}, ${inkInWords(most)}.`;
  const lock = locked ? ' It opens with its password only.' : '';
  if (alike)
    return pages.length === 0
      ? `Proved: no page was changed.${lock}`
      : `Proved: the copy shows what the screen shows.${counted}${lock}`;
  if (locked === false) return `The copy opens without its password.${counted}`;
  if (pageCount.wanted !== pageCount.found)
    return `The copy has ${many(pageCount.found, 'page', 'pages')} instead of ${pageCount.wanted}.${counted}`;
  return `${many(wrong, 'page is', 'pages are')} not as on the screen.${counted}`;
}

/** Why a page is not alike, in words. */
export function faultsOf(page: PageProof): string[] {
  const { lost, places, differs, textKept, unread, still, annotations, links, sized } = page;
  return [
    lost.length > 0 && `${many(lost.length, 'mark is', 'marks are')} missing`,
    (places.length > 0 || differs > 0) && `${shareInWords(differs)} of the ink differs`,
    !textKept && 'its print cannot be read as before',
    unread !== '' && `letters cannot be read: ${unread.slice(0, 20)}`,
    annotations > 0 && `${many(annotations, 'annotation was', 'annotations were')} left on it`,
    still !== '' && 'words that were corrected can still be read in it',
    links.copy > links.source && 'it has more links than before',
    !sized && 'it has another size',
  ].filter((fault): fault is string => fault !== false);
}
