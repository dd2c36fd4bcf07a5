import { ACTUAL_SIZE } from '@marginalis/core/geometry';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Divider, IconButton, Menu, Text, useTheme } from 'react-native-paper';
import { SessionContext, usePenRoll, useSession, useSessionState } from '@/session';
import { StageContext, useSight, useStage } from '@/stage';
import { Area, MenuButton, paperIcon } from '@/ui';
import { PageField } from './PageField';

const STEP = 1.25;

/** One thin bar: back, title, place in the document, view, send. */
export function TopBar(props: {
  title: string;
  wide: boolean;
  onBack: () => void;
  onKeys: () => void;
  send: ReactNode;
  /** More entries of the view menu. */
  menu: (close: () => void) => ReactNode;
}) {
  const { title, wide, onBack, onKeys, send, menu } = props;
  const { colors } = useTheme();
  const { controller } = useStage();
  const { zoom } = useSight();
  const percent = `${Math.round((zoom / ACTUAL_SIZE) * 100)} %`;
  return (
    <View
      role="banner"
      style={[styles.bar, { backgroundColor: colors.surface, borderColor: colors.outlineVariant }]}
    >
      <Tool icon="back" label="Back to the desk" onPress={onBack} />
      <View style={wide ? styles.name : styles.nameNarrow}>
        <Text
          variant={wide ? 'titleLarge' : 'titleMedium'}
          role="heading"
          aria-level={1}
          numberOfLines={1}
        >
          {title}
        </Text>
        <Saving />
      </View>
      <PageField />
      {wide && (
        <>
          <Tool icon="minus" label="Zoom out" onPress={() => controller.zoomTo(zoom / STEP)} />
          <Text style={styles.zoom} aria-label={`Zoom ${percent}`}>
            {percent}
          </Text>
          <Tool icon="plus" label="Zoom in" onPress={() => controller.zoomTo(zoom * STEP)} />
        </>
      )}
      <ViewMenu wide={wide} percent={percent} onKeys={onKeys} menu={menu} />
      {send}
    </View>
  );
}

function Tool({
  icon,
  label,
  onPress,
  role = 'button',
}: {
  role?: 'button' | 'menuitem';
  icon: Parameters<typeof paperIcon>[0];
  label: string;
  onPress: () => void;
}) {
  return (
    <IconButton
      icon={paperIcon(icon)}
      role={role}
      size={22}
      accessibilityLabel={label}
      onPress={onPress}
      style={styles.tool}
    />
  );
}

/** Said only after storage has answered. */
function Saving() {
  const saving = useSessionState((s) => s.saving);
  const { colors } = useTheme();
  const text = { kept: 'Kept', keeping: 'Keeping …', unkept: 'Not kept' }[saving];
  return (
    <Area style={savingPlace}>
      <Text
        role="status"
        testID="saving"
        variant="bodySmall"
        numberOfLines={1}
        style={{ color: saving === 'unkept' ? colors.error : colors.onSurfaceVariant }}
      >
        {text}
      </Text>
    </Area>
  );
}

/** Of one size whatever it says: it changes twice a stroke, and the rest of the bar must not be laid out again. */
const savingPlace = { contain: 'strict', width: 72, height: 18 } as const;

function ViewMenu({
  wide,
  percent,
  onKeys,
  menu,
}: {
  wide: boolean;
  percent: string;
  onKeys: () => void;
  menu: (close: () => void) => ReactNode;
}) {
  const stage = useStage();
  const session = useSession();
  const { controller } = stage;
  const { zoom } = useSight();
  const { hand, setHand } = usePenRoll();
  const item = (
    close: () => void,
    icon: Parameters<typeof paperIcon>[0],
    title: string,
    act: () => void,
  ) => (
    <Menu.Item
      leadingIcon={paperIcon(icon)}
      title={title}
      onPress={() => {
        close();
        act();
      }}
    />
  );
  return (
    <MenuButton icon="view" label="View">
      {(close) => (
        <>
          {!wide && (
            <View style={styles.zoomRow} role="group" aria-label="Zoom">
              <Tool
                role="menuitem"
                icon="minus"
                label="Zoom out"
                onPress={() => controller.zoomTo(zoom / STEP)}
              />
              <Text style={styles.zoom}>{percent}</Text>
              <Tool
                role="menuitem"
                icon="plus"
                label="Zoom in"
                onPress={() => controller.zoomTo(zoom * STEP)}
              />
            </View>
          )}
          {item(close, 'fitWidth', 'Fit width', () => controller.setFit('width'))}
          {item(close, 'fitPage', 'Fit page', () => controller.setFit('page'))}
          <Divider />
          {item(
            close,
            'hand',
            hand === 'right' ? 'Write with the left hand' : 'Write with the right hand',
            () => setHand(hand === 'right' ? 'left' : 'right'),
          )}
          {item(close, 'keys', 'Keys', onKeys)}
          <Divider />
          {/* The menu hangs elsewhere in the tree, where neither the session nor the stage reach. */}
          <SessionContext.Provider value={session}>
            <StageContext.Provider value={stage}>{menu(close)}</StageContext.Provider>
          </SessionContext.Provider>
        </>
      )}
    </MenuButton>
  );
}

const styles = StyleSheet.create({
  bar: { height: 48, flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, zIndex: 2 },
  tool: { width: 44, height: 44, margin: 0 },
  name: { flex: 1, flexDirection: 'row', alignItems: 'baseline', gap: 12, minWidth: 0 },
  nameNarrow: { flex: 1, minWidth: 0 },
  zoom: { minWidth: 52, textAlign: 'center', fontVariant: ['tabular-nums'] },
  zoomRow: { flexDirection: 'row', alignItems: 'center', justifyContent: 'center', gap: 8 },
});
