import { router } from 'expo-router';
import { type ComponentProps, useEffect, useState } from 'react';
import { DeskScreen } from '@/features/desk';
import { PhotographForDesk } from '@/features/pictures';
import { SendFromDesk, SentSheet } from '@/features/sending';
import { keepForOffline } from '@/remote';

const open = (id: string): void => router.push({ pathname: '/read/[id]', params: { id } });

export default function DeskRoute() {
  // Not for guests: whoever opens a link once does not keep the whole application.
  useEffect(keepForOffline, []);
  const [isSent, setSent] = useState(false);
  const [photographs, setPhotographs] = useState(false);
  const [leaving, setLeaving] = useState<ComponentProps<typeof SendFromDesk>['document'] | null>(
    null,
  );
  return (
    <>
      <DeskScreen
        onOpen={open}
        onPhotograph={() => setPhotographs(true)}
        onSent={() => setSent(true)}
        onSend={setLeaving}
      />
      {photographs && <PhotographForDesk onOpen={open} onClose={() => setPhotographs(false)} />}
      {leaving && <SendFromDesk document={leaving} onClose={() => setLeaving(null)} />}
      {isSent && <SentSheet onClose={() => setSent(false)} />}
    </>
  );
}
