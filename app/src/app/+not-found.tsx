import { router } from 'expo-router';
import { Action, EmptyScreen } from '@/ui';

export default function NotFoundRoute() {
  return (
    <EmptyScreen
      title="There is nothing here"
      text="This address leads to no document and no link."
    >
      <Action mode="contained" onPress={() => router.replace('/')}>
        To the desk
      </Action>
    </EmptyScreen>
  );
}
