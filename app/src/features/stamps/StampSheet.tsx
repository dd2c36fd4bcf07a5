import type { DrawerItem } from '@marginalis/core/drawer';
import { FIRST_STAMPS, type StampDesign } from '@marginalis/core/stamps';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useStore } from 'zustand';
import { useDrawer } from '@/session';
import { putStamp, useReader } from '@/shell';
import { Action, Sheet } from '@/ui';
import { stampAsked } from './asked';
import { MakeStamp } from './MakeStamp';
import { StampButton } from './StampButton';

const NONE: readonly DrawerItem[] = [];

/** Stamps to choose from, one's own first: the one that is chosen is put on the page at once. */
export function StampSheet({ onClose }: { onClose: () => void }) {
  const reader = useReader();
  const spot = useStore(stampAsked, (s) => s.spot);
  const items = useDrawer((s) => s.items) ?? NONE;
  const [isMaking, setMaking] = useState(false);
  useEffect(() => void useDrawer.getState().read(), []);
  const put = (design: StampDesign, item?: DrawerItem): void => {
    onClose();
    void putStamp(reader, design, spot, item);
  };
  if (isMaking)
    return (
      <MakeStamp
        onClose={onClose}
        onDone={(item) => {
          setMaking(false);
          if (item?.design) put(item.design, item);
        }}
      />
    );
  const own = items.flatMap((item) => (item.design ? [{ item, design: item.design }] : []));
  return (
    <Sheet
      title="Stamps"
      open
      onClose={onClose}
      foot={
        <View style={styles.foot}>
          <Action onPress={() => setMaking(true)}>Make a stamp of your own</Action>
        </View>
      }
    >
      <Text variant="bodySmall">
        Your name, the day and the page are filled in as the stamp is put on the page.
      </Text>
      {own.length > 0 && (
        <View role="group" aria-label="Your own stamps" style={styles.all}>
          {own.map(({ item, design }) => (
            <StampButton
              key={item.id}
              design={design}
              number={item.uses + 1}
              onPress={() => put(design, item)}
            />
          ))}
        </View>
      )}
      <View role="group" aria-label="Stamps for papers" style={styles.all}>
        {FIRST_STAMPS.map((design) => (
          <StampButton key={design.id} design={design} onPress={() => put(design)} />
        ))}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  all: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  foot: { flexDirection: 'row' },
});
