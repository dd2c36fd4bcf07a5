import type { Reader, ReaderFeature } from '@/shell';
import { leadTo } from './leadTo';

/** Takes a step, and shows what it did. */
function take({ session, stage }: Reader, act: 'undo' | 'redo'): void {
  const { pages } = session.store.getState().document;
  const transaction = session[act]();
  // The stage hears of other pages when React has shown them.
  if (transaction) requestAnimationFrame(() => leadTo(stage, pages, transaction));
}

/** Back through everything that was done, and forth again. */
export const historyFeature: ReaderFeature = {
  name: 'history',
  commands: (reader: Reader) => {
    const { history, writable, begun } = reader.session.store.getState();
    return [
      {
        id: 'undo',
        title: 'Undo',
        group: 'Document',
        icon: 'undo',
        keys: ['Mod+Z'],
        roll: 1,
        able: () => writable && (begun !== null || history.done !== null),
        // Of what is begun the last step, which is no step of the document yet.
        run: () => (begun ? begun.takeBack() : take(reader, 'undo')),
      },
      {
        id: 'redo',
        title: 'Redo',
        group: 'Document',
        also: 'again',
        icon: 'redo',
        keys: ['Mod+Shift+Z', 'Mod+Y'],
        roll: 2,
        able: () => writable && (!begun || begun.redo !== undefined) && history.undone !== null,
        run: () => (begun?.redo ? begun.redo() : take(reader, 'redo')),
      },
    ];
  },
};
