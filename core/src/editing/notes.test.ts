import { done, markOf, pageRefsFor, written } from '../../testing/marks.ts';
import { SETTLING } from '../../testing/settling.ts';
import { wavePath } from '../../testing/hand.ts';
import { listNotes, notesSaying, signPlace } from '../derived/index.ts';
import {
  applyTransaction,
  type DocState,
  emptyDocument,
  fromPartRecord,
  invertTransaction,
  marksOn,
  type Thread,
  toPartRecord,
} from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import { asInk, asNote, fromMarkRecord, kindFor, toMarkRecord } from '../kinds/index.ts';
import { clearPage, removeMarks } from './erase.ts';
import {
  addNote,
  answerNote,
  type NoteAbout,
  removeAnswer,
  removeNote,
  reopenNote,
  rewordRemark,
  settleNote,
} from './notes.ts';
import { marksAt } from './pick.ts';
import { startRubbing } from './rubbing.ts';

const pages = pageRefsFor([plainPage(400, 800), plainPage(400, 800)]);
const STYLE = { colour: '#1b2a4a', width: 0.8, opacity: 1 };
const stored = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

const note = (id: string, about: NoteAbout, text = 'Why here?') => ({
  id,
  about,
  text,
  style: STYLE,
  author: 'Ines Mara',
  madeAt: 100,
});
const noted = (state: DocState, ...about: Parameters<typeof note>): DocState =>
  done(state, addNote(state, note(...about)));
const threadOf = (state: DocState, id: string): Thread => {
  const thread = state.threads.get(id);
  if (!thread) throw new Error(`There is no note ${id}.`);
  return thread;
};
const empty = emptyDocument(pages);
const inked = written(pages, [{ page: 0, id: 'ink', path: wavePath({ x: 40, y: 100 }, 80, 6, 2) }]);

test('a note on an area keeps its corners, is met along its sides, and stands beside its head', () => {
  const corner = (x: number, y: number) => ({ x, y });
  const area = [corner(50, 300), corner(150, 300), corner(150, 200), corner(50, 200)] as const;
  const state = noted(empty, 'n', { page: 'p0', at: area[0], area });
  const mark = markOf(state, 'n');
  expect(asNote(mark)?.area).toEqual(area);
  expect(fromMarkRecord(stored(toMarkRecord(mark)))).toEqual(mark);
  const met = (x: number, y: number) => marksAt(state, 'p0', { x, y }, 1).map(({ id }) => id);
  expect(met(100, 300)).toEqual(['n']);
  expect(met(50, 250)).toEqual(['n']);
  expect(met(100, 250)).toEqual([]);
  const [{ about }] = listNotes(state);
  expect(about && signPlace(about, pages[0])).toEqual({ at: area[0], inMargin: true });
  expect(() => fromMarkRecord({ ...toMarkRecord(mark), area: [area[0]] })).toThrow();
});

test('a note on words keeps what they say and where they are; both come back from storage', () => {
  const state = noted(empty, 'n', { page: 'p0', print: SETTLING, range: { from: 0, to: 9 } });
  const mark = asNote(markOf(state, 'n'));
  expect(mark?.quote.exact).toBe(SETTLING.text.slice(0, 9).replace(/\n/gu, ' '));
  expect(mark?.quads.length).toBeGreaterThan(0);
  expect(mark?.at).toEqual(mark?.quads[0][0]);
  expect(mark && fromMarkRecord(stored(toMarkRecord(mark)))).toEqual(mark);
  const thread = threadOf(state, 'n');
  expect(thread.remarks).toMatchObject([{ author: 'Ines Mara', text: 'Why here?' }]);
  expect(fromPartRecord('thread', stored(toPartRecord('thread', thread)))).toEqual(thread);
  expect(mark && kindFor(mark).words(mark)).toMatchObject({ name: 'Note', sort: 'note' });
});

