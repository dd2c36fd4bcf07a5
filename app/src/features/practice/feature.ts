import { late, type ReaderFeature } from '@/shell';

const PRACTICE = 'practise';
const PracticeSheet = late(async () => (await import('./PracticeSheet')).PracticeSheet);

/** A simulated stylus, for those who have none at hand. */
export const practiceFeature: ReaderFeature = {
  name: 'practice',
  dialogs: [{ id: PRACTICE, Content: PracticeSheet }],
  commands: ({ session, shell }) => [
    {
      id: PRACTICE,
      title: 'Practice hand',
      group: 'Instruments',
      also: 'simulated stylus try demo',
      icon: 'pen',
      settings: 30,
      able: () => session.store.getState().writable,
      run: () => shell.openDialog(PRACTICE),
    },
  ],
};
