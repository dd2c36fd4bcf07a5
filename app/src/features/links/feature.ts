import { boxOfPoints } from '@marginalis/core/geometry';
import { takeKind } from '@/session';
import { type Command, late, type Reader, type ReaderFeature } from '@/shell';
import { askForLinks } from './asked';
import { EDIT_LINK, LINKS } from './ids';
import { LinksOnPage } from './LinksOnPage';
import { linkWriter } from './linkWriter';
import { placesOfPicked, placesOfWords } from './placesOf';
import { WayOut } from './WayOut';

const LinkSheet = late(async () => (await import('./LinkSheet')).LinkSheet);
const LinksPanel = late(async () => (await import('./LinksPanel')).LinksPanel);

function commands(reader: Reader): readonly Command[] {
  const { session, shell } = reader;
  const able = (): boolean => session.store.getState().writable;
  return [
    {
      id: LINKS,
      title: 'Links',
      group: 'View',
      also: 'list addresses hyperlinks dead broken',
      icon: 'link',
      on: () => shell.isOpen(LINKS),
      run: () => shell.togglePanel('roll', LINKS),
    },
    {
      id: 'make-links',
      title: 'Make and change links',
      group: 'Instruments',
      also: 'hyperlink draw area link maker',
      icon: 'link-maker',
      able,
      forPlace: 'Link',
      run: () => takeKind(session, 'link-maker'),
      atPlace: ({ page, area, at }) => askForLinks(reader, [{ page, area: areaAt(area, at) }]),
    },
    {
      id: 'link-words',
      title: 'Link the selected words …',
      group: 'Marks',
      also: 'hyperlink address',
      icon: 'link',
      forWords: 'Link',
      able: () => able() && session.words.store.getState().parts.length > 0,
      run: () => askForLinks(reader, placesOfWords(session.words.store.getState().parts)),
    },
    {
      id: 'link-picked',
      title: 'Link what is picked …',
      group: 'Marks',
      also: 'hyperlink address',
      icon: 'link',
      forPicked: 'Link',
      able: () => able() && session.store.getState().picked.size > 0,
      run: () => askForLinks(reader, placesOfPicked(session)),
    },
    {
      id: 'contents-page',
      title: 'Make a contents page',
      group: 'Pages',
      also: 'table of contents list bookmarks headings links index',
      icon: 'ways',
      able,
      run: () =>
        void import('./makeContentsPage').then(({ makeContentsPage }) => makeContentsPage(reader)),
    },
  ];
}

/** At a bare place without an area: so large, points. */
const [WIDE, HIGH] = [90, 18];

const areaAt = (
  area: readonly { readonly x: number; readonly y: number }[] | undefined,
  { x, y }: { readonly x: number; readonly y: number },
) => (area ? boxOfPoints(area) : { minX: x, minY: y - HIGH, maxX: x + WIDE, maxY: y });

/** The links of the file, and one's own. */
export const linksFeature: ReaderFeature = {
  name: 'links',
  commands,
  OnPage: LinksOnPage,
  Over: WayOut,
  panels: [{ id: LINKS, title: 'Links', side: 'roll', Content: LinksPanel }],
  dialogs: [{ id: EDIT_LINK, Content: LinkSheet }],
  instruments: [{ kinds: ['link-maker'], writer: linkWriter }],
};
