import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { DeskScreen } from '@/features/desk';
import { SentSheet } from '@/features/sending';
import { keepForOffline } from '@/remote';

export default function DeskRoute() {
  // Not for guests: whoever opens a link once does not keep the whole application.
  useEffect(keepForOffline, []);
  const [isSent, setSent] = useState(false);
  return (
    <>
      <DeskScreen
        onOpen={(id) => router.push({ pathname: '/read/[id]', params: { id } })}
        onSent={() => setSent(true)}
      />
      {isSent && <SentSheet onClose={() => setSent(false)} />}
    </>
  );
}
