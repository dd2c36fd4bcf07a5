import type { Page } from '@marginalis/core/document';
import { linkAt, type PageLink } from '@marginalis/core/links';
import { useEffect, useRef, useState } from 'react';
import { useReader } from '@/shell';
import { follow } from './follow';

/** A mouse or pen that rests over a link for so long asks where it leads, ms. */
const RESTS = 250;
/** The answer stays for so long after the link was left, ms: there is a way to it. */
const STAYS = 600;
/** A finger means what is so near, CSS pixels. */
const FINGER = 10;

/** The link of a page, from 0, over which a mouse or pen rests. A finger that taps one follows it. */
export function useLinkUnder(
  index: number,
  page: Page | undefined,
  links: readonly PageLink[],
): PageLink | null {
  const reader = useReader();
  const { stage } = reader;
  const [under, setUnder] = useState<string | null>(null);
  const there = useRef(links);
  useEffect(() => {
    there.current = links;
  });
  useEffect(() => {
    if (!page) return undefined;
    return stage.touches.tap((touch, taps) => {
      if (touch.index !== index || taps > 1) return false;
      const link = linkAt(there.current, touch.user, FINGER / stage.getCamera().zoom);
      if (link) follow(reader, link);
      return link !== null;
    });
  }, [reader, stage, index, page]);
  useEffect(() => {
    const element = stage.getElement();
    if (!element || !page) return undefined;
    let waiting: ReturnType<typeof setTimeout> | undefined;
    let seen: string | null = null;
    const change = (to: string | null, after: number): void => {
      clearTimeout(waiting);
      seen = to;
      waiting = setTimeout(() => setUnder(to), after);
    };
    const onMove = (e: PointerEvent): void => {
      // What is written is not to be talked into.
      if (e.pointerType === 'touch' || e.buttons !== 0) return seen ? change(null, 0) : undefined;
      if (e.target instanceof Element && e.target.closest('[data-control]'))
        return clearTimeout(waiting);
      const hit = stage.pageAt(stage.fromClient(e.clientX, e.clientY));
      const link = hit?.index === index ? linkAt(there.current, hit.user) : null;
      const key = link?.key ?? null;
      if (key !== seen) change(key, key === null ? STAYS : RESTS);
    };
    const onLeave = (): void => {
      if (seen) change(null, STAYS);
    };
    element.addEventListener('pointermove', onMove);
    element.addEventListener('pointerleave', onLeave);
    return () => {
      clearTimeout(waiting);
      element.removeEventListener('pointermove', onMove);
      element.removeEventListener('pointerleave', onLeave);
    };
  }, [stage, index, page]);
  return links.find(({ key }) => key === under) ?? null;
}
