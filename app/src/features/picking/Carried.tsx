import type { Matrix } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import { drawingOf } from '@marginalis/core/derived';
import { DrawingSvg } from '@/stage';
import { Area, G, Svg } from '@/ui';

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
            <DrawingSvg key={mark.id} drawing={drawingOf(mark)} />
          ))}
        </G>
      </Svg>
    </Area>
  );
}
