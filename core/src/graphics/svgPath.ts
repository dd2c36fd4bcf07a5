import svgpath from 'svgpath';
import { type Path, PathBuilder } from '../geometry/index.ts';

/**
 * The data of an SVG path after what is done to it, arcs and quadratic curves as cubic ones (SVG 2, §9.3).
 * @param isClosed whether every part is closed, said or not, as what is filled is
 */
export function svgPath(data: string, transform = '', isClosed = true): Path {
  const builder = new PathBuilder();
  let isOpen = false;
  const close = (): void => {
    if (isOpen) builder.closePath();
    isOpen = false;
  };
  const begin = (x: number, y: number): void => {
    if (isClosed) close();
    isOpen = true;
    builder.moveTo(x, y);
  };
  svgpath(data)
    .abs()
    .unshort()
    // Before it is carried: mirrored arcs come out wrong.
    .unarc()
    .transform(transform)
    .iterate((segment, _, x, y) => {
      const v = segment.slice(1) as number[];
      if (segment[0] === 'M') return begin(v[0], v[1]);
      if (segment[0] === 'Z') return close();
      // After it was closed a path goes on from where it began.
      if (!isOpen) begin(x, y);
      if (segment[0] === 'C' || segment[0] === 'Q') {
        const [x1, y1, x2, y2, toX, toY] = segment[0] === 'C' ? v : cubicOf(x, y, v);
        builder.bezierCurveTo(x1, y1, x2, y2, toX, toY);
      } else if (segment[0] === 'V') builder.lineTo(x, v[0]);
      else builder.lineTo(v[0], segment[0] === 'H' ? y : v[1]);
    });
  if (isClosed) close();
  return builder.build();
}

/** A quadratic curve as a cubic one. */
const cubicOf = (x: number, y: number, [x1, y1, toX, toY]: readonly number[]): number[] => [
  ...[x + (2 / 3) * (x1 - x), y + (2 / 3) * (y1 - y)],
  ...[toX + (2 / 3) * (x1 - toX), toY + (2 / 3) * (y1 - toY)],
  ...[toX, toY],
];

/** A rectangle as the data of a path. */
export const rectPath = (x: number, y: number, width: number, height: number): string =>
  `M${x} ${y}h${width}v${height}h${-width}Z`;
