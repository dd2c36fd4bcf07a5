import { router } from 'expo-router';
import { Button } from 'react-native-paper';
import { EmptyScreen } from '@/ui';

export default function NotFoundRoute() {
  return (
    <EmptyScreen
      title="There is nothing here"
      text="This address leads to no document and no link."
    >
      <Button mode="contained" onPress={() => router.replace('/')}>
        To the desk
      </Button>
    </EmptyScreen>
  );
}
