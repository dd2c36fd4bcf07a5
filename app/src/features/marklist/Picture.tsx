import { drawingOf, type ListedMark, outlineOf } from '@marginalis/core/derived';
import {
  boxHeight,
  boxWidth,
  displayMatrix,
  growBox,
  type PageBox,
  uniteBoxes,
} from '@marginalis/core/geometry';
import { StyleSheet, View } from 'react-native';
import { G, Svg } from '@/ui';
import { DrawingSvg } from '@/stage';

/** Outlines of more numbers than this are too much for a small picture. */
const LONGEST = 9_000;
/** So many strokes are enough to know a line by. */
const MOST = 150;

/** Marks that belong together, small. */
export function Picture(props: {
  rows: readonly ListedMark[];
  page: PageBox;
  width: number | `${number}%`;
  height: number;
}) {
  const { rows, page, width, height } = props;
  const display = displayMatrix(page);
  const b = growBox(rows.map(({ box }) => box).reduce(uniteBoxes), 2);
  const drawn = rows.slice(0, MOST).filter(({ mark }) => outlineOf(mark).coords.length < LONGEST);
  return (
    <View style={[styles.picture, { width, height }]}>
      <Svg
        width="100%"
        height={height}
        viewBox={`${b.minX} ${b.minY} ${boxWidth(b)} ${boxHeight(b)}`}
        preserveAspectRatio={rows.length > 1 ? 'xMinYMid meet' : 'xMidYMid meet'}
      >
        <G transform={`matrix(${display.join(' ')})`}>
          {drawn.map(({ mark }) => (
            <DrawingSvg key={mark.id} drawing={drawingOf(mark)} />
          ))}
        </G>
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  picture: { backgroundColor: '#ffffff', borderRadius: 2, overflow: 'hidden' },
});
