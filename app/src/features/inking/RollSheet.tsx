import { type Instrument, INSTRUMENTS, MOST_INSTRUMENTS } from '@marginalis/core/marks';
import { StyleSheet, View } from 'react-native';
import { Divider, Text } from 'react-native-paper';
import { useSettings, useSession } from '@/session';
import { Action, Sheet } from '@/ui';
import { instrumentLabel } from './InstrumentButton';
import { InstrumentIcon } from './InstrumentIcon';

/** Takes an instrument of the roll that has no place in sight, adds one, or lays out the first roll again. */
export function RollSheet(props: {
  open: boolean;
  /** What of the roll is out of sight. */
  rest: readonly Instrument[];
  onClose: () => void;
}) {
  const { open, rest, onClose } = props;
  const { roll, add, reset, bringBack } = useSettings();
  const { hand, notices } = useSession();
  const full = roll.length >= MOST_INSTRUMENTS;
  return (
    <Sheet
      title={rest.length > 0 ? 'More instruments' : 'Add to the pen roll'}
      open={open}
      onClose={onClose}
    >
      {rest.length > 0 && (
        <>
          <View style={styles.list}>
            {rest.map((instrument) => (
              <Action
                key={instrument.id}
                mode="outlined"
                accessibilityLabel={instrumentLabel(instrument)}
                icon={({ size, color }) => (
                  <InstrumentIcon instrument={instrument} size={size + 6} color={color} />
                )}
                onPress={() => {
                  hand.choose(instrument.id);
                  onClose();
                }}
              >
                {instrument.name}
              </Action>
            ))}
          </View>
          <Divider />
          <Text variant="titleMedium" role="heading" aria-level={3}>
            Add to the pen roll
          </Text>
        </>
      )}
      {full && <Text>The roll is full. Remove an instrument to add another.</Text>}
      <View style={styles.list}>
        {INSTRUMENTS.map((instrument) => (
          <Action
            key={instrument.id}
            mode="outlined"
            disabled={full}
            accessibilityLabel={`Add: ${instrument.name}`}
            icon={({ size, color }) => (
              <InstrumentIcon instrument={instrument} size={size + 6} color={color} />
            )}
            onPress={() => {
              hand.choose(add(instrument));
              onClose();
            }}
          >
            {instrument.name}
          </Action>
        ))}
      </View>
      <Divider />
      <Action
        onPress={() => {
          reset();
          notices.offerUndo({
            text: 'The first roll is laid out again.',
            undo: () => bringBack(roll),
          });
          onClose();
        }}
      >
        Back to the first roll
      </Action>
    </Sheet>
  );
}

const styles = StyleSheet.create({ list: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 } });
