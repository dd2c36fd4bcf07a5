import type { HandReading, InkSample } from '@marginalis/core/ink';
import { createHandWorker } from './createWorker';

export interface HandRequest {
  readonly id: number;
  readonly samples: readonly InkSample[];
}

export interface HandReply {
  readonly id: number;
  readonly hand: HandReading;
}

/** Longer than this nobody waits for their ink, ms. */
const PATIENCE = 200;

/** Reads the hand of finished strokes beside the main thread. */
export class HandReader {
  private worker: Worker | null = null;
  private count = 0;
  private waiting = new Map<number, (hand: HandReading | null) => void>();

  /** Makes the worker ready before it is needed. */
  start(): void {
    if (this.worker) return;
    const worker = createHandWorker();
    worker.onmessage = ({ data }: MessageEvent<HandReply>) => this.answer(data.id, data.hand);
    worker.onerror = (e) => {
      e.preventDefault();
      this.stop();
    };
    this.worker = worker;
  }

  /** The hand that wrote the samples; null when the worker cannot tell in time, and the caller had better read it. */
  read(samples: readonly InkSample[]): Promise<HandReading | null> {
    this.start();
    const id = ++this.count;
    return new Promise((resolve) => {
      this.waiting.set(id, resolve);
      this.worker?.postMessage({ id, samples } satisfies HandRequest);
      setTimeout(() => this.answer(id, null), PATIENCE);
    });
  }

  stop(): void {
    this.worker?.terminate();
    this.worker = null;
    for (const id of [...this.waiting.keys()]) this.answer(id, null);
  }

  private answer(id: number, hand: HandReading | null): void {
    const resolve = this.waiting.get(id);
    this.waiting.delete(id);
    resolve?.(hand);
  }
}
