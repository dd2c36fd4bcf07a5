import { StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { usePageNames, useSettings } from '@/session';
import { BESIDE_OPENER, FootCorner, useSight, useStage } from '@/stage';
import { Action, IconAction, paperIcon } from '@/ui';

/** The place that is held: one tap flips there and back. */
export function HeldPlace() {
  const { controller } = useStage();
  const { held } = useSight();
  const hand = useSettings((r) => r.hand);
  const nameOf = usePageNames();
  const { colors } = useTheme();
  const index = held ? controller.indexOf(held.page) : -1;
  if (index < 0) return null;
  return (
    <FootCorner hand={hand} inset={BESIDE_OPENER}>
      <View
        role="group"
        aria-label="Place held"
        style={[styles.held, { backgroundColor: colors.surface, borderColor: colors.outline }]}
      >
        <Action icon={paperIcon('flip')} onPress={() => controller.flip()}>
          {`Flip to page ${nameOf(index)}`}
        </Action>
        <IconAction
          icon="close"
          size={18}
          label="Let the place go"
          onPress={() => controller.hold(null)}
        />
      </View>
    </FootCorner>
  );
}

const styles = StyleSheet.create({
  held: { flexDirection: 'row', alignItems: 'center', borderWidth: 1, borderRadius: 6 },
});
