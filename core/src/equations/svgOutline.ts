import svgpath from 'svgpath';
import {
  type Box,
  cutToBox,
  drawPathInto,
  joinPaths,
  type Path,
  pathBounds,
  PathBuilder,
  polygonPath,
  polylinesOf,
} from '../geometry/index.ts';
import { colourOf } from './colourOf.ts';
import {
  type EquationOutline,
  type EquationPiece,
  LARGEST,
  MOST_COORDS,
  UNITS,
} from './outline.ts';
import { EquationRefusal } from './refusal.ts';

/** An element of a drawing, as what sets equations makes it. */
export interface SvgElement {
  readonly kind: string;
  readonly attributes: Readonly<Record<string, string | undefined>>;
  readonly children: readonly SvgElement[];
  /** What it and all within it says. */
  readonly text: string;
}

/** What sets equations counts in thousandths of an em. */
const PER_EM = 1000;
const FARTHEST = LARGEST * PER_EM;

const tooLarge = (): EquationRefusal =>
  new EquationRefusal('This equation is too large. Make several of it.');

/** Where an element stands: what is done to it, as SVG says that, its ink and what is seen of it. */
interface Around {
  readonly transform: string;
  readonly colour: string | null;
  /** Thousandths of an em, y down; all of it where it is null. */
  readonly window: Box | null;
}

/** A piece that is being gathered. */
interface Gathered extends Omit<EquationPiece, 'verbs' | 'coords'> {
  readonly verbs: string[];
  readonly coords: number[];
}

/**
 * The outlines of an equation that was set as SVG without a cache of glyphs: paths, rectangles and lines, in groups.
 * @throws EquationRefusal where it holds characters that no face has, more than can be kept, or what is none of these
 */
export function outlineOfSvg(svg: SvgElement): EquationOutline {
  // What stands at the margin of a page is set without a size.
  if (!svg.attributes.viewBox)
    throw new EquationRefusal(
      'A number by “\\tag” has no place here: write it beside the equation.',
    );
  const [minX, minY, width, height] = numbersIn(svg.attributes.viewBox);
  if (![minY, width, height].every((side) => Math.abs(side) <= FARTHEST)) throw tooLarge();
  const gathering = new Gathering();
  const around = { transform: `translate(${-minX},0)`, colour: null, window: null };
  for (const child of svg.children) gathering.add(child, around);
  const pieces = gathering.pieces.filter(({ verbs }) => verbs.length > 0);
  if (pieces.length === 0) throw new EquationRefusal('Nothing of this equation would be seen.');
  return {
    width: width / PER_EM,
    ascent: -minY / PER_EM,
    descent: (minY + height) / PER_EM,
    pieces: pieces.map((piece) => ({ ...piece, verbs: piece.verbs.join('') })),
  };
}

class Gathering {
  readonly pieces: Gathered[] = [];
  private count = 0;

  add({ kind, attributes: a, children, text }: SvgElement, around: Around): void {
    const within: Around = {
      ...around,
      transform: `${around.transform} ${a.transform ?? ''}`,
      colour: colourOf(a.fill) ?? around.colour,
    };
    const of = (name: string): number => Number(a[name] ?? 0);
    if (kind === 'g') for (const child of children) this.add(child, within);
    else if (kind === 'svg') for (const child of children) this.add(child, windowed(a, within));
    else if (kind === 'path') this.draw(a.d ?? '', within);
    else if (kind === 'line')
      this.draw(linePath(of('x1'), of('y1'), of('x2'), of('y2'), of('stroke-width')), within);
    else if (kind === 'rect') {
      const sides = [of('x'), of('y'), of('width'), of('height')] as const;
      const isFrame = a.fill === 'none';
      this.draw(isFrame ? framePath(...sides, of('stroke-width')) : rectPath(...sides), within);
    } else if (kind === 'text')
      throw new EquationRefusal(`No face that equations are set in has “${text.trim()}”.`);
    else throw new EquationRefusal(`What “${kind}” stands for cannot be drawn in an equation.`);
  }

  private draw(data: string, { transform, colour, window }: Around): void {
    const piece = this.pieceFor(colour);
    const point = (x: number, y: number): void => {
      if (!(Math.abs(x) <= FARTHEST && Math.abs(y) <= FARTHEST)) throw tooLarge();
      piece.coords.push(toUnits(x), toUnits(-y));
      if (++this.count * 2 > MOST_COORDS) throw tooLarge();
    };
    const path = pathOf(data, transform);
    drawPathInto(
      {
        moveTo(x, y) {
          piece.verbs.push('M');
          point(x, y);
        },
        lineTo(x, y) {
          piece.verbs.push('L');
          point(x, y);
        },
        bezierCurveTo(x1, y1, x2, y2, x, y) {
          piece.verbs.push('C');
          point(x1, y1);
          point(x2, y2);
          point(x, y);
        },
        closePath: () => void piece.verbs.push('Z'),
      },
      window ? within(path, window) : path,
    );
  }

