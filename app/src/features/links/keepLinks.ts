import type { LinkTarget } from '@marginalis/core/document';
import { addLinks, changeLink, removeLinks } from '@marginalis/core/editing';
import type { PageLink } from '@marginalis/core/links';
import type { DocumentSession } from '@/session';
import type { AskedLinks } from './asked';

/** Puts links where they were asked for, or leads one that is there elsewhere. */
export function keepLinks(
  session: DocumentSession,
  { places, link }: AskedLinks,
  to: LinkTarget,
  framed: boolean,
): boolean {
  if (link?.own) return session.dispatch(changeLink(link.own, { to, framed }));
  const links = places.map((place) => ({ id: crypto.randomUUID(), ...place, to, framed }));
  return session.dispatch(addLinks(links));
}

/** Takes links away, one's own and those of the file. */
export function dropLinks(session: DocumentSession, links: readonly PageLink[]): boolean {
  return session.dispatch(
    removeLinks(
      links.map(({ own, page, area }) => own ?? { page, area }),
      () => crypto.randomUUID(),
    ),
  );
}
