import { View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { InlineLink } from '@/ui';
import type { Handing } from './handing';

/** Says that something on the server stands in for what this device lacks, and leads to what it took. */
export function StandsIn({ of, says, see }: { of: Handing | null; says: string; see: string }) {
  const { colors } = useTheme();
  if (!of || of.shownAt === null) return null;
  return (
    <View>
      <Text style={{ color: colors.onSurfaceVariant }}>{says}</Text>
      <Text>
        <InlineLink address={of.shownAt} text={see} colour={colors.primary} />
      </Text>
    </View>
  );
}
