import { Text } from 'react-native-paper';
import { SwitchRow } from '@/ui';

/** Whether the day stands beneath a signature, and what a signature is here. */
export function SignatureTerms(props: { dated: boolean; onDated: (dated: boolean) => void }) {
  const { dated, onDated } = props;
  return (
    <>
      <SwitchRow label="Put the day beneath it" on={dated} onChange={onDated} />
      <Text variant="bodySmall">
        It is a picture of a signature. It does not prove who has signed, as a certificate does.
      </Text>
    </>
  );
}
