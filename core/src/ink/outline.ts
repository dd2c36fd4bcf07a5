import { arcStep, mapPath, type Path, PathBuilder } from '../geometry/index.ts';
import { type Nib, type NibEdge, radiusAt } from './nib.ts';
import type { InkSample } from './sample.ts';

/** How far a chord may stray from the arc it stands for, points. */
const ARC_TOLERANCE = 0.015;
/** Coordinates leave here rounded to 1/100 point, once, so that screen and PDF draw the same numbers. */
const PER_POINT = 100;
/** The share of the width left at a tapered end. */
const POINTED = 0.12;

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
export function outlineInk(
  centreline: readonly InkSample[],
  nib: Nib,
  /** What of the stroke lies before and after this piece of it, points: only the true ends run to a point. */
  beyond: { readonly before: number; readonly after: number } = { before: 0, after: 0 },
): Path {
  const discs = centreline.map((s) => ({ x: s.x, y: s.y, r: radiusAt(nib, s) }));
  if (nib.taper) taperInto(discs, nib.taper * nib.width, beyond);
  return nib.edge ? outlineSwept(discs, nib.edge) : outlineDiscs(discs);
}

/** Lets the ends within `length` points run to a point, rounded as ink is. */
function taperInto(
  discs: { x: number; y: number; r: number }[],
  length: number,
  beyond: { readonly before: number; readonly after: number },
): void {
  const along = [beyond.before];
  for (let i = 1; i < discs.length; i++)
    along.push(along[i - 1] + Math.hypot(discs[i].x - discs[i - 1].x, discs[i].y - discs[i - 1].y));
  const whole = along[along.length - 1] + beyond.after;
  // A dot, or a stroke too short for two tapers, keeps some body.
  const reach = Math.min(length, whole / 2);
  if (!(reach > 0)) return;
  discs.forEach((disc, i) => {
    const u = Math.min(1, Math.min(along[i], whole - along[i]) / reach);
    disc.r *= Math.max(POINTED, Math.sqrt(u * (2 - u)));
  });
}

/** A swept ellipse is a swept disc seen through a squeeze, so it is outlined there and squeezed back. */
function outlineSwept(discs: readonly Disc[], { angle, flatness }: NibEdge): Path {
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  const squeeze = Math.min(1, Math.max(0.1, flatness));
  const stretched = discs.map((d) => ({
    x: c * d.x + s * d.y,
    y: (c * d.y - s * d.x) / squeeze,
    r: d.r,
  }));
  return mapPath(outlineDiscs(stretched), (x, y) => ({
    x: onGrid(c * x - s * y * squeeze),
    y: onGrid(s * x + c * y * squeeze),
  }));
}

const onGrid = (v: number): number => Math.round(v * PER_POINT) / PER_POINT;

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
  const end = discs.length - 2;
  ring.point(discs[0], strips[RIGHT], strips[RIGHT + 1]);
  for (let i = 1; i <= end; i++) ring.join(discs[i], strips, (i - 1) * EACH, i * EACH, RIGHT);
  const last = end * EACH;
  ring.arc(discs[end + 1], angleOf(strips, last + RIGHT), 2 * strips[last + ASIDE]);
  for (let i = end; i > 0; i--) ring.join(discs[i], strips, i * EACH, (i - 1) * EACH, LEFT);
  ring.arc(discs[0], angleOf(strips, LEFT), 2 * (Math.PI - strips[ASIDE]));
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
      const dx = disc.x - last.x;
      const dy = disc.y - last.y;
      const d = Math.sqrt(dx * dx + dy * dy);
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

/**
 * Strips between neighbouring discs as one block of numbers, since ink under the pen makes hundreds in every frame: the
 * outer normals of the right and of the left side (x, y), half the angle between them (radians), and the length.
 */
type Strips = Float64Array;
const EACH = 6;
const RIGHT = 0;
const LEFT = 2;
const ASIDE = 4;
const LENGTH = 5;

const angleOf = (strips: Strips, at: number): number => Math.atan2(strips[at + 1], strips[at]);

/** The normal n of a common tangent makes n · u = (r₀ − r₁)/d with the direction u of the centres. */
function stripsOf(discs: readonly Disc[]): Strips {
  const strips = new Float64Array(EACH * (discs.length - 1));
  for (let i = 0; i + 1 < discs.length; i++) {
    const a = discs[i];
    const b = discs[i + 1];
    const dx = b.x - a.x;
    const dy = b.y - a.y;
    const length = Math.sqrt(dx * dx + dy * dy);
    const along = Math.min(1, Math.max(-1, (a.r - b.r) / length));
    const across = Math.sqrt(1 - along * along);
    const ux = dx / length;
    const uy = dy / length;
    const at = EACH * i;
    strips[at + RIGHT] = along * ux + across * uy;
    strips[at + RIGHT + 1] = along * uy - across * ux;
    strips[at + LEFT] = along * ux - across * uy;
    strips[at + LEFT + 1] = along * uy + across * ux;
    strips[at + ASIDE] = Math.acos(along);
    strips[at + LENGTH] = length;
  }
  return strips;
}

/** Writes one ring, rounding every corner to the grid and leaving out repeats. */
class Ring {
  private started = false;
  private lastX = NaN;
  private lastY = NaN;

  constructor(private readonly builder: PathBuilder) {}

  /** The point of the disc's rim in the direction of a unit vector. */
  point(disc: Disc, x: number, y: number): void {
    this.put(disc.x + disc.r * x, disc.y + disc.r * y);
  }

  /** Anticlockwise along the rim by `turn` radians; both ends included. */
  arc(disc: Disc, from: number, turn: number): void {
    const steps = Math.max(1, Math.ceil(turn / arcStep(disc.r, ARC_TOLERANCE)));
    for (let k = 0; k <= steps; k++) {
      const angle = from + (turn * k) / steps;
      this.put(disc.x + disc.r * Math.cos(angle), disc.y + disc.r * Math.sin(angle));
    }
  }

  /** From one strip's side (`RIGHT` or `LEFT`) to the next one's: round on the outside, folded on the inside. */
  join(disc: Disc, strips: Strips, from: number, to: number, side: number): void {
    const fx = strips[from + side];
    const fy = strips[from + side + 1];
    const tx = strips[to + side];
    const ty = strips[to + side + 1];
    const cosine = fx * tx + fy * ty;
    const sine = fx * ty - fy * tx;
    const halfCosine = Math.sqrt(Math.max(0, (1 + cosine) / 2));
    if (halfCosine > 0 && disc.r * (1 - halfCosine) < ARC_TOLERANCE / 3) {
      const twice = 2 * halfCosine;
      this.point(disc, (fx + tx) / twice, (fy + ty) / twice);
    } else if (sine > 0) {
      this.arc(disc, angleOf(strips, from + side), Math.atan2(sine, cosine));
    } else {
      const shorter = Math.min(strips[from + LENGTH], strips[to + LENGTH]);
      this.point(disc, fx, fy);
      // Short strips do not cover the fold; going through the centre keeps the winding positive.
      if (cosine < 0 || -disc.r * sine > shorter) this.put(disc.x, disc.y);
      this.point(disc, tx, ty);
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
