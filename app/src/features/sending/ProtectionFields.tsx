import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { SwitchRow, SwitchRows } from '@/ui';
import { NewPassword } from './NewPassword';
import { type ProtectionTerms, troubleOfProtection } from './protection';

const ALLOWED = [
  ['mayPrint', 'It may be printed'],
  ['mayCopy', 'Its words may be copied'],
  ['mayChange', 'It may be changed'],
] as const;

/** Whether a copy is locked, with which password, and what may be done with it. */
export function ProtectionFields(props: {
  terms: ProtectionTerms;
  onChange: (part: Partial<ProtectionTerms>) => void;
  /** The original asks for a password. */
  isLocked: boolean;
}) {
  const { terms, onChange, isLocked } = props;
  const { colors } = useTheme();
  return (
    <View style={styles.all}>
      <SwitchRow
        label={isLocked ? 'Lock the copy, as the original is' : 'Protect the copy'}
        on={terms.on}
        onChange={(on) => onChange({ on })}
      />
      {terms.on && (
        <>
          <NewPassword
            label="Password for the copy"
            value={terms.password}
            maxLength={200}
            onChange={(password) => onChange({ password })}
            trouble={troubleOfProtection(terms)}
            hint="Nobody can open the copy without it. Tell it another way than the copy."
          />
          <SwitchRows rows={ALLOWED} values={terms} onChange={onChange} />
          <Text style={{ color: colors.onSurfaceVariant }}>
            Most programs respect these limits, but none has to.
          </Text>
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({ all: { gap: 8 } });
