/** Behind a function of its own, so that tests can put another in its place. */
export const createWorker = (): Worker => new Worker(new URL('./pdf.worker.ts', import.meta.url));
