import { boundsOf, drawingOf } from '@marginalis/core/derived';
import { boxHeight, boxWidth, growBox, uniteBoxes } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import { StyleSheet, View } from 'react-native';
import { DrawingSvg } from '@/stage';
import { G, Svg } from '@/ui';

const [WIDE, HIGH] = [84, 48];

/** Marks by themselves, small, upright as they were written. */
export function WaitingPicture({ marks }: { marks: readonly Mark[] }) {
  const b = growBox(marks.map(boundsOf).reduce(uniteBoxes), 2);
  return (
    <View style={styles.picture} aria-hidden>
      <Svg
        width={WIDE}
        height={HIGH}
        viewBox={`${b.minX} ${-b.maxY} ${boxWidth(b)} ${boxHeight(b)}`}
      >
        <G transform="matrix(1 0 0 -1 0 0)">
          <DrawingSvg drawing={marks.flatMap(drawingOf)} />
        </G>
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  picture: { width: WIDE, height: HIGH, backgroundColor: '#ffffff', borderRadius: 2 },
});
