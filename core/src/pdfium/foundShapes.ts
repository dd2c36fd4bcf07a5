import {
  type Box,
  boxCentre,
  boxHeight,
  boxOfPoints,
  boxWidth,
  distance,
  type Vec,
} from '../geometry/index.ts';
import type { DrawnShapes } from '../print/index.ts';
import { Dashes } from './dashes.ts';

/** So many shapes of a page are kept. */
const MOST_SHAPES = 5_000;
/** A rule is no shorter, and where it is drawn as an area no thicker, points. */
const SHORTEST = 24;
const THICKEST = 3;
/** Shorter pieces of lines are no sides of cells, points; drawn as an area they are no thicker. */
const SHORTEST_EDGE = 3;
const THICKEST_EDGE = 1.6;
/** A wave is no higher, points, and has so many points of curves at least. */
const WAVE = 5;
const WAVES = 12;
/** Diameters of a dot, points; it is about as wide as it is high. */
const SMALLEST = 1.9;
const LARGEST = 9;
const ROUND = 1.25;
/** Sides of a square to be ticked, points, and how far it may be from one. */
const LEAST_SIDE = 5;
const MOST_SIDE = 32;
const SQUARE = 1.4;
/** What is no farther apart touches, points. */
const TOUCHING = 0.5;
/** Of a shape with more points, as letters that are drawn have them, no slants are kept. */
const MOST_SLANTS = 120;

/** A part of a path that is painted, in the page's user space. */
export interface Shape {
  readonly points: readonly Vec[];
  /** Points that it runs through, curves in short straight pieces. */
  readonly outline: readonly Vec[];
  /** Points of curves among them: three a curve. */
  readonly curves: number;
  readonly isClosed: boolean;
  readonly isFilled: boolean;
  readonly isStroked: boolean;
}

/** Gathers what the shapes of a page are. */
export class FoundShapes {
  private readonly rules: number[] = [];
  private readonly dots: number[] = [];
  private readonly squares: number[] = [];
  private readonly edges: number[] = [];
  private readonly slants: number[] = [];
  private readonly dashes = new Dashes((a, b) => {
    if (distance(a, b) >= SHORTEST) this.rules.push(a.x, a.y, b.x, b.y);
  });

  get isFull(): boolean {
    const { rules, dots, squares, edges, slants } = this;
    const kept = rules.length + dots.length + squares.length + edges.length + slants.length;
    return kept > 4 * MOST_SHAPES;
  }

  all(): DrawnShapes {
    this.dashes.finish();
    return {
      rules: Float32Array.from(this.rules),
      dots: Float32Array.from(this.dots),
      squares: Float32Array.from(this.squares),
      edges: Float32Array.from(this.edges),
      slants: Float32Array.from(this.slants),
    };
  }

  /** Takes what a shape is: a dot, a rule or an edge drawn as an area, or those along its straight sides. */
  take({ points, outline, curves, isClosed, isFilled, isStroked }: Shape): void {
    if (points.length < 2) return;
    const bounds = boxOfPoints(points);
    const [width, height] = [boxWidth(bounds), boxHeight(bounds)];
    const [short, long] = [Math.min(width, height), Math.max(width, height)];
    const isRound = curves === 12 || (curves === 0 && points.length <= 5);
    if (isFilled && isRound && short >= SMALLEST && long <= LARGEST && long <= ROUND * short) {
      const { x, y } = boxCentre(bounds);
      this.dots.push(x, y);
      return;
    }
    if (short <= THICKEST_EDGE && long < SHORTEST) this.dashes.take(bounds);
    const isLine = isFilled && curves === 0 && points.length <= 5;
    if (isLine && short <= THICKEST && long >= SHORTEST) return this.takeLine(bounds, this.rules);
    if (isLine && short <= THICKEST_EDGE && long >= SHORTEST_EDGE)
      return this.takeLine(bounds, this.edges);
    if (isStroked && curves >= WAVES && height <= WAVE && width >= SHORTEST)
      return this.takeLine(bounds, this.rules);
    // A line that slants and goes on level leads to what is written on it.
    if (isClosed || curves > 0 || points.length > 3) this.takeSlants(outline, isClosed);
    if (curves > 0 || !isStroked) return;
    const isWhole = isClosed || (points.length === 5 && distance(points[0], points[4]) < TOUCHING);
    if (isWhole && !isFilled && points.length <= 5 && isUpright(points, bounds))
      if (short >= LEAST_SIDE && long <= MOST_SIDE && long <= SQUARE * short)
        this.squares.push(bounds.minX, bounds.minY, bounds.maxX, bounds.maxY);
    const ends = isClosed ? [...points, points[0]] : points;
    for (let k = 1; k < ends.length; k++) this.takeSide(ends[k - 1], ends[k]);
  }

  /** A line that is drawn as an area, or as a wave: along the middle of its bounds. */
  private takeLine(bounds: Box, into: number[]): void {
    const { minX, minY, maxX, maxY } = bounds;
    const { x, y } = boxCentre(bounds);
    if (boxWidth(bounds) > boxHeight(bounds)) into.push(minX, y, maxX, y);
    else into.push(x, minY, x, maxY);
  }

  private takeSide(a: Vec, b: Vec): void {
    const long = distance(a, b);
    if (long >= SHORTEST) this.rules.push(a.x, a.y, b.x, b.y);
    else if (long >= SHORTEST_EDGE && isStraight(a, b)) this.edges.push(a.x, a.y, b.x, b.y);
  }

  private takeSlants(points: readonly Vec[], isClosed: boolean): void {
    if (points.length > MOST_SLANTS) return;
    const ends = isClosed ? [...points, points[0]] : points;
    for (let k = 1; k < ends.length; k++) {
      const [a, b] = [ends[k - 1], ends[k]];
      if (!isStraight(a, b)) this.slants.push(a.x, a.y, b.x, b.y);
    }
  }
}

/** Level or upright. */
const isStraight = (a: Vec, b: Vec): boolean =>
  Math.min(Math.abs(a.x - b.x), Math.abs(a.y - b.y)) < TOUCHING;

/** Every corner of it is one of its bounds. */
const isUpright = (points: readonly Vec[], { minX, minY, maxX, maxY }: Box): boolean =>
  points.length >= 4 &&
  points.every(
    ({ x, y }) =>
      Math.min(Math.abs(x - minX), Math.abs(x - maxX)) < TOUCHING &&
      Math.min(Math.abs(y - minY), Math.abs(y - maxY)) < TOUCHING,
  );
