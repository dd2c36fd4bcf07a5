import { inkName, type Instrument, writes } from '@marginalis/core/marks';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Portal, Snackbar, useTheme } from 'react-native-paper';
import { useHand, usePenRoll, useSession, useSessionState } from '@/session';
import { isAble, usePlaced } from '@/shell';
import { Area, Icon, type IconName } from '@/ui';
import { InstrumentSheet } from './InstrumentSheet';
import { useSteadying } from './SteadyWritten';
import { RollSheet } from './RollSheet';
import { useRollDrag } from './useRollDrag';

/** What an instrument is called aloud: its name, ink and width. */
export const instrumentLabel = (i: Instrument): string =>
  i.kind === 'picker'
    ? i.name
    : i.kind === 'eraser'
      ? `${i.name}, ${i.widthMm} mm`
      : `${i.name}, ${inkName(i.colour)}, ${i.widthMm} mm`;

/** What of an instrument's ink is shown beneath it; null where it has none. */
const inkOf = (i: Instrument): { colour: string; widthMm: number; opacity: number } | null =>
  writes(i) ? i : i.kind === 'eraser' && i.only === 'ink' ? { ...i, opacity: 1 } : null;

/** A place in the roll and the gap to the next, CSS pixels. */
const PLACE = { width: 44, height: 46 };
const GAP = { upright: 4, level: 1 };

/** Scrolls the roll to the instrument in hand, which may be one just added beyond its edge. */
const inSight = (place: HTMLElement | null): void =>
  place?.scrollIntoView({ block: 'nearest', inline: 'nearest' });

/** The person's instruments in a row (phone) or a column, with undo and redo. */
export function PenRoll({ upright }: { upright: boolean }) {
  const { roll, move } = usePenRoll();
  const session = useSession();
  const { hand } = session;
  const chosen = useHand((s) => s.current);
  const current = roll.some(({ id }) => id === chosen) ? chosen : roll[0].id;
  const awaited = useHand((s) => s.awaited);
  const { colors } = useTheme();
  const [changing, setChanging] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const drag = useRollDrag(
    upright,
    upright ? PLACE.height + GAP.upright : PLACE.width + GAP.level,
    move,
  );
  const writable = useSessionState((s) => s.writable);
  const placed = usePlaced('roll');
  const shown = roll.find((i) => i.id === changing) ?? null;
  const steadying = useSteadying(shown && writes(shown) ? shown.steadiness : null);
  const press = (id: string, held: boolean): void => {
    if (drag.wasDrag()) return;
    if (held) setChanging(id);
    else hand.choose(id);
  };

  return (
    <View
      role="toolbar"
      aria-label="Pen roll"
      style={[
        styles.roll,
        upright ? styles.upright : styles.level,
        { backgroundColor: colors.surface, borderColor: colors.outlineVariant },
      ]}
    >
      <Area
        data-roll
        style={{
          display: 'flex',
          flexDirection: upright ? 'column' : 'row',
          overflow: upright ? 'hidden auto' : 'auto hidden',
          scrollbarWidth: 'none',
          minWidth: 0,
          minHeight: 0,
          gap: upright ? GAP.upright : GAP.level,
        }}
      >
        {roll.map((instrument, place) => (
          <Area
            key={instrument.id}
            ref={instrument.id === current ? inSight : undefined}
            {...drag.handlers(instrument.id, place)}
            style={{
              flexShrink: 0,
              touchAction: 'none',
              ...(drag.lifted?.id === instrument.id && {
                transform: `translate${upright ? 'Y' : 'X'}(${drag.lifted.by}px)`,
                zIndex: 1,
                position: 'relative',
                opacity: 0.85,
              }),
            }}
          >
            <InstrumentButton
              instrument={instrument}
              held={instrument.id === current}
              disabled={!writable}
              onPress={press}
            />
          </Area>
        ))}
      </Area>
      <Step label="Add an instrument" icon="plus" able={writable} onPress={() => setAdding(true)} />
      <View
        style={[
          upright ? styles.lineAcross : styles.lineDown,
          { backgroundColor: colors.outlineVariant },
        ]}
      />
      {placed.map((command) => (
        <Step
          key={command.id}
          label={command.title}
          icon={command.icon ?? 'more'}
          able={isAble(command)}
          onPress={() => command.run()}
        />
      ))}
      <InstrumentSheet instrument={shown} steadying={steadying} onClose={() => setChanging(null)} />
      <RollSheet open={adding} onClose={() => setAdding(false)} />
      <Portal>
        <Snackbar
          visible={awaited !== null}
          onDismiss={() => hand.await(null)}
          duration={Infinity}
          action={{ label: 'Leave it', onPress: () => hand.await(null) }}
          wrapperStyle={styles.picking}
          style={styles.pickingWidth}
        >
          {awaited?.text ?? ''}
        </Snackbar>
      </Portal>
    </View>
  );
}

