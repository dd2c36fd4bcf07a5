import { type ReactNode, useContext, useEffect } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { IconButton, Modal, Portal, Text, useTheme } from 'react-native-paper';
import { CarryContext } from './Carry';
import { paperIcon } from './icons';
import { WIDE_FROM } from './theme';

/** Of the window, what a tall sheet's content has. */
const TALL = 0.62;

/** On a phone it rises from below; where there is room it stands in the middle. Escape closes it. */
export function Sheet(props: {
  title: string;
  open: boolean;
  onClose: () => void;
  /** The content scrolls by itself, and has the height there is. */
  tall?: boolean;
  children: ReactNode;
}) {
  const { title, open, onClose, tall, children } = props;
  const { width, height } = useWindowDimensions();
  const { colors } = useTheme();
  const carry = useContext(CarryContext);
  const wide = width >= WIDE_FROM;
  useEffect(() => {
    if (!open) return undefined;
    const onKey = (e: KeyboardEvent) => {
      if (e.key === 'Escape') onClose();
    };
    // On the way down: text fields keep their keys to themselves on the way up.
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [open, onClose]);

  return (
    <Portal>
      <Modal
        visible={open}
        onDismiss={onClose}
        overlayAccessibilityLabel={`Close ${title}`}
        style={wide ? styles.middle : styles.bottom}
        contentContainerStyle={[
          styles.sheet,
          {
            backgroundColor: colors.surface,
            borderColor: colors.outlineVariant,
            maxHeight: height * 0.86,
          },
          wide ? styles.wide : styles.narrow,
        ]}
      >
        <View role="dialog" aria-modal aria-label={title} style={styles.dialog}>
          <View style={styles.head}>
            <Text variant="titleLarge" role="heading" aria-level={2} style={styles.title}>
              {title}
            </Text>
            <IconButton
              icon={paperIcon('close')}
              accessibilityLabel="Close"
              onPress={onClose}
              style={styles.close}
            />
          </View>
          {tall ? (
            <View style={[styles.body, { height: height * TALL }]}>{carry(children)}</View>
          ) : (
            <ScrollView contentContainerStyle={styles.body}>{carry(children)}</ScrollView>
          )}
        </View>
      </Modal>
    </Portal>
  );
}

const styles = StyleSheet.create({
  middle: { justifyContent: 'center', alignItems: 'center' },
  bottom: { justifyContent: 'flex-end', marginBottom: 0, marginTop: 0 },
  sheet: { borderWidth: 1 },
  wide: { width: 460, borderRadius: 6 },
  narrow: { borderTopLeftRadius: 10, borderTopRightRadius: 10, borderBottomWidth: 0 },
  dialog: { flexShrink: 1 },
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    paddingLeft: 20,
    paddingTop: 8,
    paddingRight: 6,
  },
  title: { flex: 1 },
  close: { width: 44, height: 44, margin: 0 },
  body: { paddingHorizontal: 20, paddingBottom: 20, gap: 12 },
});
