import { findMark } from '@marginalis/core/document';
import type { Mark } from '@marginalis/core/kinds';
import { useMemo } from 'react';
import { useSessionState } from '@/session';

/** The marks in hand, from the lowest to the topmost. */
export function usePicked(): readonly Mark[] {
  const picked = useSessionState((s) => s.picked);
  const document = useSessionState((s) => s.document);
  return useMemo(
    () =>
      [...picked]
        .map((id) => findMark(document, id))
        .filter((mark): mark is Mark => mark !== null)
        .sort((a, b) => a.order - b.order),
    [picked, document],
  );
}
