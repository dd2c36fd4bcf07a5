import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useReader } from '@/shell';
import { takesFoot } from '@/stage';
import { Action, Area } from '@/ui';
import { SEND } from '../ids';
import { stopFraming, takeRegion, useRegions } from './regions';
import { useFramingPen } from './useFramingPen';

/** While a part of a page is asked for: what to do, and the ways on. */
export function FrameBar() {
  const { shell } = useReader();
  const { framed } = useRegions();
  const { colors } = useTheme();
  useFramingPen();
  if (framed === undefined) return null;
  return (
    <Area
      data-control
      ref={takesFoot}
      style={{
        position: 'absolute',
        left: 8,
        right: 8,
        bottom: 8,
        zIndex: 6,
        display: 'flex',
        justifyContent: 'center',
      }}
    >
      <View
        role="group"
        aria-label="Part of a page"
        style={[styles.bar, { backgroundColor: colors.surface, borderColor: colors.primary }]}
      >
        <Text role="status" style={styles.text}>
          Draw a frame around what is to leave. Nothing outside it does.
        </Text>
        <View style={styles.ways}>
          <Action onPress={stopFraming}>Cancel</Action>
          <Action
            mode="contained"
            disabled={framed === null}
            onPress={() => {
              takeRegion();
              shell.openDialog(SEND);
            }}
          >
            Take this part
          </Action>
        </View>
      </View>
    </Area>
  );
}

const styles = StyleSheet.create({
  bar: {
    flexShrink: 1,
    maxWidth: 640,
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    justifyContent: 'flex-end',
    gap: 10,
    borderWidth: 1,
    borderRadius: 6,
    paddingVertical: 8,
    paddingHorizontal: 12,
  },
  text: { flexGrow: 1, flexBasis: 240 },
  ways: { flexDirection: 'row', gap: 8 },
});
