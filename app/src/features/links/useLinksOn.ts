import type { Page } from '@marginalis/core/document';
import { useEffect, useState } from 'react';
import { useReader } from '@/shell';
import type { FileLink } from '@/work';
import { readLinks } from './readLinks';

const NONE: readonly FileLink[] = [];

/** The links of a page, once they have been read. */
export function useLinksOn(page: Page | undefined): readonly FileLink[] {
  const { pictures } = useReader();
  const [links, setLinks] = useState(NONE);
  useEffect(() => {
    if (!page) return undefined;
    let isGone = false;
    void readLinks(pictures, page).then((read) => isGone || setLinks(read));
    return () => {
      isGone = true;
    };
  }, [pictures, page]);
  return links;
}
