import { markChange } from '@marginalis/core/document';
import { lockMarks, removeMarks } from '@marginalis/core/editing';
import { plainPage } from '@marginalis/core/geometry';
import { createStore } from 'zustand/vanilla';
import { wavePath } from '../../../core/testing/hand';
import { done, markOf, pageRefsFor, written } from '../../../core/testing/marks';
import { InHand } from './inHand';
import { openingState, type SessionState } from './sessionState';

const pages = pageRefsFor([plainPage(300, 400)]);
const path = wavePath({ x: 40, y: 100 }, 80, 6, 2);
const document = written(pages, [
  { page: 0, id: 'a', path },
  { page: 0, id: 'b', path },
]);

function held() {
  const store = createStore<SessionState>(() => ({ ...openingState(pages), document }));
  return { store, inHand: new InHand(store) };
}
const picked = ({ store }: ReturnType<typeof held>): string[] => [...store.getState().picked];

test('what is picked is there and free; to pick nothing lays all down', () => {
  const one = held();
  one.store.setState({ document: done(document, lockMarks(document, ['b'], true)) });
  one.inHand.pick(['a', 'b', 'gone']);
  expect(picked(one)).toEqual(['a']);
  one.inHand.pick([]);
  const none = one.store.getState().picked;
  one.inHand.pick(['b']);
  expect(one.store.getState().picked).toBe(none);
});

test('when the document becomes another, what is gone is not held any more', () => {
  const one = held();
  one.inHand.pick(['a', 'b']);
  const before = one.store.getState().picked;
  expect(one.inHand.after(document)).toEqual({ draft: null, picked: before });
  const next = done(document, removeMarks(document, ['a']));
  expect([...(one.inHand.after(next).picked ?? [])]).toEqual(['b']);
});

test('changes are shown one over the other without being done, and are gone when it is over', () => {
  const one = held();
  const a = markOf(document, 'a');
  const faint = { ...a, style: { ...a.style, opacity: 0.2 } };
  one.inHand.preview([markChange(a, faint)]);
  one.inHand.preview([markChange(faint, null)]);
  const { draft } = one.store.getState();
  expect(draft && [...draft.marks.values()][0].size).toBe(1);
  expect(one.store.getState().document).toBe(document);
  // What does not fit what is shown shows what is.
  one.inHand.preview([markChange(a, faint)]);
  expect(one.store.getState().draft).toBeNull();
  one.inHand.preview(null);
});

test('the eye is led to a mark anew each time', () => {
  const one = held();
  one.inHand.point('a');
  const first = one.store.getState().pointed;
  one.inHand.point('a');
  expect(one.store.getState().pointed).not.toBe(first);
  one.inHand.point(null);
  expect(one.store.getState().pointed).toBeNull();
});
