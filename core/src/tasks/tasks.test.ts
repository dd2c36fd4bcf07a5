import fc from 'fast-check';
import { smallPicture } from '../../testing/attachment.ts';
import { done, pageRefsFor } from '../../testing/marks.ts';
import { listNotes } from '../derived/index.ts';
import { type DocState, emptyDocument, type Task, type Thread } from '../document/index.ts';
import { addNote, addTag, answerNote, removeTag, setTask, settleNote } from '../editing/index.ts';
import { plainPage } from '../geometry/index.ts';
import { isOverdue, listTasks } from './listTasks.ts';
import { type TaskRecord, taskRecords } from './taskRecords.ts';
import { taskCalendar } from './taskCalendar.ts';
import { taskTable } from './taskTable.ts';

const STYLE = { colour: '#1b2a4a', width: 0.8, opacity: 1 };
const empty = emptyDocument(pageRefsFor([plainPage(400, 800), plainPage(400, 800)]));
const task = (more: Partial<Task> = {}): Task => ({
  kind: '',
  title: '',
  who: '',
  until: null,
  begun: false,
  ...more,
});
const threadOf = (state: DocState, id: string): Thread => {
  const thread = state.threads.get(id);
  if (!thread) throw new Error(`There is no note ${id}.`);
  return thread;
};
function noted(state: DocState, id: string, y: number, asked: Task | null, text = id): DocState {
  const about = { page: 'p1', at: { x: 50, y } };
  const next = done(
    state,
    addNote(state, { id, about, text, style: STYLE, author: 'Ines Mara', madeAt: 1e12 }),
  );
  return asked ? done(next, setTask(threadOf(next, id), asked)) : next;
}

const several = (): DocState => {
  let state = noted(empty, 'whenever', 700, task({ title: 'Draw the transect again' }));
  state = noted(state, 'only a note', 650, null);
  state = noted(state, 'late', 600, task({ until: '2031-05-02', who: 'Teo', begun: true }));
  state = noted(state, 'soon', 500, task({ until: '2031-05-01', kind: 'Correction' }));
  state = noted(state, 'over', 400, task({ until: '2031-04-01' }));
  return done(state, settleNote(threadOf(state, 'over'), 'Teo', 2e12));
};

test('tasks stand by the day until when, then those without one, then those that are done', () => {
  const tasks = listTasks(listNotes(several()));
  expect(tasks.map(({ title, state }) => [title, state])).toEqual([
    ['soon', 'to-do'],
    ['late', 'begun'],
    ['Draw the transect again', 'to-do'],
    ['over', 'done'],
  ]);
  const overdue = (today: string) => tasks.map((one) => isOverdue(one, today));
  expect(overdue('2031-05-01')).toEqual([false, false, false, false]);
  expect(overdue('2031-05-02')).toEqual([true, false, false, false]);
});

test('a note becomes a task, another, and none again; what says the same is no change', () => {
  const state = noted(empty, 'n', 50, task({ title: '  Count again ', kind: 'Check' }));
  const thread = threadOf(state, 'n');
  expect(thread.task).toEqual(task({ title: 'Count again', kind: 'Check' }));
  expect(setTask(thread, task({ title: 'Count again ', kind: 'Check' }))).toBeNull();
  const none = done(state, setTask(thread, null));
  expect(threadOf(none, 'n').task).toBeUndefined();
  expect(setTask(threadOf(none, 'n'), null)).toBeNull();
});

test('a note carries labels; a label of a name that is there is that one; one that goes leaves every note', () => {
  let state = noted(noted(empty, 'a', 50, null), 'b', 90, null);
  const tag = (id: string, name: string, on: string) => {
    const made = addTag(state, { id, name, colour: '#0f7566' }, threadOf(state, on));
    if (made) state = done(state, made);
    return made;
  };
  tag('t1', ' Tides ', 'a');
  tag('t2', 'tides', 'b');
  tag('t3', 'Method', 'b');
  expect([...state.tags.values()].map(({ name, order }) => [name, order])).toEqual([
    ['Tides', 1],
    ['Method', 2],
  ]);
  expect(threadOf(state, 'b').tags).toEqual(['t1', 't3']);
  expect(tag('t4', 'TIDES', 'a')).toBeNull();
  expect(tag('t4', '  ', 'a')).toBeNull();
  const tides = state.tags.get('t1');
  state = done(state, tides ? removeTag(state, tides) : null);
  expect([threadOf(state, 'a').tags, threadOf(state, 'b').tags]).toEqual([[], ['t3']]);
});

