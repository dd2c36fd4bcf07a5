import type { Page } from '@marginalis/core/document';
import { EMPTY_PRINT, type Print } from '@marginalis/core/print';
import { useEffect, useState } from 'react';
import type { SourcePrint } from '@/session';

/** Nobody waits for the print of more pages than this at once. */
const MOST_PAGES = 40;

/** The print of pages, as far as it has been read; reads those asked for. A page that cannot be read says nothing. */
export function usePrint(
  source: SourcePrint,
  document: readonly Page[],
  pages: readonly number[],
): ReadonlyMap<number, Print> {
  const [prints, setPrints] = useState<ReadonlyMap<number, Print>>(new Map());
  const wanted = pages.filter((page) => !prints.has(page)).slice(0, MOST_PAGES);
  const key = wanted.join();
  useEffect(() => {
    if (key === '') return undefined;
    let left = false;
    const read = key.split(',').map(async (text) => {
      const page = document[Number(text)];
      // Print that cannot be read names no mark; everything else of the page is as it was.
      const print = page ? await source.of(page).catch(() => EMPTY_PRINT) : EMPTY_PRINT;
      return [Number(text), print] as const;
    });
    void Promise.all(read).then((found) => {
      if (!left) setPrints((before) => new Map([...before, ...found]));
    });
    return () => {
      left = true;
    };
  }, [source, document, key]);
  return prints;
}
