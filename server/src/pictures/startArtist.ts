import { type ChildProcess, fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
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
 * An artist that draws in a process of its own, one thing after the other; one that dies or does not end is replaced by
 * another.
 * `program` is where `artistProcess.mjs` is; `report` is told what one died of.
 */
export function startArtist(
  program: URL,
  report: (error: unknown) => void,
  { patience = PATIENCE, mostWaiting = MOST_WAITING } = {},
): PageArtist {
  let drawing: ChildProcess | null = null;
  let waiting: Waiting[] = [];
  let busy: Waiting | null = null;
  let timer: NodeJS.Timeout | undefined;
  let count = 0;
  let isClosed = false;

  function hire(): ChildProcess {
    const mine = fork(fileURLToPath(program), {
      // Bytes as they are.
      serialization: 'advanced',
      // It reads what strangers have sent, and is told none of the server's secrets.
      env: {},
      execArgv: [],
    });
    // Nobody waits for an idle one when the server ends.
    mine.unref();
    mine.channel?.unref();
    mine.on('message', (done: Done) => {
      if (mine !== drawing || done.id !== busy?.job.id) return;
      if (done.isWorn) letGo();
      over((one) => one.settle(done));
    });
    mine.on('error', (error) => {
      report(error);
      if (mine === drawing) dismiss();
    });
    mine.on('exit', (code, signal) => {
      if (mine !== drawing) return;
      report(new Error(`What draws pages has ended: ${signal ?? code}.`));
      dismiss();
    });
    return mine;
  }
  function letGo(): void {
    const mine = drawing;
    drawing = null;
    mine?.kill('SIGKILL');
  }
  function over(how: (one: Waiting) => void): void {
    clearTimeout(timer);
    const done = busy;
    busy = null;
    if (done) how(done);
    next();
  }
  function dismiss(): void {
    letGo();
    over((one) => one.fail(new CannotDraw('This page cannot be drawn.')));
  }
  function next(): void {
    if (busy || isClosed) return;
    busy = waiting.shift() ?? null;
    if (!busy) return;
    drawing ??= hire();
    drawing.send(busy.job);
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
    close() {
      isClosed = true;
      clearTimeout(timer);
      for (const one of [...(busy ? [busy] : []), ...waiting])
        one.fail(new TooBusy('The server is ending.'));
      waiting = [];
      busy = null;
      letGo();
    },
  };
}
