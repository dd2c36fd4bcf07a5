import type { Instrument } from '@marginalis/core/marks';
import { inkName } from '@marginalis/core/marks';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { usePenRoll, useSession, useSessionState } from '@/session';
import { Icon, type IconName } from '@/ui';
import { InstrumentSheet } from './InstrumentSheet';

/** What an instrument is called aloud: its name, ink and width. */
export const instrumentLabel = (i: Instrument): string =>
  i.kind === 'eraser'
    ? `${i.name}, ${i.widthMm} mm`
    : `${i.name}, ${inkName(i.colour)}, ${i.widthMm} mm`;

/** The person's instruments in a row (phone) or a column, with undo and redo. */
export function PenRoll({ upright }: { upright: boolean }) {
  const { roll, current, choose } = usePenRoll();
  const session = useSession();
  const { colors } = useTheme();
  const [changing, setChanging] = useState<string | null>(null);
  const writable = useSessionState((s) => s.writable);
  const canUndo = useSessionState((s) => s.history.done !== null) && writable;
  const canRedo = useSessionState((s) => s.history.undone !== null) && writable;
  const shown = roll.find((i) => i.id === changing) ?? null;

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
      {roll.map((instrument) => {
        const held = instrument.id === current;
        return (
          <Pressable
            key={instrument.id}
            role="button"
            aria-pressed={held}
            accessibilityLabel={instrumentLabel(instrument)}
            accessibilityHint={held ? 'Press again to change its ink and width' : undefined}
            disabled={!writable}
            onPress={() => (held ? setChanging(instrument.id) : choose(instrument.id))}
            style={[
              styles.place,
              held && { backgroundColor: colors.primaryContainer, borderColor: colors.primary },
              !writable && styles.idle,
            ]}
          >
            <Icon
              name={instrument.kind as IconName}
              size={22}
              color={held ? colors.onPrimaryContainer : colors.onSurface}
            />
            {/* Ink on paper, so that dark ink shows on a dark roll too. */}
            <View style={[styles.paper, { borderColor: colors.outlineVariant }]}>
              {instrument.kind !== 'eraser' && (
                <View
                  style={{
                    height: Math.max(2, Math.min(6, instrument.widthMm * 2.2)),
                    backgroundColor: instrument.colour,
                  }}
                />
              )}
            </View>
          </Pressable>
        );
      })}
      <View
        style={[
          upright ? styles.lineAcross : styles.lineDown,
          { backgroundColor: colors.outlineVariant },
        ]}
      />
      <Step label="Undo" icon="undo" able={canUndo} onPress={session.undo} />
      <Step label="Redo" icon="redo" able={canRedo} onPress={session.redo} />
      <InstrumentSheet instrument={shown} onClose={() => setChanging(null)} />
    </View>
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
  roll: { alignItems: 'center', justifyContent: 'center' },
  level: { flexDirection: 'row', borderTopWidth: 1, paddingVertical: 4, gap: 1 },
  upright: {
    flexDirection: 'column',
    borderRightWidth: 1,
    borderLeftWidth: 1,
    paddingHorizontal: 4,
    gap: 4,
  },
  place: {
    width: 44,
    height: 46,
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
  lineDown: { width: 1, height: 30, marginHorizontal: 1 },
  lineAcross: { height: 1, width: 34, marginVertical: 4 },
});
