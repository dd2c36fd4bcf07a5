import { type EquationOutline, EquationRefusal, type TexPlace } from '@marginalis/core/equations';
import { createEquationWorker } from './createWorker';

export interface EquationRequest {
  readonly tex: string;
  /** It stands in a line of text. */
  readonly isInline: boolean;
}

export type EquationReply =
  | { readonly is: 'ready' }
  | { readonly is: 'set'; readonly outline: EquationOutline }
  | { readonly is: 'refused'; readonly message: string; readonly place: TexPlace | null }
  | { readonly is: 'failed'; readonly message: string };

/** An equation takes some hundredths of a second; what takes so long is made to take for ever, ms. */
const PATIENCE = 4000;
/** What sets equations is some megabytes, and may come over a slow line, ms. */
const PATIENCE_TO_START = 60_000;
const TOO_LONG = new EquationRefusal(
  'This takes too long to be set. Does a command in it stand for itself?',
);
const NOT_STARTED = new EquationRefusal(
  'What sets equations could not be loaded. Is there a connection?',
);
const BROKE_OFF = new EquationRefusal('Setting this equation broke off. It may be too large.');
/** So many equations are kept as they were set. */
const KEPT = 300;

interface Asked extends EquationRequest {
  readonly key: string;
  resolve(outline: EquationOutline): void;
  reject(error: Error): void;
}

/** Sets equations in a worker, one at a time; one that takes too long is given up, and the worker with it. */
export class EquationSetter {
  private worker: Worker | null = null;
  private isReady = false;
  private current: Asked | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly queue: Asked[] = [];
  private readonly kept = new Map<string, Promise<EquationOutline>>();

  /** Rejects with an {@link EquationRefusal}, whose message is for people. */
  set(tex: string, isInline = false): Promise<EquationOutline> {
    const key = `${isInline ? 'inline' : 'display'} ${tex}`;
    const known = this.kept.get(key);
    if (known) return known;
    const promise = new Promise<EquationOutline>((resolve, reject) => {
      this.queue.push({ tex, isInline, key, resolve, reject });
    });
    this.kept.set(key, promise);
    // What failed is tried again when it is asked for again.
    promise.catch(() => this.kept.delete(key));
    if (this.kept.size > KEPT) this.kept.delete([...this.kept.keys()][0]);
    this.next();
    return promise;
  }

  /** Gives up what nobody waits for any more: all that is asked for and not begun. */
  forget(tex: string, isInline = false): void {
    const at = this.queue.findIndex((one) => one.tex === tex && one.isInline === isInline);
    if (at < 0) return;
    const [one] = this.queue.splice(at, 1);
    one.reject(new EquationRefusal('This equation is no longer wanted.'));
  }

  private next(): void {
    if (this.current || this.queue.length === 0) return;
    const worker = this.worker ?? this.start();
    if (!this.isReady) return;
    this.current = this.queue.shift() ?? null;
    if (!this.current) return;
    const { tex, isInline } = this.current;
    worker.postMessage({ tex, isInline } satisfies EquationRequest);
    this.timer = setTimeout(() => this.giveUp(TOO_LONG), PATIENCE);
  }

  private start(): Worker {
    const worker = createEquationWorker();
    worker.onmessage = ({ data }: MessageEvent<EquationReply>) => this.hear(data);
    worker.onerror = (e) => {
      e.preventDefault();
      this.giveUp(this.isReady ? BROKE_OFF : NOT_STARTED);
    };
    this.timer = setTimeout(() => this.giveUp(NOT_STARTED), PATIENCE_TO_START);
    this.worker = worker;
    return worker;
  }

  private hear(reply: EquationReply): void {
    clearTimeout(this.timer);
    if (reply.is === 'ready') this.isReady = true;
    else {
      const { current } = this;
      this.current = null;
      if (reply.is === 'set') current?.resolve(reply.outline);
      else if (reply.is === 'refused')
        current?.reject(new EquationRefusal(reply.message, reply.place));
      else current?.reject(new EquationRefusal(`This cannot be set: ${reply.message}`));
    }
    this.next();
  }

  private giveUp(error: Error): void {
    clearTimeout(this.timer);
    this.worker?.terminate();
    this.worker = null;
    const wasReady = this.isReady;
    this.isReady = false;
    const { current } = this;
    this.current = null;
    current?.reject(error);
    // Where it cannot be started nothing can be set.
    if (!wasReady) for (const one of this.queue.splice(0)) one.reject(error);
    this.next();
  }
}

/** One for the whole application: what it keeps is good anywhere. */
export const equationSetter = new EquationSetter();
