import { applyTransaction, type Transaction } from '@marginalis/core/document';
import { plainPage, type Vec } from '@marginalis/core/geometry';
import { createStore } from 'zustand/vanilla';
import { ellipsePath, wavePath } from '../../../core/testing/hand';
import { markOf, pageRefsFor, written } from '../../../core/testing/marks';
import { Offers } from './offers';
import { NONE, openingState, type SessionState } from './sessionState';

const pages = pageRefsFor([plainPage(400, 600)]);
const SETTLE = { upright: true, meet: true };
const loop = ellipsePath({ x: 200, y: 300 }, 60, 60);

function offering(path: readonly Vec[], writable = true) {
  const document = written(pages, [{ page: 0, id: 'ink', path }]);
  const store = createStore<SessionState>(() => ({ ...openingState(pages), document }));
  const labels: string[] = [];
  const dispatch = (transaction: Transaction | null): boolean => {
    const applied = transaction && applyTransaction(store.getState().document, transaction);
    if (!writable || !applied?.ok) return false;
    labels.push(transaction?.label ?? '');
    store.setState({ document: applied.state });
    return true;
  };
  return { store, labels, offers: new Offers(store, dispatch) };
}
type Offering = ReturnType<typeof offering>;
const kind = ({ store }: Offering): string => markOf(store.getState().document, 'ink').kind;

test('ink that looks like a figure is offered; taken, the figure is in hand', () => {
  const one = offering(loop);
  one.offers.considerTidy('ink', 'ask', SETTLE);
  expect(one.store.getState().offer).toMatchObject({ marks: ['ink'], taken: null });
  expect(kind(one)).toBe('ink');
  one.offers.take();
  expect(kind(one)).toBe('figure');
  expect(one.store.getState()).toMatchObject({ offer: null, picked: new Set(['ink']) });
});

test('taken unasked, the ink can come back, and nothing is in hand then', () => {
  const one = offering(loop);
  one.offers.considerTidy('ink', 'always', SETTLE);
  expect(kind(one)).toBe('figure');
  expect(one.store.getState().offer?.taken).toBe('ink');
  one.offers.take();
  expect(kind(one)).toBe('ink');
  expect(one.store.getState().picked).toBe(NONE);
});

test('where the document cannot be changed an offer taken comes to nothing', () => {
  const one = offering(loop, false);
  one.offers.considerTidy('ink', 'always', SETTLE);
  expect(one.store.getState().offer?.taken).toBeNull();
  one.offers.take();
  expect([kind(one), one.labels]).toEqual(['ink', []]);
});

test('other ink, and ink that is never tidied, is left in peace', () => {
  const wave = offering(wavePath({ x: 60, y: 300 }, 120, 9, 3));
  wave.offers.considerTidy('ink', 'ask', SETTLE);
  expect(wave.store.getState().offer).toBeNull();
  const never = offering(loop);
  never.offers.considerTidy('ink', 'never', SETTLE);
  never.offers.considerTidy('gone', 'ask', SETTLE);
  expect(never.store.getState()).toMatchObject({ offer: null, scratch: null });
});

test('what is dismissed is not taken afterwards', () => {
  const one = offering(loop);
  one.offers.considerTidy('ink', 'ask', SETTLE);
  one.offers.dismiss();
  one.offers.take();
  expect([kind(one), one.labels]).toEqual(['ink', []]);
  const scribble = { stroke: 'ink', page: 'p0', marks: ['ink'], area: [] };
  one.store.setState({ scratch: scribble, doomed: new Set(['ink']) });
  expect(one.offers.none()).toEqual({ offer: null, scratch: null, doomed: NONE });
  one.offers.take();
  expect(one.labels).toEqual(['Strike out']);
});
