import type { Happened, ListedMark } from '@marginalis/core/derived';
import { inWords } from './inWords';

const mark = (name: string, text = ''): ListedMark =>
  ({ words: { name, text, sort: '' } }) as ListedMark;
const marks = (...all: ListedMark[]): Happened => ({ did: 'mark', at: 0, who: 'Teo', marks: all });

test('one mark is told by its name and what it says, several by how many of each there are', () => {
  expect(inWords(marks(mark('Text', 'Group B')))).toEqual({
    did: 'made a mark',
    about: 'Text: Group B',
  });
  expect(inWords(marks(mark('Highlight'), mark('Ink'), mark('Ink')))).toEqual({
    did: 'made 3 marks',
    about: 'Ink 2, Highlight 1',
  });
});

test('an answer is told by what it says, what else happens to a note by the note', () => {
  const remarks = [
    { text: 'Why *there*?', madeAt: 1 },
    { text: 'Tides.', madeAt: 2 },
  ];
  const on = (did: 'answer' | 'settle', at: number) =>
    inWords({ did, at, who: '', note: { thread: { remarks } } } as unknown as Happened);
  expect(on('answer', 2)).toEqual({ did: 'answered a note', about: 'Tides.' });
  expect(on('settle', 9)).toEqual({ did: 'settled a note', about: 'Why there?' });
});
