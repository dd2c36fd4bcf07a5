import { useEffect, useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { useSession, useSettings } from '@/session';
import { FootCorner, type StageController, useStage } from '@/stage';
import { IconAction } from '@/ui';
import { WindowGuide } from './WindowGuide';

/** Has the window led while it is open; a button goes to the next line at once. */
export function NextLine({ main }: { main: StageController }) {
  const session = useSession();
  const { controller } = useStage();
  const { colors } = useTheme();
  const hand = useSettings((s) => s.hand);
  const guide = useMemo(
    () => new WindowGuide(session, controller, main),
    [session, controller, main],
  );
  useEffect(() => guide.start(), [guide]);
  return (
    <FootCorner hand={hand} inset={4}>
      <View style={[styles.step, { backgroundColor: colors.surface, borderColor: colors.outline }]}>
        <IconAction icon="nextLine" label="To the next line" onPress={guide.toNextLine} />
      </View>
    </FootCorner>
  );
}

const styles = StyleSheet.create({ step: { borderWidth: 1, borderRadius: 6 } });
