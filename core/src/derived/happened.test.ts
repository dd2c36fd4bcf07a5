import { done, markOf, pageRefsFor, written } from '../../testing/marks.ts';
import { wavePath } from '../../testing/hand.ts';
import { type DocState, markChange, type Thread } from '../document/index.ts';
import { addNote, answerNote, rewordRemark, settleNote } from '../editing/index.ts';
import { plainPage } from '../geometry/index.ts';
import { happenedIn } from './happened.ts';

const MINUTE = 60_000;
const pages = pageRefsFor([plainPage(400, 800), plainPage(400, 800)]);
const threadOf = (state: DocState): Thread => [...state.threads.values()][0];

/** Ink on pages, by whom and when. */
function inked(...strokes: readonly (readonly [page: number, by: string, at: number])[]): DocState {
  const state = written(
    pages,
    strokes.map(([page], k) => ({
      page,
      id: `ink${k}`,
      path: wavePath({ x: 40, y: 100 + 20 * k }, 80, 6, 2),
    })),
  );
  return strokes.reduce((now, [, author, madeAt], k) => {
    const mark = markOf(now, `ink${k}`);
    return done(now, {
      label: 'Sign',
      changes: [markChange(mark, { ...mark, author, madeAt })],
    });
  }, state);
}

test('notes are told remark by remark, the last first', () => {
  const about = { page: 'p1', at: { x: 50, y: 60 } };
  const style = { colour: '#1b2a4a', width: 0.8, opacity: 1 };
  let state = inked();
  state = done(
    state,
    addNote(state, { id: 'n', about, text: 'Why?', style, author: 'Ines Mara', madeAt: 10 }),
  );
  const answer = { id: 'a', author: 'Teo', text: 'Tides.', madeAt: 20 };
  state = done(state, answerNote(threadOf(state), answer));
  state = done(
    state,
    rewordRemark(threadOf(state), threadOf(state).remarks[0], { text: 'Why there?' }, 30),
  );
  state = done(state, settleNote(threadOf(state), 'Teo', 40));
  expect(happenedIn(state).map(({ at, who, did }) => [at, who, did])).toEqual([
    [40, 'Teo', 'settle'],
    [30, 'Ines Mara', 'reword'],
    [20, 'Teo', 'answer'],
    [10, 'Ines Mara', 'note'],
  ]);
});

test('marks by one hand on one page, soon after each other, are told as one, at the time of the last', () => {
  const state = inked(
    [0, 'Teo', 0],
    [0, 'Ines Mara', MINUTE],
    [0, 'Teo', 5 * MINUTE],
    [1, 'Teo', 6 * MINUTE],
    [0, 'Teo', 14 * MINUTE],
    [0, 'Teo', 40 * MINUTE],
  );
  const told = happenedIn(state).map((one) => [
    one.at / MINUTE,
    one.who,
    one.did === 'mark' && [one.marks[0].page, one.marks.length],
  ]);
  expect(told).toEqual([
    [40, 'Teo', [0, 1]],
    [14, 'Teo', [0, 3]],
    [6, 'Teo', [1, 1]],
    [1, 'Ines Mara', [0, 1]],
  ]);
});
