import type { Matrix } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/marks';
import Svg, { G, Path } from 'react-native-svg';
import { outlineData } from '@/stage';
import { Area } from '@/ui';

/** Marks as they would be after `matrix`, which maps them onto the page as seen. */
export function Carried(props: {
  marks: readonly Mark[];
  page: { width: number; height: number };
  matrix: Matrix;
}) {
  const { marks, page, matrix } = props;
  return (
    <Area style={{ position: 'absolute', inset: 0, pointerEvents: 'none' }} aria-hidden>
      <Svg width="100%" height="100%" viewBox={`0 0 ${page.width} ${page.height}`}>
        <G transform={`matrix(${matrix.join(' ')})`}>
          {marks.map((mark) => (
            <Path
              key={mark.id}
              d={outlineData(mark)}
              fill={mark.style.colour}
              fillOpacity={mark.style.opacity}
              fillRule="nonzero"
            />
          ))}
        </G>
      </Svg>
    </Area>
  );
}
