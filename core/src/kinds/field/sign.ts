import { diamondCorners, type Figure, outlineFigure, starCorners } from '../../figures/index.ts';
import {
  type Box,
  boxCentre,
  boxHeight,
  boxWidth,
  moveBy,
  type Path,
  polygonPath,
  transform,
  turnAbout,
  type Vec,
} from '../../geometry/index.ts';
import type { Sign } from './mark.ts';

/** Of the shorter side of its box: how wide and high a sign is, and how thick its lines. */
const SIZE = 0.62;
const LINE = 0.12;
const STAR = { tips: 5, inner: 0.4 } as const;

/** A sign in the middle of a box, turned anticlockwise by so many degrees. */
export function signPath(sign: Sign, box: Box, turn: number): Path {
  const side = Math.min(boxWidth(box), boxHeight(box));
  const r = (SIZE * side) / 2;
  const centre = boxCentre(box);
  const turned = turnAbout((turn * Math.PI) / 180, { x: 0, y: 0 });
  const at = (x: number, y: number): Vec =>
    transform(moveBy(centre), transform(turned, { x: x * r, y: y * r }));
  const outlined = (figure: Figure): Path => outlineFigure(figure, LINE * side);
  const whole = { centre, width: 2 * r, height: 2 * r, angle: (turn * Math.PI) / 180 };
  switch (sign) {
    case 'tick':
      return outlined({ kind: 'tick', corners: [at(-1, -0.05), at(-0.35, -0.8), at(1, 0.85)] });
    case 'cross':
      return outlined({
        kind: 'cross',
        first: [at(-0.9, 0.9), at(0.9, -0.9)],
        second: [at(-0.9, -0.9), at(0.9, 0.9)],
      });
    case 'circle':
      // A dot with no width of its own but its line's.
      return outlineFigure({ kind: 'polyline', corners: [centre, centre] }, 2 * r);
    case 'square':
      return polygonPath([at(-0.9, 0.9), at(0.9, 0.9), at(0.9, -0.9), at(-0.9, -0.9)]);
    case 'diamond':
      return polygonPath(diamondCorners(whole));
    case 'star':
      return polygonPath(
        starCorners({
          kind: 'star',
          centre,
          outer: 1.15 * r,
          inner: STAR.inner * 1.15 * r,
          angle: Math.PI / 2 + whole.angle,
          tips: STAR.tips,
        }),
      );
  }
}
