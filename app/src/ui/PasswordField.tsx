import { HelperText, TextInput } from 'react-native-paper';

/** Asks for a password that somebody has; why the last one was none, beneath it. */
export function PasswordField(props: {
  value: string;
  onChange: (password: string) => void;
  onSubmit: () => void;
  /** In words; null where nothing is wrong. */
  refusal: string | null;
  /** Whether the browser may remember it. */
  remembered: boolean;
  /** Whether one begins to type here. */
  isFirst?: boolean;
}) {
  const { value, onChange, onSubmit, refusal, remembered, isFirst = true } = props;
  return (
    <>
      <TextInput
        label="Password"
        accessibilityLabel="Password"
        autoCapitalize="none"
        autoComplete={remembered ? 'current-password' : 'off'}
        autoCorrect={false}
        spellCheck={false}
        mode="outlined"
        secureTextEntry
        autoFocus={isFirst}
        value={value}
        onChangeText={onChange}
        onSubmitEditing={onSubmit}
        error={refusal !== null}
      />
      <HelperText type="error" visible={refusal !== null} role="alert">
        {refusal}
      </HelperText>
    </>
  );
}
