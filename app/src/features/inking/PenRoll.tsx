import { type Instrument, rollInSight } from '@marginalis/core/marks';
import { useEffect, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Portal, Snackbar, Text, useTheme } from 'react-native-paper';
import { useHand, useSettings, useSession, useSessionState } from '@/session';
import { isAble, late, preload, spelledKeys, usePlaced } from '@/shell';
import { Action, Area } from '@/ui';
import { InstrumentButton, PLACE, RollButton } from './InstrumentButton';
import { RollSheet } from './RollSheet';
import { TakesParts } from './TakesParts';
import { useRollDrag } from './useRollDrag';

const InstrumentSheet = late(async () => (await import('./InstrumentSheet')).InstrumentSheet);
/** It is fetched when the reader has been open for so long, ms: the first page comes first. */
const SOON = 1_500;

const TAP_AGAIN = {
  id: 'tap-again',
  text: 'Tap the instrument in hand again to change its ink, width and manners.',
};

/** The gap to the next place, and what lines and edges take of a row, CSS pixels. */
const GAP = { upright: 4, level: 1 };
const LINES = 10;

/** Scrolls the roll to the instrument in hand, which may be one just added beyond its edge. */
const inSight = (place: HTMLElement | null): void =>
  place?.scrollIntoView({ block: 'nearest', inline: 'nearest' });

/**
 * The person's instruments with undo and redo: all of them in a column where there is room; in a row on a phone those
 * that were used last, and the eraser and the picker always.
 */
export function PenRoll({ upright }: { upright: boolean }) {
  const { roll, used, move } = useSettings();
  const session = useSession();
  const { hand } = session;
  const chosen = useHand((s) => s.current);
  const current = roll.some(({ id }) => id === chosen) ? chosen : roll[0].id;
  const held = roll.find(({ id }) => id === current) ?? roll[0];
  const awaited = useHand((s) => s.awaited);
  const { colors } = useTheme();
  const { width } = useWindowDimensions();
  const [changing, setChanging] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const writable = useSessionState((s) => s.writable);
  const placed = usePlaced('roll');
  const room = Math.floor((width - LINES) / (PLACE.width + GAP.level)) - placed.length - 2;
  const { writing, rest, eraser, picker } = rollInSight(roll, [current, ...used], room);
  const row = upright ? roll : writing;
  const drag = useRollDrag(
    upright,
    upright ? PLACE.height + GAP.upright : PLACE.width + GAP.level,
    (id, to) => {
      const before = row[Math.max(0, Math.min(row.length - 1, to))];
      move(id, roll.indexOf(before));
    },
  );
  useEffect(() => {
    // What fails is fetched when it is shown, and says so then.
    const soon = setTimeout(() => void preload([InstrumentSheet]), SOON);
    return () => clearTimeout(soon);
  }, []);
  const shown = roll.find((i) => i.id === changing) ?? null;
  const press = (id: string, isHeld: boolean): void => {
    if (drag.wasDrag()) return;
    if (isHeld) {
      session.hints.know(TAP_AGAIN.id);
      setChanging(id);
    } else {
      hand.choose(id);
      session.hints.teach(TAP_AGAIN);
    }
  };
  const button = (instrument: Instrument) => (
    <InstrumentButton
      key={instrument.id}
      instrument={instrument}
      held={instrument.id === current}
      disabled={!writable}
      keys={roll.indexOf(instrument) < 9 ? String(roll.indexOf(instrument) + 1) : undefined}
      onPress={press}
    />
  );
  const line = (
    <View
      style={[
        upright ? styles.lineAcross : styles.lineDown,
        { backgroundColor: colors.outlineVariant },
      ]}
    />
  );

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
          overflow: upright ? 'hidden auto' : 'hidden',
          scrollbarWidth: 'none',
          minWidth: 0,
          minHeight: 0,
          gap: upright ? GAP.upright : GAP.level,
        }}
      >
        {row.map((instrument, place) => (
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
            {button(instrument)}
          </Area>
        ))}
      </Area>
      {upright && held.kind === 'eraser' && <TakesParts eraser={held} />}
      {(upright || rest.length > 0) && (
        <RollButton
          label={upright ? 'Add an instrument' : 'More instruments'}
          icon={upright ? 'plus' : 'more'}
          able={writable}
          onPress={() => setAdding(true)}
        />
      )}
      {!upright && line}
      {!upright && eraser && button(eraser)}
      {!upright && picker && button(picker)}
      {line}
      {placed.map((command) => (
        <RollButton
          key={command.id}
          label={command.title}
          icon={command.icon ?? 'more'}
          able={isAble(command)}
          keys={spelledKeys(command)}
          onPress={() => command.run()}
        />
      ))}
      {!upright && held.kind === 'eraser' && (
        <View style={styles.above}>
          <TakesParts eraser={held} />
        </View>
      )}
      {shown && (
        <InstrumentSheet
          instrument={shown}
          onClose={() => setChanging(null)}
          onAdd={() => {
            setChanging(null);
            setAdding(true);
          }}
        />
      )}
      <RollSheet open={adding} rest={upright ? [] : rest} onClose={() => setAdding(false)} />
      <Portal>
        <Snackbar
          visible={awaited !== null}
          onDismiss={() => hand.await(null)}
          duration={Infinity}
          action={{ label: 'Leave it', onPress: () => hand.await(null) }}
          wrapperStyle={styles.picking}
          style={styles.pickingWidth}
        >
          <View style={styles.awaited}>
            <Text style={[styles.asked, { color: colors.inverseOnSurface }]}>
              {awaited?.text ?? ''}
            </Text>
            {awaited?.here && (
              <Action
                compact
                textColor={colors.inversePrimary}
                onPress={() => {
                  hand.await(null);
                  awaited.here?.();
                }}
              >
                The place in sight
              </Action>
            )}
          </View>
        </Snackbar>
      </Portal>
    </View>
  );
}

const styles = StyleSheet.create({
  roll: { alignItems: 'center', justifyContent: 'center', minWidth: 0 },
  picking: { top: 64, bottom: undefined },
  pickingWidth: { alignSelf: 'center', minWidth: 320, maxWidth: 480 },
  awaited: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: 8 },
  asked: { flexShrink: 1 },
  level: { flexDirection: 'row', borderTopWidth: 1, paddingVertical: 4, gap: 1 },
  upright: {
    flexDirection: 'column',
    borderRightWidth: 1,
    borderLeftWidth: 1,
    paddingHorizontal: 4,
    gap: 4,
  },
  above: { position: 'absolute', right: 96, bottom: '100%', paddingBottom: 4 },
  lineDown: { width: 1, height: 30, marginHorizontal: 1 },
  lineAcross: { height: 1, width: 34, marginVertical: 4 },
});
