import { late, type ReaderFeature } from '@/shell';

const SEND = 'send';
const SendSheet = late(async () => (await import('./SendSheet')).SendSheet);

/** What leaves: the fixed copy and its ways. */
export const sendingFeature: ReaderFeature = {
  name: 'sending',
  dialogs: [{ id: SEND, Content: SendSheet }],
  commands: ({ shell }) => [
    {
      id: SEND,
      title: 'Send',
      group: 'Document',
      also: 'share save download export fixed copy link',
      icon: 'send',
      bar: 90,
      prominent: true,
      run: () => shell.openDialog(SEND),
    },
  ],
};
