import { takeKind } from '@/session';
import type { Command, Reader, ReaderFeature } from '@/shell';
import { redactEverywhere, redactWords } from './redactWords';
import { redactWriter } from './redactWriter';

const commands = ({ session }: Reader): readonly Command[] => {
  const able = (): boolean => session.store.getState().writable;
  const parts = () => session.words.store.getState().parts;
  const ableWords = (): boolean => able() && parts().length > 0;
  const told = (work: Promise<void>): void => {
    session.words.choose([]);
    work.catch((e: unknown) => session.notices.tell(e instanceof Error ? e.message : String(e)));
  };
  const redactor = {
    icon: 'redactor',
    also: 'black out bar hide censor remove secret private redaction',
  } as const;
  return [
    {
      ...redactor,
      id: 'redact',
      title: 'Redact areas and words',
      group: 'Instruments',
      able,
      run: () => takeKind(session, 'redactor'),
    },
    {
      ...redactor,
      id: 'redact-words',
      title: 'Redact the selected words',
      group: 'Marks',
      forWords: 'Redact',
      able: ableWords,
      run: () => told(redactWords(session, parts())),
    },
    {
      ...redactor,
      id: 'redact-everywhere',
      title: 'Redact the selected words everywhere',
      group: 'Marks',
      forWords: 'Redact everywhere',
      able: () => ableWords() && parts().length === 1,
      run: () => told(redactEverywhere(session, parts()[0])),
    },
  ];
};

/** What must not leave: bars on the screen, nothing beneath them in copies. */
export const redactingFeature: ReaderFeature = {
  name: 'redacting',
  commands,
  instruments: [{ kinds: ['redactor'], writer: redactWriter }],
};
