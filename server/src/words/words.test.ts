import { meaningSchema } from '@marginalis/core/wire';
import { Standing } from '../../testing/standing.ts';
import { offsetsOf, openLexicon } from './lexicon.ts';

const lexicon = openLexicon();

test('a word has its senses, with examples and words alike', async () => {
  const { senses } = await lexicon.meaning('barnacle');
  expect(senses.length).toBeGreaterThan(1);
  expect(senses[0]).toMatchObject({ lemma: 'barnacle', part: 'noun' });
  expect(senses.map(({ meaning }) => meaning).join()).toMatch(/crustacean/);
  expect((await lexicon.meaning('settle')).senses.flatMap(({ examples }) => examples)).not.toEqual(
    [],
  );
});

test.each([
  ['mice', 'mouse', 'noun'],
  ['Barnacles', 'barnacle', 'noun'],
  ['chose', 'choose', 'verb'],
  ['larvae', 'larva', 'noun'],
  ['rocky', 'rocky', 'adjective'],
  ['slowly', 'slowly', 'adverb'],
  ['neap tide', 'neap tide', 'noun'],
])('“%s” is found as “%s”', async (word, lemma, part) => {
  const { senses } = await lexicon.meaning(word);
  expect(senses.some((one) => one.lemma === lemma && one.part === part)).toBe(true);
});

test('what is no word has no meaning', async () => {
  for (const word of ['zzyzzy', 'a'.repeat(60), 'constructor'])
    expect(Array.isArray((await lexicon.meaning(word)).senses)).toBe(true);
  expect((await lexicon.meaning('zzyzzy')).senses).toEqual([]);
});

test('every lemma of a sorted index is found, and nothing between', () => {
  const lemmas = ["'hood", 'a', 'ab', 'abc', 'b', 'ba', 'z'];
  const index = Buffer.from(
    `  1 licence\n  2 text\n${lemmas.map((l, k) => `${l} n 1 2 @ ~ 1 0 ${k + 100}  `).join('\n')}\n`,
  );
  lemmas.forEach((lemma, k) => expect(offsetsOf(index, lemma)).toEqual([k + 100]));
  for (const none of ['', 'aa', 'abcd', 'zz', '0']) expect(offsetsOf(index, none)).toEqual([]);
  expect(offsetsOf(Buffer.from(''), 'a')).toEqual([]);
});

describe('the server', () => {
  const on = new Standing();
  beforeEach(() => on.open());
  afterEach(() => on.close());

  test('gives what the application believes, and refuses what is no word', async () => {
    const answer = await fetch(`${on.base}/api/words/barnacles`);
    expect(answer.status).toBe(200);
    expect(meaningSchema.isValidSync(await answer.json())).toBe(true);
    for (const no of ['%2e%2e%2fsecret', '12', 'x'.repeat(80), '%00'])
      expect((await fetch(`${on.base}/api/words/${no}`)).status).toBe(400);
  });
});
