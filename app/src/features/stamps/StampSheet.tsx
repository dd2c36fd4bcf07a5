import { FIRST_STAMPS, type StampDesign } from '@marginalis/core/stamps';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useStore } from 'zustand';
import { useReader } from '@/shell';
import { Sheet } from '@/ui';
import { stampAsked } from './asked';
import { putStamp } from './putStamp';
import { StampButton } from './StampButton';

/** Stamps to choose from: the one that is chosen is put on the page at once. */
export function StampSheet({ onClose }: { onClose: () => void }) {
  const reader = useReader();
  const spot = useStore(stampAsked, (s) => s.spot);
  const put = async (design: StampDesign): Promise<void> => {
    onClose();
    try {
      await putStamp(reader, design, spot);
    } catch (e) {
      console.warn('A stamp could not be set.', e);
      reader.session.notices.tell('The face of the stamp could not be loaded: nothing was put.');
    }
  };
  return (
    <Sheet title="Stamps" open onClose={onClose}>
      <Text variant="bodySmall">
        Your name, the day and the page are filled in as the stamp is put on the page.
      </Text>
      <View role="group" aria-label="Stamps for papers" style={styles.all}>
        {FIRST_STAMPS.map((design) => (
          <StampButton key={design.id} design={design} onPress={() => void put(design)} />
        ))}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  all: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
