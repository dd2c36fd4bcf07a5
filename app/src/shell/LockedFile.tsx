import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, PasswordField } from '@/ui';

/** Asks for the password of a file whose pages are wanted. */
export function LockedFile(props: {
  name: string;
  /** Why the last password was none; empty at first. */
  refusal: string;
  waits: boolean;
  onPassword: (password: string) => void;
  onOther: () => void;
}) {
  const { name, refusal, waits, onPassword, onOther } = props;
  const [password, setPassword] = useState('');
  const [refused, setRefused] = useState('');
  const open = (): void => {
    setRefused(password);
    onPassword(password);
  };
  return (
    <View style={styles.all}>
      <Text>{`“${name}” is locked with a password, which stays in this tab only.`}</Text>
      <PasswordField
        value={password}
        onChange={setPassword}
        onSubmit={open}
        refusal={refusal !== '' && password === refused ? refusal : null}
        remembered={false}
      />
      <View style={styles.row}>
        <Action mode="contained" disabled={waits || password === ''} loading={waits} onPress={open}>
          Open
        </Action>
        <Action onPress={onOther}>Another file …</Action>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
