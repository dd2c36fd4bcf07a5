import { createStore } from 'zustand/vanilla';
import { Notices } from './notices';
import { openingState, type SessionState } from './sessionState';

function told() {
  const store = createStore<SessionState>(() => openingState([]));
  const keeper = { waits: 0, isWriting: false, isRefused: false };
  const stroke = { isBusy: false };
  const notices = new Notices(
    store,
    () => keeper,
    () => stroke,
  );
  let times = 0;
  store.subscribe(() => times++);
  const say = (): string => {
    notices.saving();
    return store.getState().saving;
  };
  return { store, keeper, stroke, notices, say, times: () => times };
}

test('kept is said only when nothing waits and no ink is under the pen', () => {
  const { keeper, stroke, say, store } = told();
  expect(say()).toBe('kept');
  stroke.isBusy = true;
  expect(say()).toBe('keeping');
  Object.assign(stroke, { isBusy: false });
  Object.assign(keeper, { waits: 2, isWriting: true });
  expect(say()).toBe('keeping');
  Object.assign(keeper, { isWriting: false, isRefused: true });
  expect(say()).toBe('unkept');
  expect(store.getState().refused).toBe(true);
  Object.assign(keeper, { waits: 0 });
  expect(say()).toBe('kept');
  expect(store.getState().refused).toBe(false);
});

test('the interface is told only what it has not been told', () => {
  const { keeper, say, times } = told();
  say();
  expect(times()).toBe(0);
  keeper.waits = 1;
  keeper.isWriting = true;
  say();
  say();
  expect(times()).toBe(1);
});

test('trouble stands until it is put away; a task until it is over', () => {
  const { store, notices } = told();
  notices.tell('It did not work.');
  notices.setTask({ text: 'Reading', stop: () => undefined });
  expect(store.getState()).toMatchObject({
    trouble: 'It did not work.',
    task: { text: 'Reading' },
  });
  notices.forgetTrouble();
  notices.setTask(null);
  expect(store.getState()).toMatchObject({ trouble: null, task: null });
});
