import { drawInk } from '@marginalis/core/editing';
import { countMarks, emptyDocument } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import { createStore } from 'zustand/vanilla';
import { ellipsePath, writeAlong } from '../../../core/testing/hand';
import { done, pageRefsFor, PEN } from '../../../core/testing/marks';
import { Fingers } from './fingers';
import { Hints } from './hints';
import { useSettings } from './settings';
import { openingState, type SessionState } from './sessionState';

const pages = pageRefsFor([plainPage(400, 600)]);
let hints: Hints;
let fingers: Fingers;
const store = createStore<SessionState>(() => openingState(pages));
const write = (id: string, byFinger: boolean): void => {
  const { document } = store.getState();
  const samples = writeAlong(ellipsePath({ x: 100, y: 100 }, 20, 20), { seed: 1 });
  const ink = { id, page: 'p0', instrument: PEN, samples, madeAt: 1 };
  store.setState({ document: done(document, drawInk(document, ink)) });
  if (byFinger) fingers.noteWrote(id);
};
const told = () => hints.store.getState().told.map(({ id }) => id);

beforeEach(() => {
  useSettings.setState({ fingers: 'found', penSeen: false, taught: [] });
  store.setState({ document: emptyDocument(pages) });
  hints = new Hints();
  fingers = new Fingers(
    hints,
    () => store,
    (transaction) => {
      store.setState({ document: done(store.getState().document, transaction) });
      return true;
    },
  );
});

test('what fingers wrote before the first pen can be taken back, what others wrote stays', () => {
  write('a', true);
  write('b', false);
  write('c', true);
  fingers.seePen();
  const [hint] = hints.store.getState().told;
  hint.ways?.[0].run();
  expect(countMarks(store.getState().document)).toBe(1);
  expect(fingers.fingersWrite()).toBe(false);
});

test('a pen is remembered, and nothing is offered where no finger wrote, nor a second time', () => {
  fingers.seePen();
  expect(useSettings.getState().penSeen).toBe(true);
  expect(told()).toEqual([]);
  write('a', true);
  fingers.seePen();
  expect(told()).toEqual([]);
});

test('fingers go on writing where that is said', () => {
  write('a', true);
  fingers.seePen();
  hints.store.getState().told[0].ways?.[1].run();
  expect(fingers.fingersWrite()).toBe(true);
  useSettings.setState({ fingers: 'move' });
  expect(fingers.fingersWrite()).toBe(false);
});

test('what is told is told once, one after the other, and not where it is known by then', () => {
  fingers.seeTwo();
  fingers.seeTwo();
  hints.teach({ id: 'other', text: '' });
  expect(told()).toEqual(['two-fingers', 'other']);
  hints.close();
  expect(told()).toEqual(['other']);
  fingers.seeTwo();
  hints.know('other');
  expect(told()).toEqual([]);
  useSettings.getState().noteTaught(null);
  fingers.seeTwo();
  expect(told()).toEqual(['two-fingers']);
});
