import { useSettings } from '@/session';
import type { Command, ReaderFeature } from '@/shell';
import { HintCard } from './HintCard';

const commands = (): readonly Command[] => {
  const { taught, noteTaught } = useSettings.getState();
  return [
    {
      id: 'teach-again',
      title: 'Show the hints again',
      group: 'Settings',
      also: 'help hints tips',
      settings: 40,
      able: () => taught.length > 0,
      run: () => noteTaught(null),
    },
  ];
};

/** What a person is told once, in a sentence, where it first matters. */
export const hintsFeature: ReaderFeature = { name: 'hints', commands, Over: HintCard };