test('a note on a mark puts no sign of its own on the page, and leaves the mark when it goes', () => {
  const before = written(pages, [
    { page: 0, id: 'ink', path: wavePath({ x: 40, y: 100 }, 80, 6, 2) },
  ]);
  const state = noted(before, 'n', { mark: 'ink' });
  expect(marksOn(state, 'p0').size).toBe(1);
  const gone = done(state, removeNote(state, threadOf(state, 'n')));
  expect([gone.threads.size, marksOn(gone, 'p0').size]).toEqual([0, 1]);
});

test('a note takes its sign with it, and one step back brings both again', () => {
  const state = noted(empty, 'n', { page: 'p1', at: { x: 50, y: 60 } });
  const removal = removeNote(state, threadOf(state, 'n'));
  const gone = done(state, removal);
  expect([gone.threads.size, marksOn(gone, 'p1').size]).toEqual([0, 0]);
  const back = applyTransaction(gone, invertTransaction(removal));
  expect(back.ok && [back.state.threads.size, marksOn(back.state, 'p1').size]).toEqual([1, 1]);
});

test('what says nothing is no note and no answer; what says the same is no change', () => {
  expect(addNote(empty, note('n', { page: 'p0', at: { x: 1, y: 2 } }, '  \n '))).toBeNull();
  const thread = threadOf(noted(empty, 'n', { page: 'p0', at: { x: 1, y: 2 } }), 'n');
  expect(answerNote(thread, { id: 'a', author: '', text: ' ', madeAt: 1 })).toBeNull();
  expect(rewordRemark(thread, thread.remarks[0], { text: ' Why here? ' }, 5)).toBeNull();
  expect(rewordRemark(thread, thread.remarks[0], { text: '' }, 5)).toBeNull();
  expect(removeAnswer(thread, thread.remarks[0])).toBeNull();
});

test('a note is answered, changed, settled and opened again', () => {
  let state = noted(empty, 'n', { page: 'p0', at: { x: 1, y: 2 } });
  const now = (): Thread => threadOf(state, 'n');
  state = done(state, answerNote(now(), { id: 'a', author: 'Teo', text: ' Tides. ', madeAt: 200 }));
  state = done(state, rewordRemark(now(), now().remarks[0], { text: 'Why there?' }, 300));
  expect(now().remarks).toMatchObject([
    { text: 'Why there?', madeAt: 100, editedAt: 300 },
    { text: 'Tides.', author: 'Teo', editedAt: null },
  ]);
  state = done(state, settleNote(now(), 'Teo', 400));
  expect(now().settled).toEqual({ by: 'Teo', at: 400 });
  state = done(state, reopenNote(now()));
  expect(now().settled).toBeNull();
  state = done(state, removeAnswer(now(), now().remarks[1]));
  expect(now().remarks).toHaveLength(1);
});

test('a note is written with the pen: it needs no text, and its strokes come back from storage', () => {
  const [ink] = [...marksOn(inked, 'p0').values()].flatMap((mark) => asInk(mark) ?? []);
  const about = { page: 'p0', at: { x: 1, y: 2 } };
  let state = done(empty, addNote(empty, { ...note('n', about, ''), ink: [ink] }));
  const now = (): Thread => threadOf(state, 'n');
  expect(now().remarks[0]).toMatchObject({ text: '', ink: [{ id: 'ink' }] });
  expect(fromPartRecord('thread', stored(toPartRecord('thread', now())))).toEqual(now());
  state = done(state, answerNote(now(), { id: 'a', author: '', text: '', ink: [ink], madeAt: 2 }));
  expect(now().remarks[1].ink).toHaveLength(1);
  expect(rewordRemark(now(), now().remarks[0], { text: '', ink: [ink] }, 5)).toBeNull();
  state = done(state, rewordRemark(now(), now().remarks[0], { text: 'Typed now' }, 5));
  expect(now().remarks[0]).toMatchObject({ text: 'Typed now', editedAt: 5 });
  expect(now().remarks[0].ink).toBeUndefined();
  expect(rewordRemark(now(), now().remarks[1], { text: ' ', ink: [] }, 6)).toBeNull();
});

