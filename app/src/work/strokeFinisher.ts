import type { FinishedStroke, StrokeWork } from '@marginalis/core/editing';
import { createStrokeWorker } from './createWorker';

export interface StrokeRequest {
  readonly id: number;
  readonly work: StrokeWork;
}

export interface StrokeReply {
  readonly id: number;
  readonly finished: FinishedStroke;
}

/** After so long the worker is given up: what was drawn live stays in sight until then, ms. */
const PATIENCE = 1000;

/** Finishes strokes beside the main thread. */
export class StrokeFinisher {
  private worker: Worker | null = null;
  private count = 0;
  private waiting = new Map<number, (finished: FinishedStroke | null) => void>();

  /** Makes the worker ready before it is needed. */
  start(): void {
    if (this.worker) return;
    const worker = createStrokeWorker();
    worker.onmessage = ({ data }: MessageEvent<StrokeReply>) => this.answer(data.id, data.finished);
    worker.onerror = (e) => {
      e.preventDefault();
      this.stop();
    };
    this.worker = worker;
  }

  /** Null when the worker cannot answer in time, and the caller had better do it. Takes what is packed in the work. */
  finish(work: StrokeWork): Promise<FinishedStroke | null> {
    this.start();
    const id = ++this.count;
    return new Promise((resolve) => {
      this.waiting.set(id, resolve);
      const packed = [work.samples, ...work.before.flat()].map(({ buffer }) => buffer);
      this.worker?.postMessage({ id, work } satisfies StrokeRequest, packed as ArrayBuffer[]);
      setTimeout(() => this.answer(id, null), PATIENCE);
    });
  }

  stop(): void {
    this.worker?.terminate();
    this.worker = null;
    for (const id of [...this.waiting.keys()]) this.answer(id, null);
  }

  private answer(id: number, finished: FinishedStroke | null): void {
    const resolve = this.waiting.get(id);
    this.waiting.delete(id);
    resolve?.(finished);
  }
}
