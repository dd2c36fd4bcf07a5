import type { Command, Reader, ReaderFeature } from '@/shell';
import { OnWords } from './ChosenWords';
import { HeldWords } from './HeldWords';
import { beginTyped } from './beginTyped';
import { WordPickWriter } from './WordPickWriter';
import { WordWriter } from './WordWriter';

function commands(reader: Reader): readonly Command[] {
  const { session } = reader;
  return [
    {
      id: 'select-words',
      title: 'Select words with the keyboard',
      group: 'Marks',
      also: 'caret text',
      icon: 'word-picker',
      keys: ['S'],
      run: () => void beginTyped(reader),
    },
    {
      id: 'let-words-go',
      title: 'Let the selected words go',
      group: 'Marks',
      keys: ['Escape'],
      hidden: true,
      able: () => session.words.store.getState().parts.length > 0,
      run: () => session.words.choose([]),
    },
  ];
}

/** Selecting and marking words. */
export const wordsFeature: ReaderFeature = {
  name: 'words',
  commands,
  OnPage: OnWords,
  Over: HeldWords,
  instruments: [
    { kinds: ['word-marker'], writer: (reader, tools) => new WordWriter(reader, tools) },
    { kinds: ['word-picker'], writer: (reader, tools) => new WordPickWriter(reader, tools) },
  ],
};
