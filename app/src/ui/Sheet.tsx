import { type ReactNode, type RefObject, useContext, useEffect, useRef } from 'react';
import {
  type DimensionValue,
  ScrollView,
  StyleSheet,
  useWindowDimensions,
  View,
} from 'react-native';
import { Modal, Portal, Text, useTheme } from 'react-native-paper';
import { CarryContext } from './Carry';
import { IconAction } from './IconAction';
import { WIDE_FROM } from './theme';
import { useDialogFocus } from './useDialogFocus';

/** Of the window, what a sheet has at most, and what a tall sheet's content has. */
const MOST = 0.86;
const TALL = 0.62;

/**
 * So much of the window's height. A window that shrinks (by a bar that the browser shows) tells its scripts late;
 * its styles know at once, and what lies at a sheet's foot is where it is seen.
 */
const ofWindow = (share: number, height: number): DimensionValue =>
  `min(${share * 100}dvh, ${share * height}px)` as unknown as DimensionValue;

/** So that the way out is not what is focused first. */
const HEAD = { dataSet: { head: '' } };

/** The sheets that are open, the topmost last. */
const opened: object[] = [];

/** Calls `onClose` on Escape, when no other sheet has opened above. */
function useEscape(open: boolean, onClose: () => void): void {
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  });
  useEffect(() => {
    if (!open) return undefined;
    const own = {};
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== 'Escape' || opened.at(-1) !== own) return;
      // A menu that lies over it is closed first, by itself.
      if (document.querySelector('[role=menu]')) return;
      // Nothing beneath the sheet hears of it.
      e.stopPropagation();
      close.current();
    };
    opened.push(own);
    // On the way down: text fields keep their keys to themselves on the way up.
    window.addEventListener('keydown', onKey, true);
    return () => {
      opened.splice(opened.indexOf(own), 1);
      window.removeEventListener('keydown', onKey, true);
    };
  }, [open]);
}

/** Keeps the focus where it is rendered. */
function Focused({ dialog }: { dialog: RefObject<HTMLElement | null> }) {
  useDialogFocus(dialog);
  return null;
}

/** On a phone it rises from below; where there is room it stands in the middle. Escape closes it. */
export function Sheet(props: {
  title: string;
  open: boolean;
  onClose: () => void;
  /** The content scrolls by itself, and has the height there is. */
  tall?: boolean;
  /** Stays in sight beneath the content. */
  foot?: ReactNode;
  children: ReactNode;
}) {
  const { title, open, onClose, tall, foot, children } = props;
  const { width, height } = useWindowDimensions();
  const { colors } = useTheme();
  const carry = useContext(CarryContext);
  const wide = width >= WIDE_FROM;
  useEscape(open, onClose);
  const dialog = useRef<HTMLElement | null>(null);

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
          },
          wide ? styles.wide : styles.narrow,
        ]}
      >
        <View
          ref={(view) => {
            dialog.current = view as unknown as HTMLElement | null;
          }}
          role="dialog"
          aria-modal
          aria-label={title}
          style={{ maxHeight: ofWindow(MOST, height) }}
        >
          <View style={styles.head} {...HEAD}>
            <Text variant="titleLarge" role="heading" aria-level={2} style={styles.title}>
              {title}
            </Text>
            <IconAction icon="close" label="Close" keys="Escape" onPress={onClose} />
          </View>
          {tall ? (
            <View style={[styles.body, { height: ofWindow(TALL, height) }]}>{carry(children)}</View>
          ) : (
            <ScrollView contentContainerStyle={styles.body}>{carry(children)}</ScrollView>
          )}
          {foot && (
            <View style={[styles.foot, { borderColor: colors.outlineVariant }]}>{carry(foot)}</View>
          )}
          {open && <Focused dialog={dialog} />}
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
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    paddingLeft: 20,
    paddingTop: 8,
    paddingRight: 6,
  },
  title: { flex: 1 },
  foot: { borderTopWidth: 1, paddingHorizontal: 20, paddingVertical: 12, gap: 10 },
  body: { paddingHorizontal: 20, paddingBottom: 20, gap: 12 },
});
