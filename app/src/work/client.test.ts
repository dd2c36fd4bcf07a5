import type { WorkReply, WorkRequest } from './contract';
import { startWork } from './client';
import { createWorker } from './createWorker';

jest.mock('./createWorker');

/** A worker whose answers the test gives. */
class Stand {
  onmessage: ((e: { data: WorkReply }) => void) | null = null;
  onerror: ((e: { preventDefault(): void }) => void) | null = null;
  terminated = false;
  asked: WorkRequest[] = [];
  postMessage(request: WorkRequest): void {
    this.asked.push(request);
  }
  terminate(): void {
    this.terminated = true;
  }
  answer(part: Record<string, unknown>): void {
    const { id } = this.asked[this.asked.length - 1];
    this.onmessage?.({ data: { id, ...part } as WorkReply });
  }
}

const made: Stand[] = [];
beforeEach(() => {
  (createWorker as jest.Mock).mockImplementation(() => {
    const stand = new Stand();
    made.push(stand);
    return stand;
  });
});
const ask = { bytes: new Uint8Array([1]) };
const last = (): Stand => made[made.length - 1];
/** Ends whatever worker is idle, so that the next job starts with a new one. */
async function freshWorker(): Promise<void> {
  const work = startWork('inspect', ask);
  work.stop();
  await work.result;
}

test('an answer is passed on, and the worker is used again', async () => {
  await freshWorker();
  const first = startWork('inspect', ask);
  last().answer({ type: 'done', ok: true, answer: 'pages' });
  expect(await first.result).toEqual({ ok: true, value: 'pages' });
  const count = made.length;
  const second = startWork('inspect', ask);
  expect(made).toHaveLength(count);
  last().answer({
    type: 'done',
    ok: false,
    failure: { kind: 'refused', reason: 'empty', message: 'Empty.' },
  });
  expect(await second.result).toMatchObject({ ok: false, failure: { reason: 'empty' } });
});

test('two jobs at once get two workers', async () => {
  await freshWorker();
  const before = made.length;
  const a = startWork('inspect', ask);
  const b = startWork('inspect', ask);
  expect(made.length).toBe(before + 2);
  a.stop();
  b.stop();
  expect(made.slice(-2).every((w) => w.terminated)).toBe(true);
});

test('of two that finish, one waits for the next job and the other is ended', async () => {
  await freshWorker();
  const jobs = [startWork('inspect', ask), startWork('inspect', ask), startWork('inspect', ask)];
  const workers = made.slice(-3);
  for (const worker of workers) worker.answer({ type: 'done', ok: true, answer: 'pages' });
  await Promise.all(jobs.map(({ result }) => result));
  expect(workers.filter((w) => !w.terminated)).toHaveLength(1);
  const next = startWork('inspect', ask);
  expect(made.slice(-3)).toEqual(workers);
  next.stop();
});

test('stopping ends the worker at once; what it still says is not heard', async () => {
  await freshWorker();
  const work = startWork('fixedCopy', ask as never);
  const worker = last();
  work.stop();
  expect(await work.result).toEqual({ ok: false, failure: { kind: 'stopped' } });
  expect(worker.terminated).toBe(true);
  expect(worker.onmessage).toBeNull();
});

test('a worker that dies is a failure in words, and is replaced', async () => {
  await freshWorker();
  const work = startWork('inspect', ask);
  const worker = last();
  worker.onerror?.({ preventDefault: () => undefined });
  expect(await work.result).toMatchObject({ ok: false, failure: { kind: 'failed' } });
  expect(worker.terminated).toBe(true);
  startWork('inspect', ask).stop();
  expect(last()).not.toBe(worker);
});

test('silence for two minutes is death, progress is life', async () => {
  await freshWorker();
  jest.useFakeTimers();
  const seen: number[] = [];
  const work = startWork('fixedCopy', ask as never, (done) => seen.push(done));
  for (let i = 1; i <= 5; i++) {
    jest.advanceTimersByTime(100_000);
    last().answer({ type: 'progress', done: i, all: 9 });
  }
  expect(seen).toEqual([1, 2, 3, 4, 5]);
  jest.advanceTimersByTime(121_000);
  jest.useRealTimers();
  expect(await work.result).toMatchObject({ ok: false, failure: { kind: 'failed' } });
});

test('an answer to an earlier job is not taken for this one’s', async () => {
  await freshWorker();
  const work = startWork('inspect', ask);
  last().onmessage?.({ data: { id: -1, type: 'done', ok: true, answer: 'old' } });
  last().answer({ type: 'done', ok: true, answer: 'new' });
  expect(await work.result).toEqual({ ok: true, value: 'new' });
});
