import { type Command, late, type Reader, type ReaderFeature } from '@/shell';

const ABOUT = 'about';
const AboutSheet = late(async () => (await import('./AboutSheet')).AboutSheet);

const commands = ({ shell }: Reader): readonly Command[] => [
  {
    id: ABOUT,
    title: 'About this document',
    group: 'Document',
    also: 'properties information author dates size kind attachments layers',
    icon: 'about',
    keys: ['I'],
    run: () => shell.openDialog(ABOUT),
  },
];

/** What kind of document it is, what it says of itself, and what lies within it. */
export const aboutFeature: ReaderFeature = {
  name: 'about',
  commands,
  dialogs: [{ id: ABOUT, Content: AboutSheet }],
};
