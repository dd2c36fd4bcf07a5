import { degrees, distance, subtract, type Vec } from '../geometry/index.ts';
import { type Candidate } from './candidate.ts';
import type { Figure } from './figure.ts';
import { fitCircle } from './fitCircle.ts';
import { ellipseDistance, fitEllipse } from './fitEllipse.ts';
import { spanOf } from './fitLine.ts';

/** Axes nearer to equal than this make a circle. */
const CIRCLE_RATIO = 0.9;
/** Flatter than this it is no ellipse but a line drawn twice. */
const FLATTEST = 0.12;
/** What an arc may sweep, radians. */
const LEAST_SWEEP = degrees(40);
const MOST_SWEEP = degrees(325);
/** A bow lower than this share of its chord is a line. */
const LEAST_BOW = 0.075;

const rms = (values: readonly number[]): number =>
  Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / values.length);

/** The circle and the ellipse that a loop may be, the likelier first. */
export function readRound(loop: readonly Vec[]): Candidate[] {
  const span = spanOf(loop);
  const e = fitEllipse(loop);
  if (!e || e.ry / e.rx < FLATTEST) return [];
  const circle: Figure = { kind: 'circle', centre: e.centre, radius: (e.rx + e.ry) / 2 };
  const ellipse: Figure = { kind: 'ellipse', ...e };
  const candidates: Candidate[] = [
    {
      figure: circle,
      stray: rms(loop.map((p) => distance(p, circle.centre) - circle.radius)) / span,
      freedoms: 3,
    },
    { figure: ellipse, stray: rms(loop.map((p) => ellipseDistance(e, p))) / span, freedoms: 5 },
  ];
  return e.ry / e.rx > CIRCLE_RATIO ? candidates : candidates.reverse();
}

/** The part of a circle that an open stroke may be. */
export function readArc(points: readonly Vec[]): Candidate[] {
  const fit = fitCircle(points);
  if (!fit) return [];
  const { centre, radius } = fit;
  const angles = points.map((p) => Math.atan2(p.y - centre.y, p.x - centre.x));
  let sweep = 0;
  for (let i = 1; i < angles.length; i++) {
    const turn = angles[i] - angles[i - 1];
    sweep += turn - 2 * Math.PI * Math.round(turn / (2 * Math.PI));
  }
  const bow = (1 - Math.cos(Math.min(Math.PI, Math.abs(sweep) / 2))) * radius;
  const { x, y } = subtract(points[points.length - 1], points[0]);
  if (Math.abs(sweep) < LEAST_SWEEP || Math.abs(sweep) > MOST_SWEEP) return [];
  if (bow < LEAST_BOW * Math.hypot(x, y)) return [];
  const stray = rms(points.map((p) => distance(p, centre) - radius)) / spanOf(points);
  return [{ figure: { kind: 'arc', centre, radius, start: angles[0], sweep }, stray, freedoms: 5 }];
}
