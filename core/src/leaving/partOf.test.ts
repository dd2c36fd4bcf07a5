import { smallPicture } from '../../testing/attachment.ts';
import { done, pageRefsFor } from '../../testing/marks.ts';
import { listNotes } from '../derived/index.ts';
import { changeOf, type DocState, emptyDocument } from '../document/index.ts';
import { addNote, addTag, setTask } from '../editing/index.ts';
import { plainPage } from '../geometry/index.ts';
import { noteRecords } from './noteRecords.ts';
import { notesMarkdown } from './notesMarkdown.ts';
import { notesTable } from './notesTable.ts';
import { markedPages, partOf } from './partOf.ts';
import { withoutNotes } from './withoutNotes.ts';

const STYLE = { colour: '#1b2a4a', width: 0.8, opacity: 1 };
const TASK = { kind: 'Check', title: '', who: 'Teo', until: '2031-05-01', begun: false };

function noted(state: DocState, id: string, page: string, text: string): DocState {
  const about = { page, at: { x: 50, y: 50 } };
  return done(
    state,
    addNote(state, { id, about, text, style: STYLE, author: 'Ines Mara', madeAt: 1e12 }),
  );
}
function sample(): DocState {
  let state = emptyDocument(pageRefsFor(Array.from({ length: 4 }, () => plainPage(400, 800))));
  state = noted(state, 'a', 'p0', 'First *of all*');
  state = noted(state, 'b', 'p2', '=1+1');
  const [first] = [...state.threads.values()];
  state = done(state, setTask(first, { ...TASK, picture: 'x' }, smallPicture('x')));
  const second = state.threads.get('b');
  if (!second) throw new Error('There is no note.');
  state = done(state, addTag(state, { id: 't', name: 'Tides', colour: '#0f7566' }, second));
  const bookmark = { page: 'p2', at: null, order: 1, madeAt: 1, title: 'Below' };
  return done(state, {
    label: '',
    changes: [
      changeOf('bookmark', null, { ...bookmark, id: 'top', page: 'p0', parent: null }),
      changeOf('bookmark', null, { ...bookmark, id: 'below', parent: 'top' }),
    ],
  });
}

test('of a part of a document only what is on its pages is there', () => {
  const state = sample();
  expect(markedPages(state)).toEqual([0, 2]);
  const part = partOf(state, [1, 2]);
  expect(part.pages.map(({ id }) => id)).toEqual(['p1', 'p2']);
  expect([...part.threads.keys()]).toEqual(['b']);
  expect(part.attachments.size).toBe(0);
  expect([...part.bookmarks.values()]).toMatchObject([{ id: 'below', parent: null }]);
  expect(listNotes(part)).toMatchObject([{ number: 1, about: { page: 1 } }]);
  const first = partOf(state, [0]);
  expect([...first.attachments.keys()]).toEqual(['x']);
  expect(JSON.stringify([...first.threads, ...first.marks])).not.toContain('1+1');
  expect(partOf(state, [0, 1, 2, 3]).threads).toEqual(state.threads);
});

test('notes alone are told page by page, by whom and when, as a text and as a table', () => {
  const names = ['iv', 'v', 'vi', 'vii'];
  const records = noteRecords(sample(), names);
  const text = notesMarkdown(records, {
    title: 'Tide log',
    when: (time) => new Date(time).toISOString().slice(0, 10),
    task: ({ kind, who }) => `${kind} for ${who}`,
  });
  expect(text.split('\n\n')).toEqual([
    '# Notes on Tide log',
    '## Page iv',
    '### 1',
    'First *of all*',
    '— Ines Mara, 2001-09-09',
    '_Check for Teo_',
    '## Page vi',
    '### 2',
    '\\=1+1',
    '— Ines Mara, 2001-09-09',
    '_Tides_\n',
  ]);
  expect(notesTable(records).split('\r\n').slice(1, 3)).toEqual([
    '1,iv,,First of all,Ines Mara,2001-09-09T01:46:40.000Z,,,,Check,Teo,2031-05-01,,',
    "2,vi,,'=1+1,Ines Mara,2001-09-09T01:46:40.000Z,,,Tides,,,,,",
  ]);
  const empty = partOf(sample(), [1]);
  const none = notesMarkdown(noteRecords(empty, ['v']), {
    title: 'Tide log',
    when: String,
    task: String,
  });
  expect(none).toBe('# Notes on Tide log\n\nThere are none.\n');
});

test('of some pages no label of other notes is kept, and without notes nothing that was said', () => {
  expect(partOf(sample(), [0]).tags.size).toBe(0);
  expect([...partOf(sample(), [2]).tags.keys()]).toEqual(['t']);
  const bare = withoutNotes(sample());
  expect(JSON.stringify([...bare.marks.values()].map((marks) => [...marks.values()]))).toBe(
    '[[],[],[],[]]',
  );
  expect([bare.threads.size, bare.tags.size, bare.attachments.size]).toEqual([0, 0, 0]);
  expect(bare.bookmarks.size).toBe(2);
});
