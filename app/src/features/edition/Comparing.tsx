import type { CarriedOver } from '@marginalis/core/edition';
import { useEffect, useState } from 'react';
import { ProgressBar, Text, useTheme } from 'react-native-paper';
import { useSession } from '@/session';
import type { There } from '@/shell';
import { Action, Sheet } from '@/ui';
import { Carried } from './Carried';
import { Comparison, type NewFile } from './comparison';
import { CARRY_TITLE } from './ids';

/** Both editions are compared, and then looked through. */
export function Comparing(props: { file: NewFile & Pick<There, 'drop'>; onClose: () => void }) {
  const { file, onClose } = props;
  const session = useSession();
  const { colors } = useTheme();
  const [progress, setProgress] = useState(0);
  const [carried, setCarried] = useState<CarriedOver | null>(null);
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    const comparison = new Comparison(session, file);
    let isGone = false;
    comparison
      .run((done, all) => !isGone && setProgress(done / Math.max(1, all)))
      .then(
        (compared) => {
          if (isGone) return;
          if (compared.ok) setCarried(compared.carried);
          else setTrouble(compared.message);
        },
        (e: unknown) => isGone || setTrouble(e instanceof Error ? e.message : String(e)),
      );
    return () => {
      isGone = true;
      comparison.stop();
    };
  }, [session, file]);
  const leave = (): void => {
    onClose();
    void file.drop();
  };
  if (carried) return <Carried file={file} carried={carried} onClose={onClose} onLeave={leave} />;
  return (
    <Sheet title={CARRY_TITLE} open onClose={leave} foot={<Action onPress={leave}>Stop</Action>}>
      {trouble === '' ? (
        <>
          <Text role="status">The two editions are being compared.</Text>
          <ProgressBar progress={progress} accessibilityLabel="Comparing" />
        </>
      ) : (
        <Text role="alert" style={{ color: colors.error }}>
          {trouble}
        </Text>
      )}
    </Sheet>
  );
}
