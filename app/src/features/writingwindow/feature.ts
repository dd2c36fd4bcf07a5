import { late, type ReaderFeature } from '@/shell';
import { WIDE_FROM } from '@/ui';
import { Frame } from './Frame';
import { Opener } from './Opener';
import { WINDOW } from './ids';

const WritingWindow = late<{ onGone: () => void }>(
  async () => (await import('./WritingWindow')).WritingWindow,
);

/** On a phone: a strip beneath the page that magnifies the place one writes at, and goes along with the hand. */
export const writingWindowFeature: ReaderFeature = {
  name: 'writingwindow',
  panels: [
    { id: WINDOW, title: 'Writing window', side: 'roll', beneath: true, Content: WritingWindow },
  ],
  Over: Opener,
  OnPage: Frame,
  commands: ({ session, shell }) => [
    {
      id: WINDOW,
      title: 'Writing window',
      group: 'View',
      also: 'magnify zoom small handwriting',
      icon: 'magnify',
      keys: ['W'],
      able: () => window.innerWidth < WIDE_FROM && session.store.getState().writable,
      on: () => shell.isOpen(WINDOW),
      run: () => shell.togglePanel('roll', WINDOW),
    },
  ],
};
