import { createLookWorker, createWorker } from './createWorker';
import { isLookJob, type JobName, type Jobs, type WorkFailure, type WorkReply } from './contract';

export type WorkResult<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly failure: WorkFailure | { readonly kind: 'stopped' } };

export interface Work<T> {
  readonly result: Promise<WorkResult<T>>;
  /** Ends the work at once; its result is a failure of the kind `stopped`. */
  stop(): void;
}

/** Work that says nothing for so long is taken for dead, ms. */
const SILENCE = 120_000;

/** Workers of one kind, of which one waits for the next job. */
class Workers {
  private idle: Worker | null = null;
  private clock: ReturnType<typeof setTimeout> | undefined;

  /** One that waits is ended after so long, ms. */
  constructor(
    private readonly create: () => Worker,
    private readonly patience = Infinity,
  ) {}

  take(): Worker {
    clearTimeout(this.clock);
    const worker = this.idle ?? this.create();
    this.idle = null;
    return worker;
  }

  /** A second that waits would never be ended. */
  giveBack(worker: Worker): void {
    if (this.idle) return worker.terminate();
    this.idle = worker;
    if (this.patience < Infinity)
      this.clock = setTimeout(() => this.take().terminate(), this.patience);
  }
}

const ofPdf = new Workers(() => createWorker());
/** PDFium never gives back the memory that a large file has taken. */
const ofLooks = new Workers(() => createLookWorker(), 60_000);
let count = 0;

/**
 * Gives a job to a worker. A worker that dies, or is silent too long, is replaced; the job then fails
 * with a sentence for people.
 */
export function startWork<J extends JobName>(
  job: J,
  ask: Jobs[J]['ask'],
  onProgress?: (done: number, all: number) => void,
): Work<Jobs[J]['answer']> {
  const workers = isLookJob(job) ? ofLooks : ofPdf;
  const worker = workers.take();
  const id = ++count;
  let finish: (result: WorkResult<Jobs[J]['answer']>, alive: boolean) => void = () => undefined;
  const result = new Promise<WorkResult<Jobs[J]['answer']>>((resolve) => {
    let clock = setTimeout(dead, SILENCE);
    finish = (value, alive) => {
      clearTimeout(clock);
      worker.onmessage = worker.onerror = null;
      if (alive) workers.giveBack(worker);
      else worker.terminate();
      finish = () => undefined;
      resolve(value);
    };
    function dead(): void {
      finish(
        {
          ok: false,
          failure: { kind: 'failed', message: 'The work took too long and was ended. Try again.' },
        },
        false,
      );
    }
    worker.onerror = (e) => {
      e.preventDefault();
      finish(
        {
          ok: false,
          failure: {
            kind: 'failed',
            message: 'The work broke off. This file may be too large or too damaged.',
          },
        },
        false,
      );
    };
    worker.onmessage = ({ data }: MessageEvent<WorkReply>) => {
      if (data.id !== id) return;
      if (data.type === 'progress') {
        clearTimeout(clock);
        clock = setTimeout(dead, SILENCE);
        onProgress?.(data.done, data.all);
      } else if (data.ok) finish({ ok: true, value: data.answer as Jobs[J]['answer'] }, true);
      else finish({ ok: false, failure: data.failure }, true);
    };
    worker.postMessage({ id, job, ask });
  });
  return { result, stop: () => finish({ ok: false, failure: { kind: 'stopped' } }, false) };
}
