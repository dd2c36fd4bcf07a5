import type { Page } from '@marginalis/core/document';
import type { Print } from '@marginalis/core/print';
import { useEffect, useState } from 'react';
import { useSession } from './SessionContext';

/**
 * The print of a page while it is wanted; null until it has been read, and where it cannot be: whoever selects or searches says so.
 */
export function usePagePrint(page: Page | undefined, wanted: boolean): Print | null {
  const { print: source } = useSession();
  const [read, setRead] = useState<{ readonly page: Page; readonly print: Print } | null>(null);
  useEffect(() => {
    if (!page || !wanted) return undefined;
    let isGone = false;
    source.of(page).then(
      (print) => isGone || setRead({ page, print }),
      () => undefined,
    );
    return () => {
      isGone = true;
    };
  }, [source, page, wanted]);
  return wanted && read && read.page === page ? read.print : null;
}
