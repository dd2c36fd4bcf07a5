import type { ReaderFeature } from '@/shell';
import { WordWriter } from './WordWriter';

/** Marking words. */
export const wordsFeature: ReaderFeature = {
  name: 'words',
  instruments: [
    { kinds: ['word-marker'], writer: (reader, tools) => new WordWriter(reader, tools) },
  ],
};
