import {
  type Box,
  cutToBox,
  drawPathInto,
  joinPaths,
  type Path,
  pathBounds,
  PathPacker,
  polygonPath,
  polylinesOf,
} from '../geometry/index.ts';
import { rectPath, svgPath } from '../graphics/index.ts';
import { colourOf } from './colourOf.ts';
import { type EquationOutline, LARGEST, MOST_COORDS, UNITS } from './outline.ts';
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
interface Gathered {
  readonly colour: string | null;
  readonly packer: PathPacker;
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
  const pieces = gathering.pieces
    .map(({ colour, packer }) => ({ ...packer.packed(), ...(colour ? { colour } : {}) }))
    .filter(({ verbs }) => verbs !== '');
  if (pieces.length === 0) throw new EquationRefusal('Nothing of this equation would be seen.');
  return {
    width: width / PER_EM,
    ascent: -minY / PER_EM,
    descent: (minY + height) / PER_EM,
    pieces,
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
    const path = svgPath(data, transform);
    drawPathInto(this.packerFor(colour), window ? within(path, window) : path);
  }

  private packerFor(colour: string | null): PathPacker {
    const last = this.pieces.at(-1);
    if (last?.colour === colour) return last.packer;
    const packer = new PathPacker((x, y) => {
      if (!(Math.abs(x) <= FARTHEST && Math.abs(y) <= FARTHEST)) throw tooLarge();
      if (++this.count * 2 > MOST_COORDS) throw tooLarge();
      return [toUnits(x), toUnits(-y)];
    });
    this.pieces.push({ colour, packer });
    return packer;
  }
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
    window: pathBounds(svgPath(rectPath(x, y, width, height), around.transform)),
  };
}

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
