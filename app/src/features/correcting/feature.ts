import { lineWith } from '@marginalis/core/editing';
import { takeKind } from '@/session';
import { type Command, late, type Reader, type ReaderFeature } from '@/shell';
import { isAsItCame, isCorrected, seeAsItCame } from './asItCame';
import { askForLine } from './askForLine';
import { CorrectWriter } from './CorrectWriter';
import { CORRECT } from './ids';
import { typeLikePrint } from './typeLikePrint';

const CorrectSheet = late(async () => (await import('./CorrectSheet')).CorrectSheet);

const commands = (reader: Reader): readonly Command[] => {
  const { session } = reader;
  const able = (): boolean => session.store.getState().writable;
  return [
    {
      id: 'correct-print',
      title: 'Correct the print',
      group: 'Instruments',
      also: 'change printed words edit text typo mistake corrector',
      icon: 'corrector',
      able,
      run: () => takeKind(session, 'corrector'),
    },
    {
      id: 'correct-words',
      title: 'Correct the line of the selected words …',
      group: 'Marks',
      also: 'change printed words edit text typo mistake',
      icon: 'corrector',
      forWords: 'Correct',
      able: () => able() && session.words.store.getState().parts.length > 0,
      run: () => {
        const [part] = session.words.store.getState().parts;
        const { pages } = session.store.getState().document;
        const page = pages.find(({ id }) => id === part?.page);
        const line = part && lineWith(part.print, part.range.from);
        if (!page || !line) return;
        session.words.choose([]);
        askForLine(reader, page, part.print, line).catch((e: unknown) =>
          session.notices.tell(e instanceof Error ? e.message : String(e)),
        );
      },
    },
    {
      id: 'as-it-came',
      title: 'See the print as it came',
      group: 'View',
      also: 'original before corrections compare beside',
      icon: 'view',
      able: () => isCorrected(session),
      on: () => isAsItCame(session),
      run: () => seeAsItCame(session),
    },
    {
      id: 'type-like-print',
      title: 'Type in the look of the selected words',
      group: 'Marks',
      also: 'font face size colour same as print match',
      icon: 'text-box',
      forWords: 'Type like this',
      able: () => able() && session.words.store.getState().parts.length > 0,
      run: () => {
        const [part] = session.words.store.getState().parts;
        session.words.choose([]);
        typeLikePrint(reader, part).catch((e: unknown) =>
          session.notices.tell(e instanceof Error ? e.message : String(e)),
        );
      },
    },
  ];
};

/** Changing what is printed. */
export const correctingFeature: ReaderFeature = {
  name: 'correcting',
  commands,
  dialogs: [{ id: CORRECT, Content: CorrectSheet }],
  instruments: [{ kinds: ['corrector'], writer: (reader) => new CorrectWriter(reader) }],
};
