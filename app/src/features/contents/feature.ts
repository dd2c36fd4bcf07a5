import { type Command, late, type Reader, type ReaderFeature } from '@/shell';
import { bookmarkHere } from './bookmarkHere';

const CONTENTS = 'contents';
const ContentsPanel = late(async () => (await import('./ContentsPanel')).ContentsPanel);

const commands = (reader: Reader): readonly Command[] => {
  const { shell, session } = reader;
  return [
    {
      id: CONTENTS,
      title: 'Contents and bookmarks',
      group: 'View',
      also: 'outline chapters sections table',
      icon: 'ways',
      keys: ['C'],
      bar: 40,
      short: 'Contents',
      roomy: true,
      on: () => shell.isOpen(CONTENTS),
      run: () => shell.togglePanel('roll', CONTENTS),
    },
    {
      id: 'bookmark-here',
      title: 'Bookmark this place',
      group: 'View',
      also: 'add flag keep place remember',
      icon: 'flag',
      keys: ['B'],
      able: () => session.store.getState().writable,
      run: () =>
        void bookmarkHere(reader).then((id) => {
          if (id) shell.openPanel('roll', CONTENTS);
        }),
    },
  ];
};

/** The contents of the document, and the person's own bookmarks among them. */
export const contentsFeature: ReaderFeature = {
  name: 'contents',
  commands,
  panels: [
    {
      id: CONTENTS,
      title: 'Contents',
      side: 'roll',
      way: { order: 1 },
      Content: ContentsPanel,
    },
  ],
};
