import { router } from 'expo-router';
import { type ComponentProps, useEffect, useState } from 'react';
import { DeskScreen } from '@/features/desk';
import { SendFromDesk, SentSheet } from '@/features/sending';
import { keepForOffline } from '@/remote';

export default function DeskRoute() {
  // Not for guests: whoever opens a link once does not keep the whole application.
  useEffect(keepForOffline, []);
  const [isSent, setSent] = useState(false);
  const [leaving, setLeaving] = useState<ComponentProps<typeof SendFromDesk>['document'] | null>(
    null,
  );
  return (
    <>
      <DeskScreen
        onOpen={(id) => router.push({ pathname: '/read/[id]', params: { id } })}
        onSent={() => setSent(true)}
        onSend={setLeaving}
      />
      {leaving && <SendFromDesk document={leaving} onClose={() => setLeaving(null)} />}
      {isSent && <SentSheet onClose={() => setSent(false)} />}
    </>
  );
}
