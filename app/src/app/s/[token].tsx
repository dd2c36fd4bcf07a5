import { useLocalSearchParams } from 'expo-router';
import { late } from '@/shell';

// A guest's first script is the reader's, who has no need of it.
const GuestScreen = late(async () => (await import('@/features/guest')).GuestScreen);

export default function GuestRoute() {
  const { token } = useLocalSearchParams<{ token: string }>();
  return <GuestScreen token={token} />;
}
