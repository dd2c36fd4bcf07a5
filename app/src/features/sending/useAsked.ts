import { withoutCut } from '@marginalis/core/derived';
import type { DocState } from '@marginalis/core/document';
import type { Box } from '@marginalis/core/geometry';
import { partOf, withoutAuthors, withoutNotesBeneath } from '@marginalis/core/leaving';
import { useMemo, useState } from 'react';
import { usePageNames, useSessionState, useSettings } from '@/session';
import { type Asked, pagesAsked, pagesInName } from './asked';
import { withMarks } from './region/inkOn';
import { forgetRegion, type TakenRegion, useRegions } from './region/regions';

/** Some of the document, as it is to leave. */
export interface Part {
  readonly document: DocState;
  /** What its pages are called. */
  readonly names: readonly string[];
  /** How they are named in the file's name; empty for all. */
  readonly inName: string;
  /** The only part of its page that leaves, as the page is seen, points; all of it without. */
  readonly area?: Box;
}

/** What the window shows of a document that is open. */
export interface InSight {
  /** The page in sight, from 0. */
  readonly current: number;
  /** Has a part of a page framed. */
  frame(): void;
}

/** No page is called so. */
const APART = '\n';

/**
 * What is to leave: the last answers, kept on this device, and what of the document that is; why it is nothing, in words.
 * @param inSight null where the document is not open
 */
export function useAsked(inSight: InSight | null): {
  readonly asked: Asked;
  readonly change: (part: Partial<Asked>) => void;
  readonly part: Part | null;
  readonly trouble: string | null;
  /** The page in sight, from 0 among those that are to leave; the first where it is not among them. */
  readonly first: number;
  /** The part of a page that is to leave alone; null where whole pages are. */
  readonly taken: TakenRegion | null;
} {
  const document = useSessionState((s) => s.document);
  const nameOf = usePageNames();
  const sending = useSettings((s) => s.sending);
  const { taken } = useRegions();
  const framed = document.pages.findIndex(({ id }) => id === taken?.region.page);
  const isRegion = taken !== null && framed >= 0;
  const current = isRegion ? framed : (inSight?.current ?? 0);
  const last = sending.what === 'here' && !inSight ? 'whole' : sending.what;
  /** Pages that are typed; null where others are asked for. They are none of the next document's. */
  const [typed, setTyped] = useState<string | null>(null);
  const what = isRegion ? 'region' : typed === null ? last : 'some';
  const asked = useMemo((): Asked => {
    // What lies outside a part must not be in the bytes: it leaves as a picture.
    const as = what === 'region' ? 'pictures' : sending.as;
    return { ...sending, as, what, typed: typed ?? '' };
  }, [sending, what, typed]);
  const change = (by: Partial<Asked>): void => {
    const { what: now, typed: pages, ...rest } = by;
    if (now === 'region') return inSight?.frame();
    if (now !== undefined) forgetRegion();
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
  const { authors, as, withoutCut: isCut } = asked;
  const part = useMemo((): Part | null => {
    if (!named.ok) return null;
    const { pages } = named;
    const names = pages.map((index) => all[index]);
    const some = withoutNotesBeneath(partOf(document, pages));
    const whole = isCut ? withoutCut(some) : some;
    const part = authors ? whole : withoutAuthors(whole, as === 'living');
    if (!isRegion) return { names, document: part, inName: pagesInName(pages, all) };
    return {
      names,
      document: withMarks(part, taken.ink),
      inName: `part of page ${names[0]}`,
      area: taken.region.area,
    };
  }, [named, document, all, isRegion, taken, authors, isCut, as]);
  const first = named.ok ? Math.max(0, named.pages.indexOf(current)) : 0;
  return {
    ...{ asked, change, part, first },
    trouble: named.ok ? null : named.reason,
    taken: isRegion ? taken : null,
  };
}
