import {
  Pressable,
  type StyleProp,
  StyleSheet,
  useWindowDimensions,
  View,
  type ViewStyle,
} from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { IconAction, Sheet } from '@/ui';
import type { Panel, ReaderFeature } from './feature';
import { useReader, useShell } from './ReaderContext';
import { waysOf } from './ways';
import { SETTINGS } from './ids';
import { SettingsSheet } from './lateParts';

type Side = Panel['side'];

/** Of the window, what a panel beneath the page has. */
const LOW = 0.4;

function useOpenPanel(features: readonly ReaderFeature[], side: Side): Panel | null {
  const id = useShell((s) => s.panels[side]);
  return features.flatMap(({ panels = [] }) => panels).find((panel) => panel.id === id) ?? null;
}

/** The column at a side of the pages; nothing while no panel is open there. */
export function SidePanel({ features, side }: { features: readonly ReaderFeature[]; side: Side }) {
  const panel = useOpenPanel(features, side);
  return panel && <Standing features={features} panel={panel} style={styles.column} />;
}

/** On a phone what must not cover the page stands beneath it. */
export function LowPanel({ features }: { features: readonly ReaderFeature[] }) {
  const open = [useOpenPanel(features, 'roll'), useOpenPanel(features, 'margin')];
  const { height } = useWindowDimensions();
  // There is room for one: what is in hand comes first.
  const panel = open.find((one) => one?.beneath);
  if (!panel) return null;
  const style = [styles.low, { height: LOW * height }];
  return <Standing features={features} panel={panel} style={style} low />;
}

function Standing(props: {
  features: readonly ReaderFeature[];
  panel: Panel;
  style: StyleProp<ViewStyle>;
  /** Beneath the page, on a phone. */
  low?: boolean;
}) {
  const { features, panel, style, low = false } = props;
  const { shell } = useReader();
  const { colors } = useTheme();
  const { title, side, Content } = panel;
  return (
    <View
      role="complementary"
      aria-label={title}
      style={[style, { backgroundColor: colors.surface, borderColor: colors.outlineVariant }]}
    >
      <View style={styles.head}>
        <Text variant="titleMedium" role="heading" aria-level={2} style={styles.title}>
          {title}
        </Text>
        <IconAction
          icon="close"
          size={20}
          label={`Close ${title.toLowerCase()}`}
          onPress={() => shell.closePanel(side)}
        />
      </View>
      {panel.way && <Ways features={features} panel={panel} beside={!low} />}
      <Content onGone={() => panel.beneath && shell.closePanel(side)} />
    </View>
  );
}

/** The same on a phone: a sheet over the lower half, gone when the reader was led somewhere. */
export function PanelSheet({ features, side }: { features: readonly ReaderFeature[]; side: Side }) {
  const panel = useOpenPanel(features, side);
  const { shell } = useReader();
  if (!panel || panel.beneath) return null;
  const { title, Content } = panel;
  const close = (): void => shell.closePanel(side);
  return (
    <Sheet title={title} open onClose={close} tall>
      {panel.way && <Ways features={features} panel={panel} />}
      <Content onGone={close} />
    </Sheet>
  );
}

/** The panels by which one finds one's way, side by side: from one to another with a tap. */
function Ways(props: {
  features: readonly ReaderFeature[];
  panel: Panel;
  /** Only those that stand on the same side. */
  beside?: boolean;
}) {
  const { features, panel, beside = false } = props;
  const { shell } = useReader();
  const { colors } = useTheme();
  const ways = waysOf(features).filter(({ side }) => !beside || side === panel.side);
  if (ways.length < 2) return null;
  return (
    <View role="tablist" aria-label="Find one’s way" style={styles.ways}>
      {ways.map(({ id, title, side }) => {
        const on = id === panel.id;
        const colour = on ? colors.primary : colors.onSurfaceVariant;
        return (
          <Pressable
            key={id}
            role="tab"
            aria-selected={on}
            onPress={() => {
              if (side !== panel.side) shell.closePanel(panel.side);
              shell.openPanel(side, id);
            }}
            style={[styles.way, { borderColor: on ? colors.primary : colors.outlineVariant }]}
          >
            <Text variant="labelLarge" style={{ color: colour }}>
              {title}
            </Text>
          </Pressable>
        );
      })}
    </View>
  );
}

/** Whatever is open over everything else. */
export function OpenDialog({ features }: { features: readonly ReaderFeature[] }) {
  const id = useShell((s) => s.dialog);
  const { shell } = useReader();
  if (id === SETTINGS)
    return <SettingsSheet features={features} onClose={() => shell.closeDialog(SETTINGS)} />;
  const dialog = features.flatMap(({ dialogs = [] }) => dialogs).find((d) => d.id === id);
  return dialog ? <dialog.Content onClose={() => shell.closeDialog(dialog.id)} /> : null;
}

const styles = StyleSheet.create({
  ways: { flexDirection: 'row', marginBottom: 6 },
  way: {
    flex: 1,
    minHeight: 44,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
    gap: 6,
    borderBottomWidth: 2,
  },
  column: { width: 320, padding: 10, borderLeftWidth: 1, borderRightWidth: 1 },
  low: { paddingHorizontal: 14, paddingBottom: 4, borderTopWidth: 1 },
  head: { flexDirection: 'row', alignItems: 'center' },
  title: { flex: 1 },
});
