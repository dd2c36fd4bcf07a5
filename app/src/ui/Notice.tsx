import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { IconAction } from './IconAction';

/** A sentence across the top of a screen: what is the matter, and what can be done. */
export function Notice({
  text,
  onClose,
  children,
}: {
  text: string;
  onClose?: () => void;
  children?: ReactNode;
}) {
  const { colors } = useTheme();
  return (
    <View
      role="status"
      style={[
        styles.notice,
        { backgroundColor: colors.secondaryContainer, borderColor: colors.outlineVariant },
      ]}
    >
      <View style={styles.words}>
        <Text style={[styles.text, { color: colors.onSecondaryContainer }]}>{text}</Text>
        {children && <View style={styles.ways}>{children}</View>}
      </View>
      {onClose && <IconAction icon="close" label="Close" size={20} onPress={onClose} />}
    </View>
  );
}

/** A screen that has nothing to show yet, or nothing at all. */
export function EmptyScreen({
  title,
  text,
  children,
}: {
  title: string;
  text: string;
  children?: ReactNode;
}) {
  return (
    <View style={styles.empty} role="main">
      <Text variant="headlineSmall" role="heading" aria-level={1} style={styles.title}>
        {title}
      </Text>
      <Text style={styles.sentence}>{text}</Text>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  notice: {
    flexDirection: 'row',
    columnGap: 8,
    paddingLeft: 16,
    paddingRight: 10,
    paddingVertical: 4,
    minHeight: 48,
    borderBottomWidth: 1,
  },
  // What can be done goes beneath where both do not fit beside each other; closing stays beside the first line.
  words: { flex: 1, flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: 8 },
  text: { flexShrink: 1, flexGrow: 1, flexBasis: 220, paddingVertical: 10 },
  ways: { flexDirection: 'row', flexWrap: 'wrap', marginLeft: 'auto' },
  empty: { flex: 1, alignItems: 'center', justifyContent: 'center', padding: 24, gap: 16 },
  title: { textAlign: 'center' },
  sentence: { maxWidth: 440, textAlign: 'center', fontSize: 16, lineHeight: 24 },
});
