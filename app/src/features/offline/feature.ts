import { takeNewVersion, useOffline } from '@/remote';
import type { ReaderFeature } from '@/shell';

/** A newer version of the application, taken when the person wants it. */
export const offlineFeature: ReaderFeature = {
  name: 'offline',
  commands: ({ session }) => [
    {
      id: 'new-version',
      title: 'Load the newer version',
      group: 'Settings',
      also: 'update upgrade',
      // Nothing is in memory only.
      able: () =>
        useOffline.getState().waiting !== null && session.store.getState().saving === 'kept',
      run: takeNewVersion,
    },
  ],
};
