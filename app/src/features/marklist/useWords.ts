import type { PrintedWord } from '@marginalis/core/derived';
import { useEffect, useState } from 'react';
import type { Page } from '@marginalis/core/document';
import type { SourcePictures } from '@/stage';

/** Nobody waits for the words of more pages than this at once. */
const MOST_PAGES = 40;

/** The words of a page's print; paper of our own says nothing. */
async function wordsOf(
  pictures: SourcePictures,
  page: Page | undefined,
): Promise<readonly PrintedWord[]> {
  if (!page || 'paper' in page.shows) return [];
  return (await pictures(page.shows.source)?.words(page.shows.index)) ?? [];
}

/** The words printed on pages, as far as they have been read; reads those asked for. */
export function useWords(
  pictures: SourcePictures,
  document: readonly Page[],
  pages: readonly number[],
): ReadonlyMap<number, readonly PrintedWord[]> {
  const [words, setWords] = useState<ReadonlyMap<number, readonly PrintedWord[]>>(new Map());
  const wanted = pages.filter((page) => !words.has(page)).slice(0, MOST_PAGES);
  const key = wanted.join();
  useEffect(() => {
    if (key === '') return undefined;
    let left = false;
    const read = key.split(',').map(async (text) => {
      const page = Number(text);
      return [page, await wordsOf(pictures, document[page])] as const;
    });
    void Promise.all(read).then((found) => {
      if (!left) setWords((before) => new Map([...before, ...found]));
    });
    return () => {
      left = true;
    };
  }, [pictures, document, key]);
  return words;
}
