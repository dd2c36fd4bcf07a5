import type { PrintedWord } from '@marginalis/core/derived';
import { useEffect, useState } from 'react';
import type { PdfPictures } from '@/work';

/** Nobody waits for the words of more pages than this at once. */
const MOST_PAGES = 40;

/** The words printed on pages, as far as they have been read; reads those asked for. */
export function useWords(
  pictures: PdfPictures | null,
  pages: readonly number[],
): ReadonlyMap<number, readonly PrintedWord[]> {
  const [words, setWords] = useState<ReadonlyMap<number, readonly PrintedWord[]>>(new Map());
  const wanted = pages.filter((page) => !words.has(page)).slice(0, MOST_PAGES);
  const key = wanted.join();
  useEffect(() => {
    if (!pictures || key === '') return undefined;
    let left = false;
    const read = key.split(',').map(async (text) => {
      const page = Number(text);
      return [page, await pictures.words(page)] as const;
    });
    void Promise.all(read).then((found) => {
      if (!left) setWords((before) => new Map([...before, ...found]));
    });
    return () => {
      left = true;
    };
  }, [pictures, key]);
  return words;
}
