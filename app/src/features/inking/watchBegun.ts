import type { FigurePen } from '@marginalis/core/marks';
import { useSettings } from '@/session';
import type { Reader } from '@/shell';

/**
 * Calls `finish` on what ends a figure that is being drawn: another instrument or shape, something opened over the pages,
 * the window out of sight. Keys go to `onKey` first. Gives what ends the watch.
 */
export function watchBegun(
  { session, shell }: Reader,
  { id, shape }: FigurePen,
  finish: () => void,
  onKey: (e: KeyboardEvent) => void,
): () => void {
  const onHide = (): void => {
    if (document.visibilityState === 'hidden') finish();
  };
  window.addEventListener('keydown', onKey, true);
  document.addEventListener('visibilitychange', onHide);
  const ends = [
    session.hand.store.subscribe((now, before) => {
      if (now.current !== before.current) finish();
    }),
    useSettings.subscribe(({ roll }) => {
      const pen = roll.find((i) => i.id === id);
      if (pen?.kind !== 'figure-pen' || pen.shape !== shape) finish();
    }),
    shell.store.subscribe(({ dialog }) => {
      if (dialog !== null) finish();
    }),
  ];
  return () => {
    window.removeEventListener('keydown', onKey, true);
    document.removeEventListener('visibilitychange', onHide);
    for (const end of ends) end();
  };
}
