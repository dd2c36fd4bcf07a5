/** Not every browser says when it is idle. */
export function whenIdle(act: () => void): void {
  if (typeof requestIdleCallback === 'function') requestIdleCallback(act);
  else setTimeout(act, 0);
}
