import { boundsOf, drawingOf } from '@marginalis/core/derived';
import { boxHeight, boxWidth, growBox } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import { StyleSheet, View } from 'react-native';
import { DrawingSvg } from '@/stage';
import { G, Svg } from '@/ui';

const SIZE = 48;

/** A mark by itself, small, upright as it was written. */
export function WaitingPicture({ mark }: { mark: Mark }) {
  const b = growBox(boundsOf(mark), 2);
  return (
    <View style={styles.picture} aria-hidden>
      <Svg
        width={SIZE}
        height={SIZE}
        viewBox={`${b.minX} ${-b.maxY} ${boxWidth(b)} ${boxHeight(b)}`}
      >
        <G transform="matrix(1 0 0 -1 0 0)">
          <DrawingSvg drawing={drawingOf(mark)} />
        </G>
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  picture: { width: SIZE, height: SIZE, backgroundColor: '#ffffff', borderRadius: 2 },
});
