import { Worker } from 'node:worker_threads';
import { CannotDraw, type PageArtist, TooBusy } from './artist.ts';
import type { Done, Job, Work } from './work.ts';

/** What a file may take before it is given up, ms. */
const PATIENCE = 20_000;
/** So many may wait; whoever comes after is asked to come again. */
const MOST_WAITING = 64;

interface Waiting {
  readonly job: Job;
  settle(done: Done): void;
  fail(error: Error): void;
}

/**
 * An artist that draws in a worker, one thing after the other; one that dies or does not end is replaced by another.
 * `program` is where `artist.mjs` is; `report` is told what a worker died of.
 */
export function startArtist(
  program: URL,
  report: (error: unknown) => void,
  { patience = PATIENCE, mostWaiting = MOST_WAITING } = {},
): PageArtist {
  let worker: Worker | null = null;
  let waiting: Waiting[] = [];
  let busy: Waiting | null = null;
  let timer: NodeJS.Timeout | undefined;
  let count = 0;
  let isClosed = false;

  function hire(): Worker {
    const mine = new Worker(program);
    // Nobody waits for an idle worker when the server ends.
    mine.unref();
    mine.on('message', (done: Done) => {
      if (mine !== worker || done.id !== busy?.job.id) return;
      if (done.isWorn) {
        worker = null;
        void mine.terminate();
      }
      over((one) => one.settle(done));
    });
    mine.on('error', (error) => {
      report(error);
      if (mine === worker) dismiss();
    });
    mine.on('exit', () => mine === worker && dismiss());
    return mine;
  }
  function over(how: (one: Waiting) => void): void {
    clearTimeout(timer);
    const done = busy;
    busy = null;
    if (done) how(done);
    next();
  }
  function dismiss(): void {
    const mine = worker;
    worker = null;
    void mine?.terminate();
    over((one) => one.fail(new CannotDraw('This page cannot be drawn.')));
  }
  function next(): void {
    if (busy || isClosed) return;
    busy = waiting.shift() ?? null;
    if (!busy) return;
    worker ??= hire();
    worker.postMessage(busy.job);
    timer = setTimeout(dismiss, patience);
  }
  const ask = <K extends keyof Work>(what: K, asked: Work[K]['ask']): Promise<Work[K]['answer']> =>
    new Promise((resolve, reject) => {
      if (isClosed || waiting.length >= mostWaiting)
        return reject(new TooBusy('Too much waits to be drawn.'));
      waiting.push({
        job: { id: count++, what, ask: asked } as Job,
        settle: (done) =>
          'trouble' in done
            ? reject(new CannotDraw(done.trouble))
            : resolve(done.answer as Work[K]['answer']),
        fail: reject,
      });
      next();
    });
  return {
    sizes: (file) => ask('sizes', { file }),
    picture: (asked) => ask('picture', asked),
    words: (file, index) => ask('words', { file, index }),
    async close() {
      isClosed = true;
      clearTimeout(timer);
      for (const one of [...(busy ? [busy] : []), ...waiting])
        one.fail(new TooBusy('The server is ending.'));
      waiting = [];
      busy = null;
      await worker?.terminate();
      worker = null;
    },
  };
}
