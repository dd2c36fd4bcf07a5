import { emptyDocument } from '@marginalis/core/document';
import {
  addNote,
  answerNote,
  type NoteAbout,
  removeMarks,
  settleNote,
} from '@marginalis/core/editing';
import { plainPage } from '@marginalis/core/geometry';
import { wavePath } from '../../../../core/testing/hand';
import { done, pageRefsFor, written } from '../../../../core/testing/marks';
import { SETTLING } from '../../../../core/testing/settling';
import { notesFor } from './notesFor';

const pages = pageRefsFor([plainPage(400, 800), plainPage(400, 800)]);
const STYLE = { colour: '#1b2a4a', width: 0.8, opacity: 1 };
const note = (id: string, about: NoteAbout, author = 'Ines Mara') => ({
  ...{ id, about, text: `What ${id} says`, style: STYLE, author, madeAt: Date.UTC(2026, 4, 3, 9) },
});
const nameOf = (page: number): string => ['iv', 'v'][page];

test('notes are said with the names of their pages, what they are about, and whose remarks they are', () => {
  let state = written(pages, [{ page: 1, id: 'ink', path: wavePath({ x: 40, y: 100 }, 80, 6, 2) }]);
  state = done(state, addNote(state, note('c', { mark: 'ink' }, '')));
  const words = { page: 'p0', print: SETTLING, range: { from: 0, to: 9 } };
  state = done(state, addNote(state, note('b', words)));
  state = done(state, addNote(state, note('a', { page: 'p0', at: { x: 50, y: 790 } })));
  const thread = state.threads.get('b');
  if (!thread) throw new Error('There is no such note.');
  const answer = { id: 'x', author: 'Teo', text: 'Yes.', madeAt: Date.UTC(2026, 4, 4) };
  state = done(state, answerNote(thread, answer));
  const answered = state.threads.get('b');
  if (!answered) throw new Error('There is no such note.');
  state = done(state, settleNote(answered, 'Teo', Date.UTC(2026, 4, 5)));

  const [a, b, c] = notesFor(state, nameOf);
  expect(a).toMatchObject({
    number: 1,
    about: 'Page iv',
    place: { page: 0, at: { x: 50, y: 790 }, inMargin: false },
    settled: '',
  });
  expect(b.about).toMatch(/^Page iv · “.+”$/u);
  expect(b.place?.inMargin).toBe(true);
  expect(b.remarks.map(({ text }) => text)).toEqual(['What b says', 'Yes.']);
  expect(b.remarks[1].by).toMatch(/^Teo · /u);
  expect(b.settled).toMatch(/^Settled by Teo /u);
  expect(c).toMatchObject({ about: 'Page v', place: { page: 1, inMargin: true } });
  expect(c.remarks[0].by).not.toContain('·');
});

test('a note whose mark is gone is still said, without a place', () => {
  let state = written(pages, [{ page: 0, id: 'ink', path: wavePath({ x: 40, y: 100 }, 80, 6, 2) }]);
  state = done(state, addNote(state, note('a', { mark: 'ink' })));
  state = done(state, removeMarks(state, ['ink']));
  expect(notesFor(state, nameOf)).toMatchObject([
    { number: 1, place: null, about: 'What it was about is gone from the page.' },
  ]);
  expect(notesFor(emptyDocument(pages), nameOf)).toEqual([]);
});
