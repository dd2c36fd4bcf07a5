import { type EquationOutline, outlineBox, piecePath } from '@marginalis/core/equations';
import { boxHeight, boxWidth, growBox, scaleAbout } from '@marginalis/core/geometry';
import { pathData } from '@/stage';
import { Path, Svg } from '@/ui';

/** Letters lean out of their boxes, ems. */
const BEYOND = 0.08;
/** Units of the drawing to the em: its numbers are short so. */
const UNIT = 100;
const LARGE = scaleAbout(UNIT, -UNIT, { x: 0, y: 0 });

/** An equation as it was set, no larger than `size` pixels to the em and whole within `widest` and `highest`. */
export function EquationSvg(props: {
  outline: EquationOutline;
  colour: string;
  size: number;
  widest: number;
  highest: number;
}) {
  const { outline, colour, size, widest, highest } = props;
  const box = growBox(outlineBox(outline), BEYOND);
  const [width, height] = [boxWidth(box), boxHeight(box)];
  const scale = Math.min(size, widest / width, highest / height);
  return (
    <Svg
      width={scale * width}
      height={scale * height}
      viewBox={`${UNIT * box.minX} ${-UNIT * box.maxY} ${UNIT * width} ${UNIT * height}`}
      aria-hidden
    >
      {outline.pieces.map((piece, k) => (
        <Path key={k} d={pathData(piecePath(piece, LARGE))} fill={piece.colour ?? colour} />
      ))}
    </Svg>
  );
}
