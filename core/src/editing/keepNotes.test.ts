import { done, markOf, pageRefsFor, written } from '../../testing/marks.ts';
import { wavePath } from '../../testing/hand.ts';
import { listNotes } from '../derived/index.ts';
import { applyTransaction, type DocState, invertTransaction } from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import { asNote } from '../kinds/index.ts';
import { moveToPage } from './carry.ts';
import { removeMarks } from './erase.ts';
import { keepNotes } from './keepNotes.ts';
import { addNote, moveNote, type NoteAbout } from './notes.ts';

const pages = pageRefsFor([plainPage(400, 800), plainPage(400, 800)]);
const STYLE = { colour: '#1b2a4a', width: 0.8, opacity: 1 };
const inked = written(pages, [
  { page: 0, id: 'ink', path: wavePath({ x: 40, y: 100 }, 80, 6, 2) },
  { page: 0, id: 'other', path: wavePath({ x: 40, y: 300 }, 80, 6, 2) },
]);
const noted = (state: DocState, id: string, about: NoteAbout): DocState =>
  done(state, addNote(state, { id, about, text: 'Why?', style: STYLE, author: 'Teo', madeAt: 7 }));
const rubbedOut = (state: DocState, ...ids: string[]) => {
  const removal = removeMarks(state, ids);
  if (!removal) throw new Error('Nothing was removed.');
  return keepNotes(state, removal);
};

test('a note whose mark is rubbed out stays at its place and says what was there; one step back brings the mark', () => {
  const state = noted(inked, 'n', { mark: 'ink' });
  const [before] = listNotes(state);
  const whole = rubbedOut(state, 'ink');
  const after = done(state, whole);
  const [note] = listNotes(after);
  expect(note.thread).toMatchObject({ id: 'n', was: 'Ink', remarks: [{ text: 'Why?' }] });
  const sign = asNote(note.about?.mark ?? null);
  expect(sign).toMatchObject({ page: 'p0', author: 'Teo', madeAt: 7, quads: [] });
  expect(sign?.at.x).toBeCloseTo(before.about?.at.x ?? NaN);
  expect(Math.abs((sign?.at.y ?? NaN) - 100)).toBeLessThan(20);
  const back = applyTransaction(after, invertTransaction(whole));
  expect(back.ok && listNotes(back.state)[0]).toMatchObject({
    thread: { mark: 'ink' },
    about: { mark: { id: 'ink' } },
  });
});

test('a sign that is taken off the page takes its note along', () => {
  const state = noted(inked, 'n', { page: 'p1', at: { x: 50, y: 60 } });
  expect(done(state, rubbedOut(state, 'n')).threads.size).toBe(0);
});

test('what concerns no note stays as it is: other marks, marks that go to another page', () => {
  const state = noted(inked, 'n', { mark: 'ink' });
  const removal = removeMarks(state, ['other']);
  expect(removal && keepNotes(state, removal)).toBe(removal);
  const carried = moveToPage(state, ['ink'], 'p1', { x: 100, y: 100 });
  expect(carried && keepNotes(state, carried)).toBe(carried);
});

test('a note that lost its mark is moved to another, and says no more what was there', () => {
  let state = noted(inked, 'n', { mark: 'ink' });
  state = done(state, rubbedOut(state, 'ink'));
  const thread = () => listNotes(state)[0].thread;
  state = done(state, moveNote(state, thread(), { mark: 'other' }, STYLE));
  expect(thread()).toMatchObject({ mark: 'other' });
  expect(thread().was).toBeUndefined();
  expect(() => markOf(state, 'n')).toThrow();
  expect(moveNote(state, thread(), { mark: 'other' }, STYLE)).toBeNull();
  // And to a place of another page, and from there to a place of the first.
  state = done(state, moveNote(state, thread(), { page: 'p1', at: { x: 5, y: 9 } }, STYLE));
  expect(listNotes(state)[0].about).toMatchObject({ page: 1, mark: { at: { x: 5, y: 9 } } });
  state = done(state, moveNote(state, thread(), { page: 'p0', at: { x: 8, y: 9 } }, STYLE));
  expect(listNotes(state)[0].about).toMatchObject({ page: 0, mark: { at: { x: 8, y: 9 } } });
});
