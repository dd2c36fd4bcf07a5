import { router } from 'expo-router';
import { useEffect } from 'react';
import { DeskScreen } from '@/features/desk';
import { keepForOffline } from '@/remote';

export default function DeskRoute() {
  // Not for guests: whoever opens a link once does not keep the whole application.
  useEffect(keepForOffline, []);
  return <DeskScreen onOpen={(id) => router.push({ pathname: '/read/[id]', params: { id } })} />;
}
