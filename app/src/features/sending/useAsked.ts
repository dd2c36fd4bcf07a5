import type { DocState } from '@marginalis/core/document';
import { partOf } from '@marginalis/core/leaving';
import { useMemo, useState } from 'react';
import { usePageNames, useSessionState, useSettings } from '@/session';
import { useReader } from '@/shell';
import { type Asked, pagesAsked, pagesInName } from './asked';

/** Some of the document, as it is to leave. */
export interface Part {
  readonly document: DocState;
  /** What its pages are called. */
  readonly names: readonly string[];
  /** How they are named in the file's name; empty for all. */
  readonly inName: string;
}

/** No page is called so. */
const APART = '\n';

/** What is to leave: the last answers, kept on this device, and what of the document that is; why it is nothing, in words. */
export function useAsked(): {
  readonly asked: Asked;
  readonly change: (part: Partial<Asked>) => void;
  readonly part: Part | null;
  readonly trouble: string | null;
  /** The page in sight, from 0 among those that are to leave; the first where it is not among them. */
  readonly first: number;
} {
  const { stage } = useReader();
  const document = useSessionState((s) => s.document);
  const nameOf = usePageNames();
  const sending = useSettings((s) => s.sending);
  const [current] = useState(() => stage.getSight().current);
  /** Pages that are typed; null where others are asked for. They are none of the next document's. */
  const [typed, setTyped] = useState<string | null>(null);
  const what = typed === null ? sending.what : 'some';
  const asked = useMemo(
    (): Asked => ({ ...sending, what, typed: typed ?? '' }),
    [sending, what, typed],
  );
  const change = (by: Partial<Asked>): void => {
    const { what: now, typed: pages, ...rest } = by;
    if (pages !== undefined) setTyped(pages);
    if (now !== undefined) setTyped(now === 'some' ? '' : null);
    const kept = now === undefined || now === 'some' ? rest : { ...rest, what: now };
    useSettings.getState().setSending(kept);
  };
  // By what they are: names that are read anew, and are the same, change nothing of what is asked for.
  const joined = document.pages.map((_, index) => nameOf(index)).join(APART);
  const all = useMemo(() => joined.split(APART), [joined]);
  const named = useMemo(
    () => pagesAsked({ what, typed: typed ?? '' }, document, all, current),
    [what, typed, document, all, current],
  );
  const part = useMemo((): Part | null => {
    if (!named.ok) return null;
    const { pages } = named;
    return {
      names: pages.map((index) => all[index]),
      document: partOf(document, pages),
      inName: pagesInName(pages, all),
    };
  }, [named, document, all]);
  const first = named.ok ? Math.max(0, named.pages.indexOf(current)) : 0;
  return { asked, change, part, trouble: named.ok ? null : named.reason, first };
}
