import { StyleSheet, View } from 'react-native';
import { IconButton, Text, useTheme } from 'react-native-paper';
import { Action, paperIcon } from '@/ui';
import { isAble } from './commands';
import type { Command, ReaderFeature } from './feature';
import { useReader } from './ReaderContext';
import { usePlaced } from './usePlaced';

/** One thin bar: back, title and state, place in the document, and the few commands that have a place there. */
export function Bar({ features, wide }: { features: readonly ReaderFeature[]; wide: boolean }) {
  const { session, shell } = useReader();
  const { colors } = useTheme();
  return (
    <View
      role="banner"
      style={[styles.bar, { backgroundColor: colors.surface, borderColor: colors.outlineVariant }]}
    >
      <IconButton
        icon={paperIcon('back')}
        size={22}
        accessibilityLabel="Back to the desk"
        onPress={() => shell.leave()}
        style={styles.tool}
      />
      <View style={wide ? styles.name : styles.nameNarrow}>
        <Text
          variant={wide ? 'titleLarge' : 'titleMedium'}
          role="heading"
          aria-level={1}
          numberOfLines={1}
        >
          {session.desk.title}
        </Text>
        {features.map(({ name, Status }) => Status && <Status key={name} />)}
      </View>
      {features.map(({ name, InBar }) => InBar && <InBar key={name} wide={wide} />)}
      <BarCommands wide={wide} />
    </View>
  );
}

function BarCommands({ wide }: { wide: boolean }) {
  return usePlaced('bar').map((command) => (
    <BarButton key={command.id} command={command} wide={wide} />
  ));
}

function BarButton({ command, wide }: { command: Command; wide: boolean }) {
  const { title, icon = 'more', prominent } = command;
  const on = command.on?.();
  const able = isAble(command);
  if (prominent && wide)
    return (
      <Action
        mode="contained"
        icon={paperIcon(icon)}
        disabled={!able}
        onPress={() => command.run()}
        style={styles.prominent}
      >
        {title}
      </Action>
    );
  return (
    <IconButton
      icon={paperIcon(icon)}
      size={22}
      selected={on}
      disabled={!able}
      accessibilityLabel={title}
      aria-pressed={on}
      onPress={() => command.run()}
      style={styles.tool}
    />
  );
}

const styles = StyleSheet.create({
  bar: { height: 48, flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, zIndex: 2 },
  tool: { width: 44, height: 44, margin: 0 },
  name: { flex: 1, flexDirection: 'row', alignItems: 'baseline', gap: 12, minWidth: 0 },
  nameNarrow: { flex: 1, minWidth: 0 },
  prominent: { marginHorizontal: 8 },
});
