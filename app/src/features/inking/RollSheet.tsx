import { INSTRUMENTS, MOST_INSTRUMENTS } from '@marginalis/core/marks';
import { StyleSheet, View } from 'react-native';
import { Divider, Text } from 'react-native-paper';
import { usePenRoll, useSession } from '@/session';
import { Action, Icon, type IconName, Sheet } from '@/ui';

/** Adds an instrument to the roll, or lays out the first roll again. */
export function RollSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { roll, add, reset } = usePenRoll();
  const { hand } = useSession();
  const full = roll.length >= MOST_INSTRUMENTS;
  return (
    <Sheet title="Add to the pen roll" open={open} onClose={onClose}>
      {full && <Text>The roll is full. Remove an instrument to add another.</Text>}
      <View style={styles.list}>
        {INSTRUMENTS.map((instrument) => (
          <Action
            key={instrument.id}
            mode="outlined"
            disabled={full}
            icon={({ size, color }) => (
              <Icon name={instrument.kind as IconName} size={size} color={color} />
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
          onClose();
        }}
      >
        Back to the first roll
      </Action>
    </Sheet>
  );
}

const styles = StyleSheet.create({ list: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 } });
