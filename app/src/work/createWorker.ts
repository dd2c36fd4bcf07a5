/** Behind functions of their own, so that tests can put others in their place. */
export const createWorker = (): Worker => new Worker(new URL('./pdf.worker.ts', import.meta.url));

export const createLookWorker = (): Worker =>
  new Worker(new URL('./look.worker.ts', import.meta.url));

export const createStrokeWorker = (): Worker =>
  new Worker(new URL('./stroke.worker.ts', import.meta.url));

export const createPrintWorker = (): Worker =>
  new Worker(new URL('./print.worker.ts', import.meta.url));

export const createEquationWorker = (): Worker =>
  new Worker(new URL('./equation.worker.ts', import.meta.url));
