import { usePenRoll } from '@/session';
import { late, type ReaderFeature } from '@/shell';
import { Pulse } from './Pulse';

const LIST = 'marks';
const AUTHOR = 'author';
const MarkList = late(async () => (await import('./MarkList')).MarkList);
const AuthorSheet = late(async () => (await import('./AuthorSheet')).AuthorSheet);

/** Every mark in a list, and whose they are. */
export const markListFeature: ReaderFeature = {
  name: 'marklist',
  panels: [{ id: LIST, title: 'Marks', side: 'margin', Content: MarkList }],
  dialogs: [{ id: AUTHOR, Content: AuthorSheet }],
  OnPage: Pulse,
  commands: ({ shell }) => {
    const { author } = usePenRoll.getState();
    return [
      {
        id: LIST,
        title: 'List of marks',
        group: 'Marks',
        also: 'find search all',
        icon: 'list',
        keys: ['L'],
        bar: 60,
        on: () => shell.isOpen(LIST),
        run: () => shell.togglePanel('margin', LIST),
      },
      {
        id: AUTHOR,
        title: author === '' ? 'Sign new marks' : `Signed by ${author}`,
        group: 'Settings',
        also: 'name author',
        icon: 'rename',
        run: () => shell.openDialog(AUTHOR),
      },
    ];
  },
};
