import { usePenRoll } from '@/session';
import type { Command, ReaderFeature } from '@/shell';
import { LessonCard } from './LessonCard';

const commands = (): readonly Command[] => {
  const { taught, noteTaught } = usePenRoll.getState();
  return [
    {
      id: 'teach-again',
      title: 'Show the hints again',
      group: 'Settings',
      also: 'help lessons tips',
      settings: 40,
      able: () => taught.length > 0,
      run: () => noteTaught(null),
    },
  ];
};

/** What a person is told once, in a sentence, where it first matters. */
export const teachingFeature: ReaderFeature = { name: 'teaching', commands, Over: LessonCard };
