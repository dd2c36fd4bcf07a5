import type { DocumentSession } from './documentSession';

/** Waits until a document has been read, or could not be. */
export const whenOpened = (session: DocumentSession): Promise<void> =>
  new Promise((resolve) => {
    const look = (): void => {
      if (session.store.getState().phase === 'opening') return;
      unsubscribe();
      resolve();
    };
    const unsubscribe = session.store.subscribe(look);
    look();
  });
