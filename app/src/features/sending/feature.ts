import { late, type ReaderFeature } from '@/shell';
import { askAnswers } from './askAnswers';

const SEND = 'send';
const SENT = 'sent';
const SendSheet = late(async () => (await import('./SendSheet')).SendSheet);
const SentOfThis = late(async () => (await import('./SentOfThis')).SentOfThis);

/** What leaves: the fixed copy and its ways. */
export const sendingFeature: ReaderFeature = {
  name: 'sending',
  dialogs: [
    { id: SEND, Content: SendSheet },
    { id: SENT, Content: SentOfThis },
  ],
  commands: ({ shell, session }) => [
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
    {
      id: SENT,
      title: 'What was sent',
      group: 'Document',
      also: 'links copies list history withdraw opened',
      icon: 'send',
      run: () => shell.openDialog(SENT),
    },
    {
      id: 'guest-answers',
      title: 'Ask for guests’ answers',
      group: 'Document',
      also: 'notes replies link fetch',
      icon: 'send',
      run: () => void askAnswers(session),
    },
  ],
};
