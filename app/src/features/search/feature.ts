import { textOf } from '@marginalis/core/print';
import { type Command, late, type Reader, type ReaderFeature } from '@/shell';
import { goToHit } from './goToHit';
import { HitsOnPage } from './HitsOnPage';
import { SearchStrip } from './SearchStrip';

export const SEARCH = 'search';
const SearchPanel = late(async () => (await import('./SearchPanel')).SearchPanel);

function commands(reader: Reader): readonly Command[] {
  const { session, stage, shell } = reader;
  const { search } = session;
  const step = (by: 1 | -1) => () => goToHit(reader, search.next(by, stage.getSight().current));
  const hasHits = (): boolean => search.store.getState().hits.length > 0;
  return [
    {
      id: SEARCH,
      title: 'Search the document',
      group: 'View',
      also: 'find words text',
      icon: 'search',
      keys: ['Mod+F'],
      whileTyping: ['Mod+F'],
      bar: 50,
      short: 'Search',
      roomy: true,
      on: () => shell.isOpen(SEARCH),
      run: (key) =>
        key === undefined ? shell.togglePanel('roll', SEARCH) : shell.openPanel('roll', SEARCH),
    },
    {
      id: 'find-again',
      title: 'Find the selected words again',
      group: 'Marks',
      icon: 'search',
      forWords: 'Find these words again',
      able: () => session.words.store.getState().parts.length > 0,
      run: () => {
        const [{ print, range }] = session.words.store.getState().parts;
        const { how } = search.store.getState();
        session.words.choose([]);
        search.find(textOf(print, range), how, stage.getSight().current);
        shell.openPanel('roll', SEARCH);
      },
    },
    {
      id: 'next-hit',
      title: 'Next hit',
      group: 'View',
      keys: ['F3', 'Mod+G'],
      whileTyping: ['F3', 'Mod+G'],
      able: hasHits,
      run: step(1),
    },
    {
      id: 'hit-before',
      title: 'Hit before',
      group: 'View',
      also: 'previous',
      keys: ['Shift+F3', 'Mod+Shift+G'],
      whileTyping: ['Shift+F3', 'Mod+Shift+G'],
      able: hasHits,
      run: step(-1),
    },
    {
      id: 'end-search',
      title: 'End the search',
      group: 'View',
      keys: ['Escape'],
      able: () => search.store.getState().term !== '',
      run: () => search.find('', {}, 0),
    },
  ];
}

/** Where words are printed in the document. */
export const searchFeature: ReaderFeature = {
  name: 'search',
  commands,
  panels: [
    {
      id: SEARCH,
      title: 'Search',
      side: 'roll',
      way: { order: 2 },
      Content: SearchPanel,
    },
  ],
  OnPage: HitsOnPage,
  Over: SearchStrip,
};
