import { countMarks } from '@marginalis/core/document';
import { drawInk } from '@marginalis/core/editing';
import { FIRST_ROLL } from '@marginalis/core/marks';
import { drawnFigure } from '../../../core/testing/drawnFigures';
import { wavePath, writeAlong } from '../../../core/testing/hand';
import { createJournalStore, type DeskDocument } from '@/storage';
import { deskDocument } from '../testing/deskDocument';
import { installFakeTabs, settle } from '../testing/fakeLocks';
import { DocumentSession } from './documentSession';
import { pagesAsCame } from './pagesAsCame';

const mockRefuse = { now: false };
/** Every reading of a journal waits for this while it is there, and is counted. */
const mockReads = { gate: null as Promise<void> | null, count: 0 };
jest.mock('@/storage', () => {
  const real = jest.requireActual('@/storage');
  return {
    ...real,
    createJournalStore: (id: string) => {
      const store = real.createJournalStore(id);
      return {
        ...store,
        readAll: async () => {
          mockReads.count++;
          const texts = await store.readAll();
          await mockReads.gate;
          return texts;
        },
        put: (entries: unknown) =>
          mockRefuse.now ? Promise.reject(new Error('QuotaExceededError')) : store.put(entries),
      };
    },
  };
});

beforeEach(() => {
  mockRefuse.now = false;
  mockReads.gate = null;
  installFakeTabs();
});

let count = 0;
const freshDocument = () => deskDocument({ id: `session-${count++}` });

async function opened(desk: DeskDocument): Promise<DocumentSession> {
  const session = new DocumentSession(desk);
  await settle();
  return session;
}
const state = (s: DocumentSession) => s.store.getState();
const marks = (s: DocumentSession) => countMarks(state(s).document);

function write(
  s: DocumentSession,
  id: string,
  samples = writeAlong(wavePath({ x: 50, y: 50 }, 90, 6, 2)),
): boolean {
  const page = pagesAsCame(s.desk)[0].id;
  return s.dispatch(
    drawInk(state(s).document, { id, page, instrument: FIRST_ROLL[0], samples, madeAt: 1 }),
  );
}

test('what is written is kept: another visit finds it, and can undo it', async () => {
  const desk = freshDocument();
  const session = await opened(desk);
  expect(write(session, 'm1') && write(session, 'm2')).toBe(true);
  expect(state(session).saving).toBe('keeping');
  await session.settled();
  expect(state(session).saving).toBe('kept');
  expect(session.undo()?.label).toBe('Write');
  await session.close();

  const again = await opened(desk);
  expect(marks(again)).toBe(1);
  expect(again.redo()?.label).toBe('Write');
  expect(marks(again)).toBe(2);
  again.undo();
  again.undo();
  expect(marks(again)).toBe(0);
  expect(again.undo()).toBeNull();
  await again.close();
});

test('"kept" is not said before storage has answered, and a refusal is said', async () => {
  const session = await opened(freshDocument());
  mockRefuse.now = true;
  write(session, 'm1');
  await session.settled();
  expect(state(session).saving).toBe('unkept');
  expect(state(session).refused).toBe(true);
  expect(marks(session)).toBe(1);
  mockRefuse.now = false;
  session.retry();
  await session.settled();
  expect(state(session)).toMatchObject({ saving: 'kept', refused: false });
  const store = createJournalStore(session.desk.id);
  expect((await store.readAll()).size).toBe(1);
  await session.close();
});

test('nothing is said to be kept while a stroke is under the pen, nor while it is being finished', async () => {
  const session = await opened(freshDocument());
  const nextFrame = (): Promise<unknown> => new Promise((r) => requestAnimationFrame(r));
  session.strokeInHand.start();
  await nextFrame();
  expect(state(session).saving).toBe('keeping');
  session.strokeInHand.drop();
  expect(state(session).saving).toBe('kept');
  write(session, 'one');
  session.strokeInHand.start();
  await session.settled();
  expect(state(session).saving).toBe('keeping');
  let answer: (value: string | null) => void = () => undefined;
  const finished: (string | null)[] = [];
  session.strokeInHand.finishWhen(
    new Promise<string | null>((resolve) => (answer = resolve)),
    (value) => finished.push(value),
  );
  await session.settled();
  expect(state(session).saving).toBe('keeping');
  answer('a figure');
  await Promise.resolve();
  await Promise.resolve();
  expect(finished).toEqual(['a figure']);
  expect(state(session).saving).toBe('kept');
  write(session, 'two');
  const asked = new Promise<void>((resolve) =>
    session.strokeInHand.askSoon(() => {
      // Whatever is offered is there before anything is said to be kept.
      expect(state(session).saving).toBe('keeping');
      resolve();
    }),
  );
  await asked;
  await session.settled();
  expect(state(session).saving).toBe('kept');
  session.strokeInHand.askSoon(() => finished.push('too late'));
  session.strokeInHand.askNoMore();
  await settle();
  expect(finished).toEqual(['a figure']);
  await session.close();
});

test('a later stroke stores the ones that were refused before it, in order', async () => {
  const desk = freshDocument();
  const session = await opened(desk);
  mockRefuse.now = true;
  write(session, 'm1');
  await session.settled();
  mockRefuse.now = false;
  write(session, 'm2');
  await session.settled();
  await session.close();
  const again = await opened(desk);
  expect(marks(again)).toBe(2);
  expect(state(again).damaged).toBe(0);
  await again.close();
});