const records = (state: DocState): TaskRecord[] =>
  taskRecords(listTasks(listNotes(state)), {
    document: 'Rock-pool zones',
    nameOf: (page) => `${page + 1}`,
    tags: state.tags,
    attachments: state.attachments,
  });

test('a task leaves with what it says, its place, its people and its times', () => {
  let state = noted(
    empty,
    'n',
    50,
    task({ who: 'Teo', until: '2031-05-01' }),
    'Count *again*\nAll',
  );
  const answer = { id: 'a', author: 'Teo', text: 'Which?', madeAt: 1.1e12 };
  state = done(state, answerNote(threadOf(state, 'n'), answer));
  const given = addTag(state, { id: 't', name: 'Tides', colour: '#0f7566' }, threadOf(state, 'n'));
  state = done(state, given);
  expect(records(state)).toEqual([
    {
      id: 'n',
      number: 1,
      document: 'Rock-pool zones',
      kind: '',
      title: 'Count again',
      who: 'Teo',
      until: '2031-05-01',
      state: 'to-do',
      page: '2',
      about: '',
      says: 'Count again\nAll\nTeo: Which?',
      picture: null,
      labels: ['Tides'],
      author: 'Ines Mara',
      madeAt: '2001-09-09T01:46:40.000Z',
      changedAt: '2004-11-09T11:33:20.000Z',
      doneAt: '',
    },
  ]);
});

test('a task leaves with its picture: by name in a table, as it is in a calendar', () => {
  const attachment = smallPicture('a');
  const state = noted(empty, 'n', 50, null);
  const carries = setTask(threadOf(state, 'n'), task({ picture: 'a' }), attachment);
  const all = records(done(state, carries));
  const { name, type, data } = attachment;
  expect(all[0].picture).toEqual({ name, type, data });
  expect(taskTable(all)).toContain(',Cutting of page 1,');
  expect(taskCalendar(all, 1e12).replaceAll('\r\n ', '')).toContain(
    `\r\nATTACH;FMTTYPE=image/jpeg;ENCODING=BASE64;VALUE=BINARY:${data}\r\n`,
  );
});

test('in the table what a spreadsheet would reckon with is text, and commas, quotes and lines stay in their cell', () => {
  const [one] = records(noted(empty, 'n', 50, task()));
  const table = taskTable([{ ...one, title: '=1+1', who: 'Mara, "Ines"', says: 'a\nb' }]);
  const [titles, ...rest] = table.slice(1).split('\r\n');
  expect(table.codePointAt(0)).toBe(0xfeff);
  expect(titles.split(',').slice(0, 4)).toEqual(['Number', 'Kind', 'Task', 'Who']);
  expect(rest.join('\r\n')).toContain(`1,,'=1+1,"Mara, ""Ines""",,to-do,2,,"a\nb",`);
});

test('no line of a calendar is longer than 75 octets, whatever tasks say, and unfolded none is lost', () => {
  const [one] = records(noted(empty, 'n', 50, task()));
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 400 }), (says) => {
      const calendar = taskCalendar([{ ...one, says }], 1e12);
      for (const line of calendar.split('\r\n'))
        expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
      const unfolded = calendar.replaceAll('\r\n ', '').split('\r\n');
      const said = unfolded.find((line) => line.startsWith('DESCRIPTION:'))?.slice(12) ?? '';
      const text = said.replace(/\\([\\;,n])/g, (_, sign: string) => (sign === 'n' ? '\n' : sign));

      expect(text).toBe(
        says.replace(/\r\n?/g, '\n').replace(/[\u0000-\u0008\u000B-\u001F\u007F]/g, ''),
      );
    }),
  );
});