function InstrumentButton(props: {
  instrument: Instrument;
  held: boolean;
  disabled: boolean;
  onPress: (id: string, held: boolean) => void;
}) {
  const { instrument, held, disabled, onPress } = props;
  const ink = inkOf(instrument);
  const { colors } = useTheme();
  return (
    <Pressable
      role="button"
      aria-pressed={held}
      accessibilityLabel={instrumentLabel(instrument)}
      accessibilityHint={held ? 'Press again to change it' : undefined}
      disabled={disabled}
      onPress={() => onPress(instrument.id, held)}
      style={[
        styles.place,
        held && { backgroundColor: colors.primaryContainer, borderColor: colors.primary },
        disabled && styles.idle,
      ]}
    >
      <Icon
        name={instrument.kind as IconName}
        size={22}
        color={held ? colors.onPrimaryContainer : colors.onSurface}
      />
      {/* Ink on paper, so that dark ink shows on a dark roll too. */}
      <View
        style={[
          styles.paper,
          { borderColor: colors.outlineVariant },
          instrument.kind === 'picker' && styles.noPaper,
        ]}
      >
        {ink && (
          <View
            style={{
              height: Math.max(2, Math.min(6, ink.widthMm * 2.2)),
              backgroundColor: ink.colour,
              opacity: ink.opacity,
            }}
          />
        )}
      </View>
    </Pressable>
  );
}

function Step(props: { label: string; icon: IconName; able: boolean; onPress: () => void }) {
  const { colors } = useTheme();
  return (
    <Pressable
      role="button"
      accessibilityLabel={props.label}
      disabled={!props.able}
      aria-disabled={!props.able}
      onPress={props.onPress}
      style={[styles.place, !props.able && styles.idle]}
    >
      <Icon name={props.icon} size={22} color={colors.onSurface} />
    </Pressable>
  );
}

const styles = StyleSheet.create({
  roll: { alignItems: 'center', justifyContent: 'center', minWidth: 0 },
  picking: { top: 64, bottom: undefined },
  pickingWidth: { alignSelf: 'center', minWidth: 320, maxWidth: 480 },
  level: { flexDirection: 'row', borderTopWidth: 1, paddingVertical: 4, gap: 1 },
  upright: {
    flexDirection: 'column',
    borderRightWidth: 1,
    borderLeftWidth: 1,
    paddingHorizontal: 4,
    gap: 4,
  },
  place: {
    ...PLACE,
    alignItems: 'center',
    justifyContent: 'center',
    borderWidth: 1,
    borderColor: 'transparent',
    borderRadius: 4,
    gap: 3,
  },
  idle: { opacity: 0.38 },
  paper: {
    width: 26,
    height: 10,
    borderWidth: 1,
    borderRadius: 1,
    backgroundColor: '#ffffff',
    justifyContent: 'center',
  },
  noPaper: { opacity: 0 },
  lineDown: { width: 1, height: 30, marginHorizontal: 1 },
  lineAcross: { height: 1, width: 34, marginVertical: 4 },
});
