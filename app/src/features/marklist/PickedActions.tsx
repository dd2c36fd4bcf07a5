import { StyleSheet, View } from 'react-native';
import { useReader } from '@/shell';
import { Action, paperIcon } from '@/ui';

/** What can be done with all that is picked, wherever it lies. */
export function PickedActions({ count }: { count: number }) {
  const reader = useReader();
  const commands = reader.commands().filter(({ forPicked }) => forPicked !== undefined);
  return (
    <View style={styles.row} role="group" aria-label={`${count} picked`}>
      {commands.map(({ id, forPicked, icon = 'more', run }) => (
        <Action key={id} compact icon={paperIcon(icon)} onPress={() => run()}>
          {forPicked}
        </Action>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 4 },
});
