import type { Page } from '@marginalis/core/document';
import { pointOf } from '@marginalis/core/guide';
import type { Reader } from '@/shell';
import type { FileLink } from '@/work';

/** The page, from 0, of the document that a link of one of its pages leads to; -1 where it is not there. */
function pageOf({ session }: Pick<Reader, 'session'>, from: Page, link: FileLink): number {
  const { pages } = session.store.getState().document;
  return pages.findIndex(
    ({ shows }) =>
      'source' in shows &&
      'source' in from.shows &&
      shows.source === from.shows.source &&
      shows.index === link.place?.page,
  );
}

/** Goes where a link leads; out of the document only after asking. */
export function follow(
  reader: Pick<Reader, 'session' | 'stage'>,
  from: Page,
  link: FileLink,
): void {
  if (link.address) return reader.session.leadsOut.ask(link.address);
  const index = pageOf(reader, from, link);
  const page = reader.session.store.getState().document.pages[index];
  if (!page || !link.place)
    return reader.session.notices.tell('The page this link leads to is no longer in the document.');
  reader.stage.goToSpot(index, pointOf(link.place, page));
}

/** Where a link leads, in words. */
export function leadsTo(reader: Pick<Reader, 'session'>, from: Page, link: FileLink): string {
  if (link.address) return link.address.replace(/^(https?:\/\/|mailto:)/i, '');
  const index = pageOf(reader, from, link);
  return index < 0 ? 'A page that is gone' : `Page ${reader.session.guide.nameOf(index)}`;
}
