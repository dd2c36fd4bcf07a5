import type { Reader, ReaderFeature } from '@/shell';

/** Back through everything that was done, and forth again. */
export const historyFeature: ReaderFeature = {
  name: 'history',
  commands: ({ session }: Reader) => {
    const { history, writable } = session.store.getState();
    return [
      {
        id: 'undo',
        title: 'Undo',
        group: 'Document',
        icon: 'undo',
        keys: ['Mod+Z'],
        able: () => writable && history.done !== null,
        run: session.undo,
      },
      {
        id: 'redo',
        title: 'Redo',
        group: 'Document',
        also: 'again',
        icon: 'redo',
        keys: ['Mod+Shift+Z', 'Mod+Y'],
        able: () => writable && history.undone !== null,
        run: session.redo,
      },
    ];
  },
};
