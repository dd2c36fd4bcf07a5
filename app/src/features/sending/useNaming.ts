import { useMemo } from 'react';
import { useSession, useSettings } from '@/session';
import { useNow } from '@/ui';
import type { Naming } from './fileName';

/** What the names of files are made of that leave the open document. `pages` says which of its pages do. */
export function useNaming(pages: string): Naming {
  const { title } = useSession().desk;
  const pattern = useSettings((s) => s.sending.naming);
  const author = useSettings((s) => (s.sending.authors ? s.author : ''));
  const at = useNow();
  return useMemo(
    () => ({ pattern, title, pages, author, at }),
    [pattern, title, pages, author, at],
  );
}
