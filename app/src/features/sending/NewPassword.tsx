import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { HelperText } from 'react-native-paper';
import { Action, Field } from '@/ui';

/** Asks for a password that others will be asked for; what is wrong with it, or what to do with it, beneath. */
export function NewPassword(props: {
  /** What it is for, read aloud. */
  label: string;
  value: string;
  maxLength: number;
  onChange: (password: string) => void;
  /** In words; null where it can be used. */
  trouble: string | null;
  hint: string;
}) {
  const { label, value, maxLength, onChange, trouble, hint } = props;
  const [isShown, setShown] = useState(false);
  return (
    <View>
      <View style={styles.row}>
        <Field
          label="Password (if you want one)"
          accessibilityLabel={label}
          autoCapitalize="none"
          autoComplete="new-password"
          autoCorrect={false}
          spellCheck={false}
          secureTextEntry={!isShown}
          value={value}
          maxLength={maxLength}
          onChangeText={onChange}
          style={styles.field}
        />
        {value !== '' && (
          <Action
            onPress={() => setShown(!isShown)}
            accessibilityLabel={isShown ? 'Hide the password' : 'Show the password'}
          >
            {isShown ? 'Hide' : 'Show'}
          </Action>
        )}
      </View>
      {trouble && (
        <HelperText type="error" role="alert">
          {trouble}
        </HelperText>
      )}
      {!trouble && value !== '' && <HelperText type="info">{hint}</HelperText>}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center' },
  field: { flex: 1 },
});
