import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { useSettings, useSessionState } from '@/session';
import { useReader, useShell } from '@/shell';
import { FootCorner } from '@/stage';
import { IconAction, WIDE_FROM } from '@/ui';
import { WINDOW } from './ids';

/** One tap opens the writing window: on a phone, at the foot of the pages, away from the writing hand. */
export function Opener() {
  const { shell } = useReader();
  const { colors } = useTheme();
  const hand = useSettings((r) => r.hand);
  const writable = useSessionState((s) => s.writable);
  const narrow = useWindowDimensions().width < WIDE_FROM;
  const isFree = useShell((s) => s.panels.roll === null);
  if (!narrow || !writable || !isFree) return null;
  return (
    <FootCorner hand={hand} inset={8}>
      <View
        style={[
          styles.place,
          { backgroundColor: colors.surface, borderColor: colors.outlineVariant },
        ]}
      >
        <IconAction
          icon="magnify"
          label="Open the writing window"
          onPress={() => shell.openPanel('roll', WINDOW)}
        />
      </View>
    </FootCorner>
  );
}

const styles = StyleSheet.create({ place: { borderWidth: 1, borderRadius: 6 } });
