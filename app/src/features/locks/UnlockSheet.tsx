import { useState } from 'react';
import { Text } from 'react-native-paper';
import { useSession } from '@/session';
import { Action, PasswordField, Sheet } from '@/ui';

/** Asks for the password of pages that are locked. */
export function UnlockSheet({ onClose }: { onClose: () => void }) {
  const { locks } = useSession();
  const [password, setPassword] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [waits, setWaits] = useState(false);
  const open = async (): Promise<void> => {
    setWaits(true);
    const why = await locks.open(password);
    setWaits(false);
    if (why === null) onClose();
    else setRefusal(why);
  };
  return (
    <Sheet
      title="Open locked pages"
      open
      onClose={onClose}
      foot={
        <Action
          mode="contained"
          disabled={waits || password === ''}
          loading={waits}
          onPress={() => void open()}
        >
          Open
        </Action>
      }
    >
      <Text>
        Some pages come from a file that is locked. The password stays in this tab only and is
        stored nowhere.
      </Text>
      <PasswordField
        value={password}
        onChange={(text) => {
          setPassword(text);
          setRefusal(null);
        }}
        onSubmit={() => void open()}
        refusal={refusal}
        remembered={false}
      />
    </Sheet>
  );
}
