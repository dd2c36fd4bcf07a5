import { done, pageRefsFor } from '../../testing/marks.ts';
import { emptyDocument } from '../document/index.ts';
import { addNote, answerNote, settleNote } from '../editing/index.ts';
import { plainPage } from '../geometry/index.ts';
import { filterNotes } from './filterNotes.ts';
import { listNotes } from './notes.ts';

const STYLE = { colour: '#1f3361', width: 1, opacity: 1 };
const pages = pageRefsFor([plainPage(400, 600), plainPage(400, 600)]);

function documentWithNotes() {
  let state = emptyDocument(pages);
  const add = (id: string, page: string, author: string, text: string, colour = STYLE.colour) => {
    const style = { ...STYLE, colour };
    const about = { page, at: { x: 50, y: 500 } };
    state = done(state, addNote(state, { id, about, text, style, author, madeAt: 1 }));
  };
  add('a', 'p0', 'Ines Mara', 'Which species?');
  add('b', 'p1', 'Teo', 'Épifauna', '#c22f17');
  add('c', 'p1', '', 'Why?');
  const thread = (id: string) => {
    const found = state.threads.get(id);
    if (!found) throw new Error(`There is no ${id}.`);
    return found;
  };
  const answer = { id: 'c.2', author: 'Teo', text: 'For shade.', madeAt: 2 };
  state = done(state, answerNote(thread('c'), answer));
  return done(state, settleNote(thread('a'), 'Teo', 3));
}

test('notes are narrowed by state, author of any remark, ink, page and what they say', () => {
  const notes = listNotes(documentWithNotes());
  const ids = (filter: Parameters<typeof filterNotes>[1]): string =>
    filterNotes(notes, filter)
      .map(({ thread }) => thread.id)
      .join('');
  expect(ids({})).toBe('abc');
  expect(ids({ settled: false })).toBe('bc');
  expect(ids({ settled: true })).toBe('a');
  expect(ids({ author: 'Teo' })).toBe('bc');
  expect(ids({ author: '' })).toBe('c');
  expect(ids({ colour: '#c22f17' })).toBe('b');
  expect(ids({ to: 0 })).toBe('a');
  expect(ids({ from: 1, text: 'epifauna' })).toBe('b');
  expect(ids({ text: 'shade' })).toBe('c');
});
