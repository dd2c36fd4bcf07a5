import { StyleSheet, View } from 'react-native';
import { Divider } from 'react-native-paper';
import { Action, paperIcon, Sheet } from '@/ui';
import { isAble } from './commands';
import type { ReaderFeature } from './feature';
import { usePlaced } from './usePlaced';

/** What each feature lets a person set, and what is needed once in a long while. */
export function SettingsSheet(props: { features: readonly ReaderFeature[]; onClose: () => void }) {
  const { features, onClose } = props;
  const rare = usePlaced('settings').filter(isAble);
  return (
    <Sheet title="Settings" open onClose={onClose}>
      {features.map(({ name, Settings }) => Settings && <Settings key={name} />)}
      <Divider />
      <View style={styles.rare}>
        {rare.map((command) => (
          <Action
            key={command.id}
            mode="outlined"
            icon={command.icon && paperIcon(command.icon)}
            onPress={() => {
              onClose();
              command.run();
            }}
          >
            {command.title}
          </Action>
        ))}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  rare: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingTop: 4 },
});
