import { displayMatrix, displaySize, type PageBox, transform } from '@marginalis/core/geometry';
import { aroundQuad, type Quad } from '@marginalis/core/print';
import { StyleSheet } from 'react-native';
import { Area, Polygon, Svg } from '@/ui';
import { blendOn } from './look';
import { useLook } from './StageContext';

/** Words that are shown in one way. */
export interface ShownQuads {
  readonly key: string;
  readonly quads: readonly Quad[];
  readonly fill: string;
  readonly opacity: number;
  /** Around each, CSS pixels; none without. */
  readonly frame?: number;
}

/** Shows where words of a page are, beneath whatever can be touched; mixed with the print it lies on where it has no frame. */
export function QuadsOnPage(props: {
  page: PageBox;
  shown: readonly ShownQuads[];
  testID: string;
}) {
  const { page, shown, testID } = props;
  const look = useLook();
  const matrix = displayMatrix(page);
  const { width, height } = displaySize(page);
  const isFramed = shown.some(({ frame }) => frame !== undefined);
  const blend = isFramed ? 'normal' : blendOn(look);
  return (
    <Area style={{ ...styles.over, mixBlendMode: blend }} aria-hidden data-testid={testID}>
      <Svg width="100%" height="100%" viewBox={`0 0 ${width} ${height}`}>
        {shown.flatMap(({ key, quads, fill, opacity, frame }) =>
          quads.map((quad, k) => (
            <Polygon
              key={`${key} ${k}`}
              points={aroundQuad(quad)
                .map((p) => transform(matrix, p))
                .map(({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}`)
                .join(' ')}
              fill={fill}
              fillOpacity={opacity}
              stroke={frame === undefined ? 'none' : fill}
              strokeWidth={frame ?? 0}
              vectorEffect="non-scaling-stroke"
            />
          )),
        )}
      </Svg>
    </Area>
  );
}

const styles = StyleSheet.create({
  over: { position: 'absolute', inset: 0, pointerEvents: 'none' },
});
