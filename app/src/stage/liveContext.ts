/** Desynchronised where the browser has it: what follows the pen need not wait for the page around it. */
export const liveContext = (canvas: HTMLCanvasElement): CanvasRenderingContext2D | null =>
  canvas.getContext('2d', { desynchronized: true });
