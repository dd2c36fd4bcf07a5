import { late, type ReaderFeature } from '@/shell';
import { askAnswers } from './askAnswers';
import { SEND, SENT } from './ids';
import { beginFrame } from './region/beginFrame';
import { FrameBar } from './region/FrameBar';
import { FrameOnPage } from './region/FrameOnPage';
import { regionsOf, stopFraming } from './region/regions';

const SendSheet = late(async () => (await import('./SendFromReader')).SendFromReader);
const SentOfThis = late(async () => (await import('./SentOfThis')).SentOfThis);

/** What leaves: the fixed copy and its ways. */
export const sendingFeature: ReaderFeature = {
  name: 'sending',
  dialogs: [
    { id: SEND, Content: SendSheet },
    { id: SENT, Content: SentOfThis },
  ],
  OnPage: FrameOnPage,
  Over: FrameBar,
  commands: ({ shell, session, stage }) => [
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
      id: 'send-part',
      title: 'Send a part of a page',
      group: 'Document',
      also: 'region cut out crop picture clip frame screenshot',
      icon: 'send',
      run: () => beginFrame({ session, stage }),
    },
    {
      id: 'stop-framing',
      title: 'Stop framing',
      group: 'Document',
      keys: ['Escape'],
      hidden: true,
      able: () => regionsOf(session).framed !== undefined,
      run: stopFraming,
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
