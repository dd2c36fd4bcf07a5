import { createMemoryStore } from '../../testing/memoryStore.ts';
import { done, markOf, pageRefsFor } from '../../testing/marks.ts';
import { plainPdf } from '../../testing/pdfs.ts';
import {
  boundsOf,
  centrelinesOf,
  drawingOf,
  isTouched,
  layersOf,
  listMarks,
  marksMeeting,
} from '../derived/index.ts';
import { emptyDocument, invertTransaction, markChange, marksOn } from '../document/index.ts';
import {
  carryMarks,
  duplicateMarks,
  marksAt,
  marksWithin,
  readClip,
  restyleMarks,
  startRubbing,
  copyMarks,
  writeClip,
} from '../editing/index.ts';
import { box, moveBy, plainPage, transform } from '../geometry/index.ts';
import { EMPTY_HISTORY, recordDone } from '../history/index.ts';
import { createJournal } from '../journal/index.ts';
import { makeFixedCopy } from '../pdf/index.ts';
import type * as trial from '../../testing/trialKind.ts';
import type * as table from './table.ts';

// The one line of the table.
jest.mock('./table.ts', () => {
  const actual = jest.requireActual<typeof table>('./table.ts');
  const { PATCH } = jest.requireActual<typeof trial>('../../testing/trialKind.ts');
  Object.assign(actual.KINDS, { patch: PATCH });
  return actual;
});

const pages = pageRefsFor([plainPage(300, 400)]);
const patch = {
  kind: 'patch',
  id: 'patch',
  page: 'p0',
  order: 1,
  madeAt: 1,
  style: { colour: '#0f7566', width: 1, opacity: 0.5 },
  corner: { x: 100, y: 200 },
  side: 40,
} as unknown as table.Mark;
const adding = { label: 'Put a patch', changes: [markChange(null, patch)] };
const state = done(emptyDocument(pages), adding);
const own = (mark: table.Mark): trial.Patch => mark as unknown as trial.Patch;

test('a kind that is a file and a line of the table is drawn, listed and hit', () => {
  expect(layersOf(marksOn(state, 'p0'))).toEqual({ beneath: [], over: drawingOf(patch) });
  expect(boundsOf(patch)).toEqual(box(100, 200, 140, 240));
  expect(listMarks(state)).toMatchObject([{ words: { name: 'Patch', sort: 'patch' }, page: 0 }]);
  expect(marksAt(state, 'p0', { x: 120, y: 220 }, 1)).toEqual([patch]);
  expect(marksAt(state, 'p0', { x: 150, y: 220 }, 1)).toEqual([]);
  expect(marksMeeting(marksOn(state, 'p0'), box(0, 0, 101, 201))).toEqual([patch]);
  expect(isTouched(patch, [{ x: 96, y: 220 }], 5)).toBe(true);
  expect(isTouched(patch, [{ x: 90, y: 220 }], 5)).toBe(false);
  const around = [
    { x: 90, y: 190 },
    { x: 150, y: 190 },
    { x: 150, y: 250 },
    { x: 90, y: 250 },
  ];
  expect(marksWithin(state, 'p0', around)).toEqual([patch]);
  expect(centrelinesOf(patch)).toHaveLength(1);
});

test('it is moved, restyled, copied and rubbed out whole, and all of it is undone', () => {
  const moved = done(state, carryMarks(state, ['patch'], moveBy({ x: 10, y: -20 }), 'Move'));
  expect(own(markOf(moved, 'patch')).corner).toEqual({ x: 110, y: 180 });
  const restyled = done(moved, restyleMarks(moved, ['patch'], { style: { colour: '#c22f17' } }));
  expect(markOf(restyled, 'patch').style).toMatchObject({ colour: '#c22f17', opacity: 0.5 });
  // What a patch lacks is left alone.
  expect(restyleMarks(state, ['patch'], { steadiness: 10, dash: 'dotted' })).toBeNull();
  const twice = done(
    restyled,
    duplicateMarks(restyled, ['patch'], { x: 5, y: 5 }, () => 'other'),
  );
  expect(marksOn(twice, 'p0').size).toBe(2);
  const clip = copyMarks(twice, ['patch']);
  expect(clip && readClip(writeClip(clip)).marks).toEqual(clip?.marks);
  for (const takes of ['whole', 'part'] as const) {
    const rubbing = startRubbing(state, 'p0', 3, { takes, only: 'everything', colour: '' });
    rubbing.along([transform(moveBy({ x: 1, y: 1 }), { x: 120, y: 220 })]);
    const transaction = rubbing.done();
    const gone = done(state, transaction);
    expect(marksOn(gone, 'p0').size).toBe(0);
    const back = done(gone, transaction && invertTransaction(transaction));
    expect(markOf(back, 'patch')).toEqual(patch);
  }
});

test('it is stored, and in the fixed copy', async () => {
  const store = createMemoryStore();
  const journal = createJournal(store, 1);
  await journal.open(pages);
  await journal.append({ seq: 1, client: 'tab', act: 'do', transaction: adding });
  const history = recordDone(EMPTY_HISTORY, { seq: 1, transaction: () => adding });
  await journal.compact(1, state, history);
  const opened = await createJournal(store).open(pages);
  expect(opened.damaged).toBe(0);
  expect(markOf(opened.state, 'patch')).toEqual(patch);
  const copy = await makeFixedCopy(await plainPdf(), opened.state);
  expect(copy.marksDrawn).toBe(1);
});