  private pieceFor(colour: string | null): Gathered {
    const last = this.pieces.at(-1);
    if (last && (last.colour ?? null) === colour) return last;
    const piece = { ...{ verbs: [], coords: [] }, ...(colour ? { colour } : {}) };
    this.pieces.push(piece);
    return piece;
  }
}

/** The data of an SVG path after what is done to it; what is filled is closed, said or not. */
function pathOf(data: string, transform: string): Path {
  const builder = new PathBuilder();
  let isOpen = false;
  const close = (): void => {
    if (isOpen) builder.closePath();
    isOpen = false;
  };
  svgpath(data)
    .transform(transform)
    .abs()
    .unshort()
    .unarc()
    .iterate((segment, _, x, y) => {
      const v = segment.slice(1) as number[];
      if (segment[0] === 'M') {
        close();
        isOpen = true;
        builder.moveTo(v[0], v[1]);
      } else if (segment[0] === 'Z') close();
      else if (segment[0] === 'C' || segment[0] === 'Q') {
        const [x1, y1, x2, y2, toX, toY] = segment[0] === 'C' ? v : cubicOf(x, y, v);
        builder.bezierCurveTo(x1, y1, x2, y2, toX, toY);
      } else if (segment[0] === 'V') builder.lineTo(x, v[0]);
      else builder.lineTo(v[0], segment[0] === 'H' ? y : v[1]);
    });
  close();
  return builder.build();
}

/** Curves within a window are cut as lines, thousandths of an em from them. */
const FLAT = 0.5;

/** Readers soften the edge of a window each in its own way: what is seen through it is cut out instead. */
const within = (path: Path, window: Box): Path =>
  joinPaths(
    polylinesOf(path, FLAT)
      .map((ring) => cutToBox(ring, window))
      .filter(({ length }) => length > 2)
      .map(polygonPath),
  );

const toUnits = (thousandths: number): number => Math.round((thousandths * UNITS) / PER_EM);

const numbersIn = (text = ''): readonly number[] =>
  text
    .trim()
    .split(/[\s,]+/)
    .map(Number);

/** What is made long by being repeated is seen through a window. */
function windowed(a: SvgElement['attributes'], around: Around): Around {
  const [x, y, width, height] = [a.x, a.y, a.width, a.height].map((side) => Number(side ?? 0));
  const [minX, minY, wide, high] = numbersIn(a.viewBox);
  const into = `translate(${x},${y}) scale(${width / wide},${height / high}) translate(${-minX},${-minY})`;
  return {
    ...around,
    transform: `${around.transform} ${into}`,
    window: pathBounds(pathOf(rectPath(x, y, width, height), around.transform)),
  };
}

/** A quadratic curve as a cubic one. */
const cubicOf = (x: number, y: number, [x1, y1, toX, toY]: readonly number[]): number[] => [
  ...[x + (2 / 3) * (x1 - x), y + (2 / 3) * (y1 - y)],
  ...[toX + (2 / 3) * (x1 - toX), toY + (2 / 3) * (y1 - toY)],
  ...[toX, toY],
];

const rectPath = (x: number, y: number, width: number, height: number): string =>
  `M${x} ${y}h${width}v${height}h${-width}Z`;

/** Its inner side runs the other way round, so that it stays empty. */
function framePath(x: number, y: number, width: number, height: number, thick: number): string {
  const [t, w, h] = [thick / 2, width - thick, height - thick];
  const outer = rectPath(x - t, y - t, width + thick, height + thick);
  return w <= 0 || h <= 0 ? outer : `${outer}M${x + t} ${y + t}v${h}h${w}v${-h}Z`;
}

function linePath(x1: number, y1: number, x2: number, y2: number, thick: number): string {
  const length = Math.hypot(x2 - x1, y2 - y1) || 1;
  const [dx, dy] = [((x2 - x1) / length) * (thick / 2), ((y2 - y1) / length) * (thick / 2)];
  return `M${x1 - dy} ${y1 + dx}L${x1 + dy} ${y1 - dx}L${x2 + dy} ${y2 - dx}L${x2 - dy} ${y2 + dx}Z`;
}
