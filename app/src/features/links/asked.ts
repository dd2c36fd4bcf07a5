import type { LinkTarget, OwnLink } from '@marginalis/core/document';
import type { PageLink } from '@marginalis/core/links';
import { createStore } from 'zustand/vanilla';
import type { Reader } from '@/shell';
import { EDIT_LINK } from './ids';

/** Where a link is to lie. */
export type LinkPlace = Pick<OwnLink, 'page' | 'area' | 'parts' | 'mark' | 'instead'>;

/** The links that a sheet is about: new ones, one for each place, or one that is there. */
export interface AskedLinks {
  readonly places: readonly LinkPlace[];
  /** Null where they are new. */
  readonly link: PageLink | null;
  /** Null until it was said. */
  readonly to: LinkTarget | null;
  readonly framed: boolean;
}

export const askedLinks = createStore<{ readonly asked: AskedLinks | null }>(() => ({
  asked: null,
}));

/** Asks where new links are to lead. */
export function askForLinks({ shell }: Pick<Reader, 'shell'>, places: readonly LinkPlace[]): void {
  if (places.length === 0) return;
  askedLinks.setState({ asked: { places, link: null, to: null, framed: false } });
  shell.openDialog(EDIT_LINK);
}

/** Asks what is to become of a link that is there. */
export function askAboutLink(
  { shell, session }: Pick<Reader, 'shell' | 'session'>,
  link: PageLink,
): void {
  const { page, area, own, framed } = link;
  const place: LinkPlace = own ?? { page, area, instead: area };
  askedLinks.setState({
    asked: { places: [place], link, to: own?.to ?? targetOf(session, link), framed },
  });
  shell.openDialog(EDIT_LINK);
}

/** Where a link of the file leads, as one of one's own would say it. */
function targetOf({ store }: Reader['session'], { leads }: PageLink): LinkTarget | null {
  if (!leads) return null;
  if ('address' in leads) return { address: leads.address };
  const { pages } = store.getState().document;
  return { page: pages[leads.index].id, at: leads.at };
}