test('notes are numbered in reading order; those whose mark is gone come last', () => {
  let state = noted(empty, 'second', { page: 'p0', at: { x: 50, y: 200 } });
  state = noted(state, 'third', { page: 'p1', at: { x: 50, y: 700 } });
  state = noted(state, 'first', { page: 'p0', at: { x: 50, y: 700 } });
  const listed = () => listNotes(state).map(({ thread, number }) => [number, thread.id]);
  expect(listed()).toEqual([
    [1, 'first'],
    [2, 'second'],
    [3, 'third'],
  ]);
  expect(listNotes(state)).toBe(listNotes(state));
  state = done(state, removeMarks(state, ['first']));
  expect(listed().map(([, id]) => id)).toEqual(['second', 'third', 'first']);
  expect(listNotes(state)[2].about).toBeNull();
});

test.each([0, 90, 180, 270] as const)(
  'a number belongs to where words begin, to the place, or to the head of a mark, on a page turned by %i°',
  (rotate) => {
    const turned = pages.map((page) => ({ ...page, rotate }));
    let state = written(turned, [
      { page: 0, id: 'ink', path: wavePath({ x: 40, y: 100 }, 80, 6, 2) },
    ]);
    state = noted(state, 'a', { mark: 'ink' });
    state = noted(state, 'b', { page: 'p0', at: { x: 50, y: 200 } });
    const words = { page: 'p0', print: SETTLING, range: { from: 0, to: 9 } };
    state = noted(state, 'c', words);
    const placeOf = (id: string) => {
      const about = listNotes(state).find(({ thread }) => thread.id === id)?.about;
      return about && signPlace(about, turned[0]);
    };
    expect(placeOf('b')).toEqual({ at: { x: 50, y: 200 }, inMargin: false });
    const [quad] = asNote(markOf(state, 'c'))?.quads ?? [];
    expect(placeOf('c')).toEqual({
      at: { x: quad[0].x, y: (quad[0].y + quad[2].y) / 2 },
      inMargin: true,
    });
    // Of ink the side that is its head as the page is seen.
    const { minX, minY, maxX, maxY } = kindFor(markOf(state, 'ink')).roughBounds(
      markOf(state, 'ink'),
    );
    const [x, y] = [(minX + maxX) / 2, (minY + maxY) / 2];
    const heads = { 0: [x, maxY], 90: [minX, y], 180: [x, minY], 270: [maxX, y] };
    const head = placeOf('a')?.at;
    expect(head?.x).toBeCloseTo(heads[rotate][0]);
    expect(head?.y).toBeCloseTo(heads[rotate][1]);
  },
);

test('an eraser that goes over a note leaves it', () => {
  const state = noted(empty, 'n', { page: 'p0', at: { x: 50, y: 200 } });
  for (const takes of ['part', 'whole'] as const) {
    const rubbing = startRubbing(state, 'p0', 8, { takes, only: 'everything', colour: '' });
    rubbing.along([
      { x: 20, y: 200 },
      { x: 90, y: 200 },
    ]);
    expect(rubbing.done()).toBeNull();
  }
  expect(clearPage(state, 'p0')).toBeNull();
});

test('notes are found by what they say, answers too, as print is found', () => {
  let state = noted(
    empty,
    'n',
    { page: 'p0', at: { x: 50, y: 200 } },
    'The tide, at Émile’s steps',
  );
  state = noted(state, 'm', { page: 'p0', at: { x: 50, y: 100 } }, 'Nothing of it');
  const answer = { id: 'a', author: '', text: 'TIDES differ', madeAt: 5 };
  state = done(state, answerNote(threadOf(state, 'm'), answer));
  const found = (term: string, how = {}) =>
    notesSaying(listNotes(state), term, how).map(({ note: { thread }, quote }) => [
      thread.id,
      quote.exact,
    ]);
  expect(found('tide')).toEqual([
    ['n', 'tide'],
    ['m', 'TIDE'],
  ]);
  expect(found('tide', { wholeWords: true })).toEqual([['n', 'tide']]);
  expect(found("emile's")).toEqual([['n', 'Émile’s']]);
  expect(found('gull')).toEqual([]);
});
