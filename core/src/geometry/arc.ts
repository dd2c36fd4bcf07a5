import type { PathSink } from './path.ts';
import type { Vec } from './vec.ts';

/** Control length for a quarter circle by one cubic: 4(√2 − 1)/3 (Goldapp, CAGD 8, 1991; from memory). */
export const KAPPA = (4 * (Math.SQRT2 - 1)) / 3;

/** A whole ellipse, anticlockwise (y up), as four cubics; `angle` turns the `rx` axis, radians. */
export function ellipseInto(sink: PathSink, centre: Vec, rx: number, ry: number, angle = 0): void {
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  const at = (u: number, v: number): [number, number] => [
    centre.x + u * rx * c - v * ry * s,
    centre.y + u * rx * s + v * ry * c,
  ];
  sink.moveTo(...at(1, 0));
  sink.bezierCurveTo(...at(1, KAPPA), ...at(KAPPA, 1), ...at(0, 1));
  sink.bezierCurveTo(...at(-KAPPA, 1), ...at(-1, KAPPA), ...at(-1, 0));
  sink.bezierCurveTo(...at(-1, -KAPPA), ...at(-KAPPA, -1), ...at(0, -1));
  sink.bezierCurveTo(...at(KAPPA, -1), ...at(1, -KAPPA), ...at(1, 0));
  sink.closePath();
}

/** The largest turn, radians, whose chord stays within `tolerance` of a circle of `radius`; at most π/4. */
export function arcStep(radius: number, tolerance: number): number {
  if (radius <= tolerance) return Math.PI / 4;
  return Math.min(Math.PI / 4, 2 * Math.acos(1 - tolerance / radius));
}
