import { useState } from 'react';
import { takeNewVersion, useOffline } from '@/remote';
import { useOpenSessions } from '@/session';
import { Action, Notice } from '@/ui';

/** A newer version of the application waits; it is offered, and taken when the person wants it. */
export function NewVersion() {
  const waiting = useOffline((s) => s.waiting);
  // Changes that are only in this tab would be lost.
  const holds = useOpenSessions((s) => s.waiting.length > 0);
  const [later, setLater] = useState(false);
  if (!waiting || holds || later) return null;
  return (
    <Notice text="A newer version of Marginalis is here." onClose={() => setLater(true)}>
      <Action onPress={takeNewVersion}>Load it now</Action>
    </Notice>
  );
}
