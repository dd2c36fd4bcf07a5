import { done, lineOn, pageRefsFor, written } from '../../testing/marks.ts';
import { quadOf } from '../../testing/quads.ts';
import { addNote, redact } from '../editing/index.ts';
import { box, plainPage } from '../geometry/index.ts';
import { forgetting, phrasesBeneath, withoutPhrases } from './phrases.ts';

const PAGES = pageRefsFor([plainPage(200, 200)]);
const QUAD = quadOf(box(0, 0, 100, 20));

const noted = ['first', 'second'].reduce(
  (state, id) =>
    done(
      state,
      addNote(state, {
        ...{ id, about: { mark: 'line' }, author: '', madeAt: 1 },
        text: id === 'first' ? 'As Ines  Mara says' : 'It is so',
        style: { colour: '#000000', width: 1, opacity: 1 },
      }),
    ),
  written(PAGES, [lineOn(0, 'line')]),
);
const barred = done(
  noted,
  redact(noted, [{ id: 'bar', page: 'p0', quads: [QUAD], says: 'Ines Mara\nof', madeAt: 2 }]),
);

test('a line that a bar hides is a phrase, but for what is everywhere', () => {
  expect(phrasesBeneath(barred)).toEqual(['Ines Mara']);
  expect(phrasesBeneath(noted)).toEqual([]);
});

test('phrases go from texts, whatever their letters’ size and the room between their words', () => {
  const forgets = forgetting(['Ines Mara', 'a+b?']);
  expect(forgets?.('INES\n mara; a+b?')).toBe('…; …');
  expect(forgets?.('Nothing of it')).toBeNull();
  expect(forgetting([])).toBeNull();
});

test('remarks and bookmarks do not say them, all else is as it was', () => {
  expect(withoutPhrases(noted)).toBe(noted);
  const bookmark = {
    ...{ id: 'b', title: 'Of Ines Mara', page: 'p0', at: null, parent: null, order: 0, madeAt: 1 },
  };
  const other = withoutPhrases({ ...barred, bookmarks: new Map([['b', bookmark]]) });
  expect(other.bookmarks.get('b')?.title).toBe('Of …');
  const said = [...other.threads.values()].map(({ remarks: [{ text }] }) => text);
  expect(said).toEqual(['As … says', 'It is so']);
  expect(other.marks).toBe(barred.marks);
});
