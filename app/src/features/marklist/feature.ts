import { late, type ReaderFeature } from '@/shell';
import { NameSetting } from './NameSetting';
import { Pulse } from './Pulse';

const LIST = 'marks';
const MarkList = late(async () => (await import('./MarkList')).MarkList);

/** Every mark in a list, and whose they are. */
export const markListFeature: ReaderFeature = {
  name: 'marklist',
  panels: [
    {
      id: LIST,
      title: 'Marks',
      side: 'margin',
      way: { order: 4 },
      Content: MarkList,
    },
  ],
  Settings: NameSetting,
  OnPage: Pulse,
  commands: ({ shell }) => {
    return [
      {
        id: LIST,
        title: 'List of marks',
        group: 'Marks',
        also: 'find search all',
        icon: 'list',
        keys: ['L'],
        bar: 60,
        short: 'Marks',
        roomy: true,
        on: () => shell.isOpen(LIST),
        run: () => shell.togglePanel('margin', LIST),
      },
    ];
  },
};
