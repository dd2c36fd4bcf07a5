import { Text, useTheme } from 'react-native-paper';
import { useSessionState } from '@/session';
import { Area } from '@/ui';

/** Said only after storage has answered. */
export function Saving() {
  const saving = useSessionState((s) => s.saving);
  const { colors } = useTheme();
  const text = { kept: 'Kept', keeping: 'Keeping …', unkept: 'Not kept' }[saving];
  return (
    <Area style={place}>
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
const place = { contain: 'strict', width: 72, height: 18 } as const;
