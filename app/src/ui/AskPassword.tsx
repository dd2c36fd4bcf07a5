import { type ReactNode, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Action } from './Action';
import { PasswordField } from './PasswordField';

/** Asks for a password until one opens what is locked. */
export function AskPassword(props: {
  /** Tries one; why it opens nothing, in words, or null where it does. */
  open: (password: string) => Promise<string | null>;
  /** Whether the browser may remember it. */
  remembered?: boolean;
  /** Other ways out. */
  children?: ReactNode;
}) {
  const { open, remembered = false, children } = props;
  const [password, setPassword] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [waits, setWaits] = useState(false);
  const attempt = async (): Promise<void> => {
    setWaits(true);
    setRefusal(await open(password));
    setWaits(false);
  };
  return (
    <View style={styles.form}>
      <PasswordField
        value={password}
        onChange={(text) => {
          setPassword(text);
          setRefusal(null);
        }}
        onSubmit={() => void attempt()}
        refusal={refusal}
        remembered={remembered}
      />
      <Action
        mode="contained"
        onPress={() => void attempt()}
        loading={waits}
        disabled={waits || password === ''}
      >
        Open
      </Action>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({ form: { width: '100%', gap: 6 } });
