import type { Command, Reader, ReaderFeature } from '@/shell';
import { ChosenWords } from './ChosenWords';
import { WordPickWriter } from './WordPickWriter';
import { WordWriter } from './WordWriter';

function commands({ session }: Reader): readonly Command[] {
  return [
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
  OnPage: ChosenWords,
  instruments: [
    { kinds: ['word-marker'], writer: (reader, tools) => new WordWriter(reader, tools) },
    { kinds: ['word-picker'], writer: (reader, tools) => new WordPickWriter(reader, tools) },
  ],
};
