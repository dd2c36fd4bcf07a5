/** How far an arrow key moves what it moves, points; with Shift farther. */
const STEP = 1;
const LEAP = 10;

const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The step an arrow key asks for as seen on the screen, y downwards, points; null for other keys. */
export function arrowStep(e: {
  readonly key: string;
  readonly shiftKey: boolean;
}): { readonly x: number; readonly y: number } | null {
  const way = WAYS[e.key];
  const by = e.shiftKey ? LEAP : STEP;
  return way ? { x: way[0] * by, y: way[1] * by } : null;
}
