import type { LinkOpenings } from '@marginalis/core/wire';
import { View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';

/** When a link was opened, the last time first; of many only the last ones. */
export function OpeningTimes({ openings: { count, times } }: { openings: LinkOpenings }) {
  const { colors } = useTheme();
  const quiet = { color: colors.onSurfaceVariant };
  return (
    <View role="list" aria-label="Times it was opened">
      {times.map((at, index) => (
        <Text key={`${at} ${index}`} role="listitem" style={quiet}>
          {new Date(at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'medium' })}
        </Text>
      ))}
      {count > times.length && <Text style={quiet}>and {count - times.length} before</Text>}
    </View>
  );
}
