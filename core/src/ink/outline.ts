import { arcStep, type Path, PathBuilder } from '../geometry/index.ts';
import { inkRadius, type Nib } from './nib.ts';
import type { InkSample } from './sample.ts';

/** How far a chord may stray from the arc it stands for, points. */
const ARC_TOLERANCE = 0.015;
/** Coordinates leave here rounded to 1/100 point, once, so that screen and PDF draw the same numbers. */
const PER_POINT = 100;

/** A disc on the centreline. */
interface Disc {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/**
 * The outline of ink: the union of discs along the centreline and of the strips between their common
 * outer tangents, as one anticlockwise ring (y up). Where a side folds inwards the ring passes through
 * the disc's centre, so that every piece of it winds the same way and a non-zero fill never leaves a hole.
 * An empty centreline gives an empty path; a single point gives a dot.
 */
export function outlineInk(centreline: readonly InkSample[], nib: Nib): Path {
  return outlineDiscs(centreline.map((s) => ({ x: s.x, y: s.y, r: inkRadius(nib, s.pressure) })));
}

/** The same for discs of given radii (points). */
export function outlineDiscs(all: readonly Disc[]): Path {
  const discs = withoutSwallowed(all);
  const builder = new PathBuilder();
  if (discs.length === 0) return builder.build();
  const ring = new Ring(builder);
  if (discs.length === 1) {
    ring.arc(discs[0], 0, 2 * Math.PI);
    ring.close();
    return builder.build();
  }

  const strips = stripsOf(discs);
  const end = strips.length - 1;
  for (let i = 0; i <= end; i++) {
    const before = i > 0 ? strips[i - 1] : null;
    if (before) ring.join(discs[i], before.right, strips[i].right, before.length, strips[i].length);
    else ring.point(discs[0], strips[0].right);
  }
  ring.arc(discs[end + 1], strips[end].right, strips[end].left);
  for (let i = end; i > 0; i--)
    ring.join(discs[i], strips[i].left, strips[i - 1].left, strips[i].length, strips[i - 1].length);
  ring.arc(discs[0], strips[0].left, strips[0].right + 2 * Math.PI);
  ring.close();
  return builder.build();
}

/** Drops every disc that lies inside its neighbour; what remains has a common tangent pair by pair. */
function withoutSwallowed(all: readonly Disc[]): Disc[] {
  const out: Disc[] = [];
  for (const disc of all) {
    let swallowed = false;
    while (out.length > 0) {
      const last = out[out.length - 1];
      const d = Math.hypot(disc.x - last.x, disc.y - last.y);
      if (d + disc.r <= last.r + 1e-9) {
        swallowed = true;
        break;
      }
      if (d + last.r > disc.r + 1e-9) break;
      out.pop();
    }
    if (!swallowed) out.push(disc);
  }
  return out;
}

/** Between two discs: the directions of the outer normals of its two sides, and its length. */
interface Strip {
  /** Radians, continuous so that right < left < right + 2π. */
  readonly right: number;
  readonly left: number;
  readonly length: number;
}

/** The normal n of a common tangent makes n · u = (r₀ − r₁)/d with the direction u of the centres. */
function stripsOf(discs: readonly Disc[]): Strip[] {
  const strips: Strip[] = [];
  for (let i = 0; i + 1 < discs.length; i++) {
    const a = discs[i];
    const b = discs[i + 1];
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    const along = Math.atan2(b.y - a.y, b.x - a.x);
    const aside = Math.acos(Math.min(1, Math.max(-1, (a.r - b.r) / length)));
    strips.push({ right: along - aside, left: along + aside, length });
  }
  return strips;
}

/** Turns an angle into −π … π. */
function wrapped(angle: number): number {
  return angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));
}

/** Writes one ring, rounding every corner to the grid and leaving out repeats. */
class Ring {
  private started = false;
  private lastX = NaN;
  private lastY = NaN;

  constructor(private readonly builder: PathBuilder) {}

  /** The point of the disc's rim in direction `normal`. */
  point(disc: Disc, normal: number): void {
    this.put(disc.x + disc.r * Math.cos(normal), disc.y + disc.r * Math.sin(normal));
  }

  /** Anticlockwise along the rim; both ends included. */
  arc(disc: Disc, from: number, to: number): void {
    const steps = Math.max(1, Math.ceil((to - from) / arcStep(disc.r, ARC_TOLERANCE)));
    for (let k = 0; k <= steps; k++) this.point(disc, from + ((to - from) * k) / steps);
  }

  /** From one strip's side to the next one's: round on the outside, folded on the inside. */
  join(disc: Disc, from: number, to: number, lengthBefore: number, lengthAfter: number): void {
    const turn = wrapped(to - from);
    if (disc.r * (1 - Math.cos(turn / 2)) < ARC_TOLERANCE / 3) {
      this.point(disc, from + turn / 2);
    } else if (turn > 0) {
      this.arc(disc, from, from + turn);
    } else {
      this.point(disc, from);
      // Short strips do not cover the fold; going through the centre keeps the winding positive.
      if (turn < -Math.PI / 2 || disc.r * Math.sin(-turn) > Math.min(lengthBefore, lengthAfter))
        this.put(disc.x, disc.y);
      this.point(disc, from + turn);
    }
  }

  close(): void {
    this.builder.closePath();
  }

  private put(x: number, y: number): void {
    const rx = Math.round(x * PER_POINT) / PER_POINT;
    const ry = Math.round(y * PER_POINT) / PER_POINT;
    if (rx === this.lastX && ry === this.lastY) return;
    if (this.started) this.builder.lineTo(rx, ry);
    else this.builder.moveTo(rx, ry);
    this.started = true;
    this.lastX = rx;
    this.lastY = ry;
  }
}
