import { router } from 'expo-router';
import { DeskScreen } from '@/features/desk';

export default function DeskRoute() {
  return <DeskScreen onOpen={(id) => router.push({ pathname: '/read/[id]', params: { id } })} />;
}
