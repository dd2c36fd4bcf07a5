import { type Figure, figureLines } from '@marginalis/core/figures';
import {
  displayMatrix,
  displaySize,
  type PageBox,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { useTheme } from 'react-native-paper';
import { useSight } from '@/stage';
import { Area, Path, Svg } from '@/ui';

/** A figure as it would be, in broken lines over the page. */
export function Ghost({ page, figure }: { page: PageBox; figure: Figure }) {
  const { zoom } = useSight();
  const { colors } = useTheme();
  const matrix = displayMatrix(page);
  const { width, height } = displaySize(page);
  const lines = figureLines(figure).map((line) => line.map((p) => transform(matrix, p)));
  return (
    <Area style={{ position: 'absolute', inset: 0, pointerEvents: 'none' }} aria-hidden>
      <Svg width="100%" height="100%" viewBox={`0 0 ${width} ${height}`}>
        <Path
          d={pathData(lines)}
          fill="none"
          stroke={colors.primary}
          strokeWidth={1.6 / zoom}
          strokeDasharray={`${6 / zoom} ${4 / zoom}`}
          strokeLinejoin="round"
        />
      </Svg>
    </Area>
  );
}

const pathData = (lines: readonly (readonly Vec[])[]): string =>
  lines
    .map((line) =>
      line.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(2)} ${p.y.toFixed(2)}`).join(''),
    )
    .join('');
