import { useLocalSearchParams } from 'expo-router';
import { GuestScreen } from '@/features/guest';

export default function GuestRoute() {
  const { token } = useLocalSearchParams<{ token: string }>();
  return <GuestScreen token={token} />;
}
