import { lineWith } from '@marginalis/core/editing';
import { takeKind } from '@/session';
import { type Command, late, type Reader, type ReaderFeature } from '@/shell';
import { askForLine } from './askForLine';
import { CorrectWriter } from './CorrectWriter';
import { CORRECT } from './ids';

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
  ];
};

/** Changing what is printed. */
export const correctingFeature: ReaderFeature = {
  name: 'correcting',
  commands,
  dialogs: [{ id: CORRECT, Content: CorrectSheet }],
  instruments: [{ kinds: ['corrector'], writer: (reader) => new CorrectWriter(reader) }],
};
