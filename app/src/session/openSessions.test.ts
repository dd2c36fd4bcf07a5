import { countMarks } from '@marginalis/core/document';
import { drawInk } from '@marginalis/core/editing';
import { FIRST_ROLL } from '@marginalis/core/marks';
import { wavePath, writeAlong } from '../../../core/testing/hand';
import { deskDocument } from '../testing/deskDocument';
import { installFakeTabs, settle } from '../testing/fakeLocks';
import type { DocumentSession } from './documentSession';
import { pagesAsCame } from './pagesAsCame';
import { holdsUnkept, leaveSession, openSession, useOpenSessions } from './openSessions';

const mockRefuse = { now: false };
jest.mock('@/storage', () => {
  const real = jest.requireActual('@/storage');
  return {
    ...real,
    createJournalStore: (id: string) => {
      const store = real.createJournalStore(id);
      const put = (entries: unknown) =>
        mockRefuse.now ? Promise.reject(new Error('QuotaExceededError')) : store.put(entries);
      return { ...store, put };
    },
  };
});

beforeEach(() => {
  mockRefuse.now = false;
  installFakeTabs();
});

let count = 0;
const fresh = () => deskDocument({ id: `open-${count++}` });
const marks = (s: DocumentSession) => countMarks(s.store.getState().document);
const waiting = () => useOpenSessions.getState().waiting;

function write(s: DocumentSession, id: string): boolean {
  const { document } = s.store.getState();
  const samples = writeAlong(wavePath({ x: 50, y: 50 }, 90, 6, 2));
  const page = pagesAsCame(s.desk)[0].id;
  return s.dispatch(drawInk(document, { id, page, instrument: FIRST_ROLL[0], samples, madeAt: 1 }));
}

test('a session that storage refuses is held when it is left, and goes on when it is opened again', async () => {
  const desk = fresh();
  const session = openSession(desk);
  await settle();
  mockRefuse.now = true;
  write(session, 'm1');
  await session.settled();
  expect(holdsUnkept()).toBe(true);
  void leaveSession(session);
  await settle();
  expect(waiting()).toEqual([session]);
  expect(holdsUnkept()).toBe(true);

  const again = openSession(desk);
  expect(again).toBe(session);
  expect([marks(again), again.store.getState().writable]).toEqual([1, true]);
  expect(waiting()).toEqual([]);
  mockRefuse.now = false;
  again.retry();
  await again.settled();
  await settle();
  // It was opened again before everything was stored: it must not have been closed behind its back.
  expect(write(again, 'm2')).toBe(true);
  await leaveSession(again);
  expect(holdsUnkept()).toBe(false);

  const later = openSession(desk);
  await settle();
  expect(marks(later)).toBe(2);
  await leaveSession(later);
});

test('a session that was left ends once storage has taken everything', async () => {
  const desk = fresh();
  const session = openSession(desk);
  await settle();
  mockRefuse.now = true;
  write(session, 'm1');
  await session.settled();
  const left = leaveSession(session);
  await settle();
  mockRefuse.now = false;
  session.retry();
  await left;
  expect(waiting()).toEqual([]);
  const next = openSession(desk);
  await settle();
  expect(next).not.toBe(session);
  expect([marks(next), next.store.getState().writable]).toEqual([1, true]);
  await leaveSession(next);
});

test('two documents are open at once, each with its own pen and its own undo', async () => {
  const [here, there] = [openSession(fresh()), openSession(fresh())];
  await settle();
  expect(useOpenSessions.getState().open).toEqual([here, there]);
  here.hand.choose('marking-pen');
  expect([here.hand.instrument().id, there.hand.instrument().id]).toEqual([
    'marking-pen',
    'fine-pen',
  ]);
  expect([write(here, 'a'), write(there, 'b'), write(there, 'c')]).toEqual([true, true, true]);
  // Another instrument begins anew: what was picked is let go of, in its own document only.
  here.inHand.pick(['a']);
  there.inHand.pick(['b']);
  here.hand.choose('fine-pen');
  expect([here, there].map((one) => one.store.getState().picked.size)).toEqual([0, 1]);
  expect(there.undo()?.label).toBe('Write');
  expect([here, there].map((s) => countMarks(s.store.getState().document))).toEqual([1, 1]);
  expect(here.store.getState().history.undone).toBeNull();
  await Promise.all([leaveSession(here), leaveSession(there)]);
  expect(useOpenSessions.getState().open).toEqual([]);
});
