import { useEffect, useMemo, useRef, useState } from 'react';
import { Pressable, ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { Text, TextInput, useTheme } from 'react-native-paper';
import { Area, Icon, Sheet, WIDE_FROM } from '@/ui';
import { isAble } from './commands';
import { findCommands } from './findCommands';
import type { Command } from './feature';
import { spellKey } from './keys';
import { useReader } from './ReaderContext';

/** Everything that can be done here, found by a few typed letters. */
export function CommandPalette({ onClose }: { onClose: () => void }) {
  const reader = useReader();
  const { colors } = useTheme();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  // As it was when the list was opened: what it shows does not change under the finger.
  const [all] = useState(() => reader.commands().filter(isAble));
  const found = useMemo(() => findCommands(all, typed), [all, typed]);
  const rows = useRef(new Map<number, HTMLElement>());
  const isGrouped = typed.trim() === '';

  const run = (command: Command | undefined): void => {
    if (!command) return;
    onClose();
    command.run();
  };
  const move = (to: number): void => {
    const next = Math.max(0, Math.min(found.length - 1, to));
    setAt(next);
    rows.current.get(next)?.scrollIntoView({ block: 'nearest' });
  };
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (e.key === 'ArrowDown') move(at + 1);
      else if (e.key === 'ArrowUp') move(at - 1);
      else if (e.key === 'Enter') run(found[at]);
      else return;
      e.preventDefault();
      e.stopPropagation();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  });

  return (
    <Sheet title="Commands" open onClose={onClose} tall>
      <TextInput
        // On a phone the keyboard would cover what there is to choose from.
        autoFocus={wide}
        mode="outlined"
        placeholder="Type a few letters"
        accessibilityLabel="Find a command"
        role="combobox"
        aria-expanded
        aria-controls="commands-found"
        aria-activedescendant={found[at] ? `command-${found[at].id}` : undefined}
        inputMode="search"
        value={typed}
        onChangeText={(text) => {
          setTyped(text);
          setAt(0);
        }}
        style={[styles.field, { backgroundColor: colors.surface }]}
      />
      <ScrollView style={styles.list} keyboardShouldPersistTaps="handled">
        <Area role="listbox" id="commands-found" aria-label="Commands" tabIndex={0}>
          {found.map((command, i) => (
            <View key={command.id}>
              {isGrouped && command.group !== found[i - 1]?.group && (
                <Text
                  variant="labelLarge"
                  role="presentation"
                  style={[styles.group, { color: colors.onSurfaceVariant }]}
                >
                  {command.group}
                </Text>
              )}
              <Row
                command={command}
                wide={wide}
                chosen={i === at}
                hold={(element) => {
                  if (element) rows.current.set(i, element);
                  else rows.current.delete(i);
                }}
                onPress={() => run(command)}
              />
            </View>
          ))}
        </Area>
        {found.length === 0 && <Text style={styles.none}>No command is called that.</Text>}
      </ScrollView>
    </Sheet>
  );
}

function Row(props: {
  command: Command;
  /** Where there is room, and most likely a keyboard, the keys are named. */
  wide: boolean;
  chosen: boolean;
  hold: (element: HTMLElement | null) => void;
  onPress: () => void;
}) {
  const { command, wide, chosen, hold, onPress } = props;
  const { colors } = useTheme();
  const { id, title, icon, keys } = command;
  const on = command.on?.();
  const sign = on === undefined ? icon : on ? 'check' : undefined;
  return (
    <Pressable
      ref={(view) => hold(view as unknown as HTMLElement | null)}
      role="option"
      nativeID={`command-${id}`}
      aria-selected={chosen}
      accessibilityLabel={on === undefined ? title : `${title}: ${on ? 'on' : 'off'}`}
      // The field keeps the focus.
      tabIndex={-1}
      onPress={onPress}
      style={[styles.row, chosen && { backgroundColor: colors.secondaryContainer }]}
    >
      <View style={styles.icon}>
        {sign && <Icon name={sign} size={20} color={colors.onSurface} />}
      </View>
      <Text style={styles.title} numberOfLines={1}>
        {title}
      </Text>
      {wide && keys && keys.length > 0 && (
        <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
          {command.spelled ?? spellKey(keys[0])}
        </Text>
      )}
    </Pressable>
  );
}

const styles = StyleSheet.create({
  field: { height: 46 },
  list: { flex: 1 },
  group: { paddingTop: 12, paddingBottom: 4 },
  row: {
    minHeight: 44,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 12,
    paddingHorizontal: 8,
    borderRadius: 4,
  },
  icon: { width: 22, alignItems: 'center' },
  title: { flex: 1 },
  none: { paddingVertical: 24, textAlign: 'center' },
});
