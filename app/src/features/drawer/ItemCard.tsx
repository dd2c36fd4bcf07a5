import type { DrawerItem } from '@marginalis/core/drawer';
import { Image, Pressable, StyleSheet, View } from 'react-native';
import { Menu, Text, useTheme } from 'react-native-paper';
import { PAPER } from '@/shell';
import { type Drag, dragFrom, MenuButton } from '@/ui';

const SORTS = {
  marks: 'Marks',
  stamp: 'Stamp',
  signature: 'Signature',
  look: 'Look of text',
} as const;

/** A thing of the drawer: pressed it is put on the page, dragged it goes where it is let go; what else can be done with it is in its menu. */
export function ItemCard(props: {
  item: DrawerItem;
  onTake: () => void;
  /** Once it is dragged, and where it is let go, CSS pixels of the window; null where it is not dragged. */
  drag: Omit<Drag, 'preview'> | null;
  /** Null where it cannot be moved that way. */
  onMove: { readonly up: (() => void) | null; readonly down: (() => void) | null };
  onRename: () => void;
  onRemove: () => void;
}) {
  const { item, onTake, drag, onMove, onRename, onRemove } = props;
  const { colors } = useTheme();
  const ways = [
    { title: 'Rename …', run: onRename },
    ...(onMove.up ? [{ title: 'Move up', run: onMove.up }] : []),
    ...(onMove.down ? [{ title: 'Move down', run: onMove.down }] : []),
    { title: 'Remove', run: onRemove },
  ];
  return (
    <View role="listitem" style={[styles.card, { borderColor: colors.outlineVariant }]}>
      <Pressable
        role="button"
        accessibilityLabel={`${item.sort === 'look' ? 'Give texts this look' : 'Put on the page'}: ${item.name}`}
        onPress={onTake}
        onPointerDown={({ nativeEvent, currentTarget }) => {
          if (!drag) return;
          const pressed = currentTarget as unknown as Element;
          dragFrom(nativeEvent, pressed, { ...drag, preview: item.preview });
        }}
        style={styles.take}
      >
        {item.preview ? (
          <Image source={{ uri: item.preview }} resizeMode="contain" style={styles.preview} />
        ) : (
          <View style={styles.preview} />
        )}
      </Pressable>
      <View style={styles.foot}>
        <View style={styles.words}>
          <Text numberOfLines={1}>{item.name}</Text>
          <Text variant="bodySmall" numberOfLines={1} style={{ color: colors.onSurfaceVariant }}>
            {[SORTS[item.sort], item.folder].filter(Boolean).join(' · ')}
          </Text>
        </View>
        <MenuButton icon="more" label={`More for ${item.name}`}>
          {(close) =>
            ways.map(({ title, run }) => (
              <Menu.Item
                key={title}
                title={title}
                onPress={() => {
                  close();
                  run();
                }}
              />
            ))
          }
        </MenuButton>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  card: { width: 164, flexGrow: 1, maxWidth: 240, borderWidth: 1, borderRadius: 4 },
  take: { backgroundColor: PAPER, borderTopLeftRadius: 3, borderTopRightRadius: 3 },
  preview: { height: 72, margin: 8 },
  foot: { flexDirection: 'row', alignItems: 'center', paddingLeft: 8 },
  words: { flex: 1, minWidth: 0, paddingVertical: 4 },
});
