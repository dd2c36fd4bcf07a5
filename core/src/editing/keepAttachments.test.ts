import { smallPicture } from '../../testing/attachment.ts';
import { done, pageRefsFor } from '../../testing/marks.ts';
import {
  type DocState,
  emptyDocument,
  invertTransaction,
  type Task,
  type Thread,
  type Transaction,
} from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import { addNote, removeNote, setTask, settleNote } from './notes.ts';
import { keepAttachments } from './keepAttachments.ts';

const STYLE = { colour: '#1b2a4a', width: 0.8, opacity: 1 };
const TASK: Task = { kind: '', title: '', who: '', until: null, begun: false };
const empty = emptyDocument(pageRefsFor([plainPage(400, 800)]));
const noted = done(
  empty,
  addNote(empty, {
    id: 'n',
    about: { page: 'p0', at: { x: 50, y: 50 } },
    text: 'Count again',
    style: STYLE,
    author: 'Ines Mara',
    madeAt: 1e12,
  }),
);
const threadOf = (state: DocState): Thread => {
  const thread = state.threads.get('n');
  if (!thread) throw new Error('There is no note.');
  return thread;
};
const whole = (state: DocState, asked: Transaction | null): Transaction => {
  if (!asked) throw new Error('Nothing was to be done.');
  return keepAttachments(state, asked);
};
const carried = done(noted, setTask(threadOf(noted), { ...TASK, picture: 'a' }, smallPicture('a')));

test('a picture comes with its task, stays with it, and another takes its place', () => {
  expect([...carried.attachments.keys()]).toEqual(['a']);
  const begun = setTask(threadOf(carried), { ...TASK, picture: 'a', begun: true });
  expect(done(carried, whole(carried, begun)).attachments).toBe(carried.attachments);
  const settled = settleNote(threadOf(carried), 'Teo', 2e12);
  expect(whole(carried, settled)).toBe(settled);
  const other = setTask(threadOf(carried), { ...TASK, picture: 'b' }, smallPicture('b'));
  const after = done(carried, whole(carried, other));
  expect([...after.attachments.keys()]).toEqual(['b']);
  expect(threadOf(after).task?.picture).toBe('b');
});

test.each([
  ['its task has none any more', (state: DocState) => setTask(threadOf(state), TASK)],
  ['it is no task any more', (state: DocState) => setTask(threadOf(state), null)],
  ['its note goes', (state: DocState) => removeNote(state, threadOf(state))],
])('a picture goes when %s, and is back with it', (_, asked) => {
  const goes = whole(carried, asked(carried));
  const without = done(carried, goes);
  expect(without.attachments.size).toBe(0);
  expect(done(without, invertTransaction(goes)).attachments).toEqual(carried.attachments);
});
