import { Hand } from '@/session';
import { type HeldPane, Panes } from './panes';

const pane = (session = { hand: new Hand() }): HeldPane =>
  ({
    session,
    stage: { fitAgain: () => undefined },
    around: (content: unknown) => content,
  }) as never;

test('what is opened beside is gone to as soon as it stands, and the first pane again when it is closed', () => {
  const panes = new Panes();
  panes.enter('first', pane());
  panes.open({ document: null, place: null });
  expect(panes.store.getState().active).toBe('first');
  const leave = panes.enter('beside', pane());
  expect(panes.store.getState().active).toBe('beside');
  panes.close();
  leave();
  expect(panes.store.getState()).toMatchObject({ active: 'first', beside: null });
  expect(panes.store.getState().held.beside).toBeNull();
});

test('what only stands there again is not gone to', () => {
  const panes = new Panes();
  panes.enter('first', pane());
  panes.open({ document: 'other', place: null }, true);
  panes.enter('beside', pane());
  expect(panes.store.getState().active).toBe('first');
});

test('a pane that goes by itself leaves the first one active', () => {
  const panes = new Panes();
  panes.enter('first', pane());
  panes.open({ document: 'other', place: null });
  panes.enter('beside', pane())();
  expect(panes.store.getState().active).toBe('first');
});

test('the instrument in hand is the same in the document one goes on in', () => {
  const [one, other] = [new Hand(), new Hand()];
  const panes = new Panes();
  panes.enter('first', pane({ hand: one }));
  panes.enter('beside', pane({ hand: other }));
  one.choose('eraser');
  panes.activate('beside');
  expect(other.store.getState().current).toBe('eraser');
  other.choose('picker');
  expect(panes.swap()?.session.hand).toBe(one);
  expect(one.store.getState().current).toBe('picker');
});

test('nothing is gone to that does not stand; the divider leaves room for both', () => {
  const panes = new Panes();
  panes.enter('first', pane());
  panes.swap();
  expect(panes.store.getState().active).toBe('first');
  panes.divide(0.01);
  expect(panes.store.getState().share).toBe(0.2);
  panes.divide(2);
  expect(panes.store.getState().share).toBe(0.8);
});