test('a second tab only reads, sees what the first writes, and can take the turn', async () => {
  const desk = freshDocument();
  const first = await opened(desk);
  const second = await opened(desk);
  expect(state(second).writable).toBe(false);
  expect(write(second, 'no')).toBe(false);
  write(first, 'm1');
  await first.settled();
  await settle();
  expect(marks(second)).toBe(1);
  second.askForTurn();
  await settle();
  expect(state(first).writable).toBe(false);
  expect(write(second, 'm2')).toBe(true);
  await second.settled();
  await settle();
  expect(marks(first)).toBe(2);
  await second.close();
  await settle();
  expect(state(first).writable).toBe(true);
  await first.close();
});

test('a tab whose storage refuses does not give the turn away and loses nothing', async () => {
  const desk = freshDocument();
  const first = await opened(desk);
  const second = await opened(desk);
  mockRefuse.now = true;
  write(first, 'm1');
  await first.settled();
  second.askForTurn();
  await settle();
  expect(state(first).writable).toBe(true);
  expect(marks(first)).toBe(1);
  expect(state(second).writable).toBe(false);
  await first.close();
  await second.close();
});

/** Lets journals be read on until the function given is called. */
function holdReads(): () => void {
  let open: () => void = () => undefined;
  mockReads.gate = new Promise((resolve) => (open = resolve));
  return () => {
    mockReads.gate = null;
    open();
  };
}

test('a tab that is asked for the turn while it still reads gives it away, and only reads afterwards', async () => {
  const desk = freshDocument();
  const release = holdReads();
  const first = new DocumentSession(desk);
  await settle();
  const second = new DocumentSession(desk);
  await settle();
  second.askForTurn();
  await settle();
  release();
  await settle();
  expect([state(first).writable, state(second).writable]).toEqual([false, true]);
  expect([write(first, 'no'), write(second, 'yes')]).toEqual([false, true]);
  await second.close();
  await first.close();
});

test('a tab that gets the turn while it reads may write, whatever it hears meanwhile', async () => {
  const desk = freshDocument();
  const first = await opened(desk);
  const second = await opened(desk);
  write(first, 'm1');
  await first.settled();
  const release = holdReads();
  // The first dies: the second has the turn, and reads.
  await first.close();
  await settle();
  const third = new DocumentSession(desk);
  await settle();
  release();
  await settle();
  expect([state(second).writable, marks(second)]).toEqual([true, 1]);
  expect([state(third).writable, marks(third)]).toEqual([false, 1]);
  expect(write(second, 'm2')).toBe(true);
  await second.close();
  await third.close();
});

test('a tab that reads along takes over each stroke without reading the journal again', async () => {
  const desk = freshDocument();
  const first = await opened(desk);
  const second = await opened(desk);
  const reads = mockReads.count;
  for (const id of ['a', 'b', 'c']) {
    write(first, id);
    await first.settled();
  }
  first.undo();
  await first.settled();
  await settle();
  expect(marks(second)).toBe(2);
  expect(mockReads.count).toBe(reads);
  // It can go on from there.
  second.askForTurn();
  await settle();
  expect(second.redo()?.label).toBe('Write');
  await second.settled();
  await second.close();
  await first.close();
});

test('what is stored while a tab begins to read along is not missed', async () => {
  const desk = freshDocument();
  const first = await opened(desk);
  const release = holdReads();
  const second = new DocumentSession(desk);
  await settle();
  write(first, 'm1');
  write(first, 'm2');
  await first.settled();
  await settle();
  release();
  await settle();
  expect(marks(second)).toBe(2);
  await first.close();
  await second.close();
});

test('a document that a newer version worked on is read, not written', async () => {
  const desk = freshDocument();
  const session = await opened(desk);
  write(session, 'm1');
  await session.settled();
  await session.close();
  const store = createJournalStore(desk.id);
  await store.put([['record/000000000002', 'm3 9 00000000 {"seq":2}']]);
  const before = await store.readAll();
  const again = await opened(desk);
  expect(state(again)).toMatchObject({ newer: true, writable: false, damaged: 0 });
  expect([marks(again), write(again, 'm2'), again.undo()]).toEqual([1, false, null]);
  await again.close();
  expect(await store.readAll()).toEqual(before);
});

const SETTLE = { upright: true, meet: true };

test('ink that looks like a figure is offered, taken and given back; other ink is not', async () => {
  const session = await opened(freshDocument());
  write(session, 'wave');
  session.offers.considerTidy('wave', 'ask', SETTLE);
  expect(state(session).offer).toBeNull();

  const loop = drawnFigure('circle', 3).strokes[0];
  write(session, 'loop', loop);
  session.offers.considerTidy('loop', 'never', SETTLE);
  expect(state(session).offer).toBeNull();
  session.offers.considerTidy('loop', 'ask', SETTLE);
  expect(state(session).offer).toMatchObject({
    marks: ['loop'],
    taken: null,
    reading: { kind: 'circle' },
  });
  session.offers.take();
  expect(state(session).offer).toBeNull();
  const kind = () => [...state(session).document.marks.values()][0].get('loop')?.kind;
  expect(kind()).toBe('figure');
  session.undo();
  expect(kind()).toBe('ink');

  session.offers.considerTidy('loop', 'always', SETTLE);
  expect(kind()).toBe('figure');
  expect(state(session).offer?.taken).toBe('loop');
  session.offers.take();
  expect(kind()).toBe('ink');
  session.offers.considerTidy('loop', 'ask', SETTLE);
  session.offers.dismiss();
  session.offers.take();
  expect(kind()).toBe('ink');
  await session.close();
});

test('what the eraser would take is shown, not taken', async () => {
  const session = await opened(freshDocument());
  write(session, 'm1');
  session.inHand.doom(new Set(['m1']));
  expect([...state(session).doomed]).toEqual(['m1']);
  expect(marks(session)).toBe(1);
  session.inHand.doom(new Set());
  const none = state(session).doomed;
  session.inHand.doom(new Set());
  expect(state(session).doomed).toBe(none);
  await session.close();
});
