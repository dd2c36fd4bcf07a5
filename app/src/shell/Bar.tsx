import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { Action, Tooltip, Icon, IconAction, paperIcon } from '@/ui';
import { isAble, spelledKeys } from './commands';
import type { Command, ReaderFeature } from './feature';
import { useReader, useShell } from './ReaderContext';
import { usePlaced } from './usePlaced';
import { toggleWay, waysOf } from './ways';

/** One thin bar: back, title and state, place in the document, and the few commands that have a place there. */
export function Bar({ features, wide }: { features: readonly ReaderFeature[]; wide: boolean }) {
  const { session, shell } = useReader();
  const { colors } = useTheme();
  return (
    <View
      role="banner"
      style={[styles.bar, { backgroundColor: colors.surface, borderColor: colors.outlineVariant }]}
    >
      <IconAction icon="back" label="Back to the desk" onPress={() => shell.leave()} />
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
      {!wide && <WaysButton features={features} />}
      <BarCommands wide={wide} />
    </View>
  );
}

function BarCommands({ wide }: { wide: boolean }) {
  return usePlaced('bar')
    .filter(({ roomy }) => wide || !roomy)
    .map((command) => <BarButton key={command.id} command={command} wide={wide} />);
}

/** On a phone one button leads to all by which one finds one's way. */
function WaysButton({ features }: { features: readonly ReaderFeature[] }) {
  const reader = useReader();
  const ways = waysOf(features);
  const on = useShell((s) => ways.some(({ id }) => s.panels.roll === id || s.panels.margin === id));
  return (
    <IconAction
      icon="ways"
      label={listed(ways.map(({ title }) => title))}
      on={on}
      onPress={() => toggleWay(reader, ways)}
    />
  );
}

/** Names one after the other: "Contents, search and marks". */
function listed(names: readonly string[]): string {
  const [first = '', ...rest] = names;
  const all = [first, ...rest.map((name) => name.toLowerCase())];
  return all.length < 2 ? all.join() : `${all.slice(0, -1).join(', ')} and ${all[all.length - 1]}`;
}

function BarButton({ command, wide }: { command: Command; wide: boolean }) {
  const { title, icon = 'more', prominent, short } = command;
  const { colors } = useTheme();
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
  if (short && wide)
    return (
      <Tooltip text={title} keys={spelledKeys(command)}>
        <Pressable
          role="button"
          accessibilityLabel={title}
          aria-pressed={on}
          disabled={!able}
          onPress={() => command.run()}
          style={[
            styles.worded,
            on && { backgroundColor: colors.primaryContainer },
            !able && styles.idle,
          ]}
        >
          <Icon name={icon} size={20} color={colors.onSurface} />
          <Text variant="labelLarge">{short}</Text>
        </Pressable>
      </Tooltip>
    );
  return (
    <IconAction
      icon={icon}
      label={title}
      keys={spelledKeys(command)}
      on={on}
      disabled={!able}
      onPress={() => command.run()}
    />
  );
}

const styles = StyleSheet.create({
  bar: { height: 48, flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, zIndex: 2 },
  name: { flex: 1, flexDirection: 'row', alignItems: 'baseline', gap: 12, minWidth: 0 },
  nameNarrow: { flex: 1, minWidth: 0 },
  prominent: { marginHorizontal: 8 },
  worded: {
    minHeight: 44,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 6,
    paddingHorizontal: 10,
    borderRadius: 4,
  },
  idle: { opacity: 0.38 },
});
