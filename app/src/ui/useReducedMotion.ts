import { useSyncExternalStore } from 'react';

const wish = (): MediaQueryList => window.matchMedia('(prefers-reduced-motion: reduce)');

function subscribe(listener: () => void): () => void {
  const query = wish();
  query.addEventListener('change', listener);
  return () => query.removeEventListener('change', listener);
}

/** Whether the person asked the system for less movement. */
export const useReducedMotion = (): boolean =>
  useSyncExternalStore(subscribe, () => wish().matches);
