import { Text } from 'react-native-paper';
import { useSession } from '@/session';
import { AskPassword, Sheet } from '@/ui';

/** Asks for the password of pages that are locked. */
export function UnlockSheet({ onClose }: { onClose: () => void }) {
  const { locks } = useSession();
  const open = async (password: string): Promise<string | null> => {
    const why = await locks.open(password);
    if (why === null) onClose();
    return why;
  };
  return (
    <Sheet title="Open locked pages" open onClose={onClose}>
      <Text>
        Some pages come from a file that is locked. The password stays in this tab only and is
        stored nowhere.
      </Text>
      <AskPassword open={open} />
    </Sheet>
  );
}
