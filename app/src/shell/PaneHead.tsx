import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { usePageNames, useSession } from '@/session';
import { useSight } from '@/stage';
import { Area, IconAction } from '@/ui';
import type { PaneName, Panes } from './panes';

/** Above each of two panes: what stands there, and whether it is the one that is worked in. */
export function PaneHead(props: { name: PaneName; panes: Panes; onClose?: () => void }) {
  const { name, panes, onClose } = props;
  const { desk } = useSession();
  const { current } = useSight();
  const nameOf = usePageNames();
  const { colors } = useTheme();
  const isActive = useStore(panes.store, (s) => s.active === name);
  return (
    <Area onPointerDown={() => panes.activate(name)}>
      <View
        style={[
          styles.head,
          { backgroundColor: colors.surface },
          { borderColor: isActive ? colors.primary : colors.outlineVariant },
        ]}
      >
        <Text
          variant="labelLarge"
          role="heading"
          aria-level={2}
          numberOfLines={1}
          style={[styles.title, !isActive && { color: colors.onSurfaceVariant }]}
        >
          {desk.title}
        </Text>
        <Text variant="bodyMedium" style={{ color: colors.onSurfaceVariant }}>
          {`Page ${nameOf(current)}`}
        </Text>
        {onClose ? (
          <IconAction icon="close" size={18} label="Close this place" onPress={onClose} />
        ) : (
          <View style={styles.end} />
        )}
      </View>
    </Area>
  );
}

const styles = StyleSheet.create({
  head: {
    height: 44,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
    paddingLeft: 12,
    borderBottomWidth: 2,
  },
  title: { flexShrink: 1, flexGrow: 1 },
  end: { width: 12 },
});
