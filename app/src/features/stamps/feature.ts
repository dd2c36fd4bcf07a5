import { late, type ReaderFeature } from '@/shell';
import { stampAsked } from './asked';
import { STAMPS } from './ids';

const StampSheet = late(async () => (await import('./StampSheet')).StampSheet);

/** What is put on pages again and again. */
export const stampsFeature: ReaderFeature = {
  name: 'stamps',
  commands: ({ session, shell }) => [
    {
      id: STAMPS,
      title: 'Put a stamp on the page',
      group: 'Marks',
      also: 'label seal seen date name sign sticker approve reuse',
      icon: 'stamp',
      forPlace: 'Stamp',
      atPlace: ({ index, at }) => {
        stampAsked.setState({ spot: { index, at } });
        shell.openDialog(STAMPS);
      },
      able: () => session.store.getState().writable,
      run: () => {
        stampAsked.setState({ spot: null });
        shell.openDialog(STAMPS);
      },
    },
  ],
  dialogs: [{ id: STAMPS, Content: StampSheet }],
};
