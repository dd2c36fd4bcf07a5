import type { Figure } from '../src/figures/index.ts';
import type { Vec } from '../src/geometry/index.ts';
import type { InkSample } from '../src/ink/index.ts';
import { alongCorners, ellipsePath, type Hand, writeAlong } from './hand.ts';
import { seededRandom } from './seededRandom.ts';

/** A figure and the stroke of a hand that means it. */
export interface DrawnFigure {
  readonly figure: Figure;
  readonly stroke: InkSample[];
}

const about = (centre: Vec, p: Vec, angle: number): Vec => ({
  x: centre.x + p.x * Math.cos(angle) - p.y * Math.sin(angle),
  y: centre.y + p.x * Math.sin(angle) + p.y * Math.cos(angle),
});

/** Low-frequency wobble, as a share of the figure's size. */
function wobbled(path: readonly Vec[], size: number, share: number, random: () => number): Vec[] {
  const waves = [1, 2, 3].map(() => ({ f: 1 + random() * 4, p: random() * 7, q: random() * 7 }));
  return path.map((v, i) => {
    const u = i / path.length;
    let dx = 0;
    let dy = 0;
    for (const { f, p, q } of waves) {
      dx += Math.sin(2 * Math.PI * f * u + p);
      dy += Math.sin(2 * Math.PI * f * u + q);
    }
    return { x: v.x + (dx * share * size) / 3, y: v.y + (dy * share * size) / 3 };
  });
}

/** Figures of every kind with turns, sizes, directions, gaps and overshoots from a seed. */
export function drawnFigure(
  kind: Figure['kind'],
  seed: number,
  wobble = 0.01,
  hand: Partial<Hand> = {},
): DrawnFigure {
  const random = seededRandom(seed * 7919 + kind.length);
  const centre = { x: 200 + 100 * random(), y: 300 + 100 * random() };
  const size = 40 + 120 * random();
  const angle = random() * Math.PI;
  const gap = (random() - 0.5) * 0.08;
  const closedBy = (corners: Vec[]): Vec[] => {
    const first = corners[0];
    const second = corners[1];
    const end = {
      x: first.x + (second.x - first.x) * gap,
      y: first.y + (second.y - first.y) * gap,
    };
    return alongCorners([...corners, end]);
  };
  const write = (path: Vec[]): InkSample[] => {
    const turned = random() < 0.5 ? path : [...path].reverse();
    return writeAlong(wobbled(turned, size, wobble, random), { seed, ...hand });
  };
  switch (kind) {
    case 'line': {
      const from = about(centre, { x: -size / 2, y: 0 }, angle);
      const to = about(centre, { x: size / 2, y: 0 }, angle);
      return { figure: { kind, from, to }, stroke: write(alongCorners([from, to])) };
    }
    case 'arrow': {
      const from = about(centre, { x: -size / 2, y: 0 }, angle);
      const to = about(centre, { x: size / 2, y: 0 }, angle);
      const head = size * (0.2 + 0.1 * random());
      const barb = (side: number): Vec =>
        about(to, { x: -head * Math.cos(0.5), y: side * head * Math.sin(0.5) }, angle);
      const path = wobbled(
        alongCorners([from, to, barb(1), to, barb(-1)]),
        size,
        wobble * 0.5,
        random,
      );
      return { figure: { kind, from, to, head }, stroke: writeAlong(path, { seed, ...hand }) };
    }
    case 'rectangle': {
      const width = size;
      const height = size * (0.4 + 0.6 * random());
      const corners = [
        { x: width / 2, y: height / 2 },
        { x: -width / 2, y: height / 2 },
        { x: -width / 2, y: -height / 2 },
        { x: width / 2, y: -height / 2 },
      ].map((p) => about(centre, p, angle));
      return { figure: { kind, centre, width, height, angle }, stroke: write(closedBy(corners)) };
    }
    case 'triangle': {
      const corners = [0, 1, 2].map((k) => {
        const a = (2 * Math.PI * k) / 3 + (random() - 0.5) * 0.7;
        return about(centre, { x: (size / 2) * Math.cos(a), y: (size / 2) * Math.sin(a) }, angle);
      }) as [Vec, Vec, Vec];
      return { figure: { kind, corners }, stroke: write(closedBy([...corners])) };
    }
    case 'circle': {
      const radius = size / 2;
      const path = ellipsePath(centre, radius, radius, 0, 1 + gap, random() * 6);
      return { figure: { kind, centre, radius }, stroke: write(path) };
    }
    case 'ellipse': {
      const rx = size / 2;
      const ry = rx * (0.4 + 0.3 * random());
      const path = ellipsePath(centre, rx, ry, angle, 1 + gap, random() * 6);
      return { figure: { kind, centre, rx, ry, angle }, stroke: write(path) };
    }
  }
}
