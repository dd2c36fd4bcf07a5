import { type PDFContext, PDFDict, PDFName, PDFNumber, PDFStream } from '@cantoo/pdf-lib';
import {
  IDENTITY,
  joinPaths,
  mapSize,
  type Matrix,
  type Path,
  PathBuilder,
  polylinesOf,
  thenMatrix,
  transform,
  type Vec,
} from '../../geometry/index.ts';
import { colourOfLevels } from '../../annotations/index.ts';
import { appearanceOf } from '../annotations/appearance.ts';
import { numbersAt } from '../annotations/read.ts';
import { streamBytes } from '../content/pageContent.ts';
import { type Operation, scanContent } from '../content/scan.ts';

/** What an appearance draws, all of one look: lines of one width, or areas that are filled. In user space. */
export type InkLook = {
  /** `#rrggbb`; null where it does not say. */
  readonly colour: string | null;
  /** 0–1. */
  readonly opacity: number;
  readonly multiplied: boolean;
} & (
  | { readonly lines: readonly (readonly Vec[])[]; readonly width: number }
  | { readonly outline: Path }
);

/** How far chords may lie from the curve they stand for, points. */
const FLATNESS = 0.01;
/** Forms within forms that are looked into. */
const DEEPEST = 4;
const MOST_POINTS = 200_000;

interface State {
  readonly matrix: Matrix;
  readonly width: number;
  readonly dashed: boolean;
  readonly multiplied: boolean;
  /** Of lines, and of what is filled. */
  readonly stroke: { readonly colour: string | null; readonly opacity: number };
  readonly fill: { readonly colour: string | null; readonly opacity: number };
}

const BLACK = { colour: '#000000', opacity: 1 };

/** It draws what is not told as lines or areas of one look. */
class OtherThanInk extends Error {}

/**
 * What the appearance of ink draws, where it does nothing but stroke lines, or fill areas, of one look: how such ink looks is then exactly
 * known. Null for every other, and where there is none.
 */
export function inkLookOf(annotation: PDFDict, context: PDFContext): InkLook | null {
  const appearance = appearanceOf(annotation, context);
  const form = appearance && context.lookup(appearance.form);
  if (!appearance || !(form instanceof PDFStream)) return null;
  const drawn = new Drawn();
  const plain = { width: 1, dashed: false, multiplied: false, stroke: BLACK, fill: BLACK };
  try {
    readForm(form, { ...plain, matrix: appearance.place }, drawn, 0);
  } catch (e) {
    if (e instanceof OtherThanInk) return null;
    throw e;
  }
  return drawn.look();
}

/** Collects what is drawn, as long as all of it is of one look. */
class Drawn {
  private readonly lines: (readonly Vec[])[] = [];
  private readonly areas: Path[] = [];
  private all: object | null = null;
  private points = 0;

  stroke(path: Path, state: State): void {
    if (state.dashed) throw new OtherThanInk();
    const { multiplied, stroke } = state;
    this.keepTo({ ...stroke, multiplied, width: state.width * mapSize(state.matrix) });
    for (const line of polylinesOf(path, FLATNESS)) {
      this.count(line.length);
      this.lines.push(line);
    }
  }

  fill(path: Path, { fill, multiplied }: State): void {
    this.keepTo({ ...fill, multiplied });
    this.count(path.coords.length / 2);
    this.areas.push(path);
  }

  private keepTo(look: object): void {
    if (this.all && JSON.stringify(this.all) !== JSON.stringify(look)) throw new OtherThanInk();
    this.all = look;
  }

  private count(points: number): void {
    this.points += points;
    if (this.points > MOST_POINTS) throw new OtherThanInk();
  }

  look(): InkLook | null {
    const drawn =
      this.areas.length > 0 ? { outline: joinPaths(this.areas) } : { lines: this.lines };
    return this.all && this.points > 0 ? ({ ...this.all, ...drawn } as InkLook) : null;
  }
}

function readForm(form: PDFStream, from: State, drawn: Drawn, depth: number): void {
  const content = streamBytes(form);
  if (!content || depth > DEEPEST) throw new OtherThanInk();
  const resources = form.dict.lookup(PDFName.of('Resources'));
  const [a, b, c, d, e, f] = numbersAt(form.dict, 'Matrix');
  const own: Matrix = f === undefined ? IDENTITY : [a, b, c, d, e, f];
  let state: State = { ...from, matrix: thenMatrix(own, from.matrix) };
  const saved: State[] = [];
  let path = new PathReader();
  const paint = (how: 'stroke' | 'fill'): void => {
    drawn[how](path.build(), state);
    path = new PathReader();
  };
  scanContent(content, (operation) => {
    const { operator, numbers, name } = operation;
    if (path.read(operation, state.matrix)) return;
    switch (operator) {
      case 'q':
        saved.push(state);
        break;
      case 'Q':
        state = saved.pop() ?? state;
        break;
      case 's':
        path.close();
        paint('stroke');
        break;
      case 'S':
        paint('stroke');
        break;
      case 'f':
      case 'F':
        paint('fill');
        break;
      case 'n':
        path = new PathReader();
        break;
      case 'Do': {
        const inner = held(resources, 'XObject', name);
        if (!(inner instanceof PDFStream)) throw new OtherThanInk();
        readForm(inner, state, drawn, depth + 1);
        break;
      }
      case 'gs':
        state = withGraphicsState(state, held(resources, 'ExtGState', name));
        break;
      default:
        state = changed(state, operator, numbers);
    }
  });
}

/** Takes in what builds a path, in user space. */
class PathReader {
  private readonly path = new PathBuilder();
  private at: Vec | null = null;

  build(): Path {
    return this.path.build();
  }

  close(): void {
    if (this.at) this.path.closePath();
  }

  /** Whether that was an operator that builds a path. */
  read({ operator, numbers }: Operation, matrix: Matrix): boolean {
    const count = BUILDS[operator as keyof typeof BUILDS];
    if (count === undefined) return false;
    const n = needed(numbers, count);
    const at = (k: number): Vec => transform(matrix, { x: n[k], y: n[k + 1] });
    if (operator === 'm') this.path.moveTo(...pair((this.at = at(0))));
    else if (operator === 're') this.rectangle(n, matrix);
    else if (!this.at) throw new OtherThanInk();
    else if (operator === 'l') this.path.lineTo(...pair((this.at = at(0))));
    else if (operator === 'h') this.path.closePath();
    else {
      const controls = {
        c: () => [at(0), at(2), at(4)],
        v: () => [this.at as Vec, at(0), at(2)],
        y: () => [at(0), at(2), at(2)],
      }[operator as 'c' | 'v' | 'y']();
      const [p, q, end] = controls;
      this.path.bezierCurveTo(p.x, p.y, q.x, q.y, end.x, end.y);
      this.at = end;
    }
    return true;
  }

  private rectangle([x, y, w, h]: readonly number[], matrix: Matrix): void {
    const corner = (dx: number, dy: number): Vec => transform(matrix, { x: x + dx, y: y + dy });
    this.path.moveTo(...pair((this.at = corner(0, 0))));
    for (const p of [corner(w, 0), corner(w, h), corner(0, h)]) this.path.lineTo(...pair(p));
    this.path.closePath();
  }
}

const pair = ({ x, y }: Vec): [number, number] => [x, y];

/** Operators that build paths (ISO 32000-1, table 59), and how many numbers each takes. */
const BUILDS = { m: 2, l: 2, c: 6, v: 4, y: 4, re: 4, h: 0 } as const;

/** What neither draws nor changes the look that is told: joins and ends, flatness, marked content, clipping. */
const HARMLESS = new Set('j J M i ri cs CS BMC BDC EMC MP DP BX EX W W*'.split(' '));

function changed(state: State, operator: string, numbers: readonly number[]): State {
  switch (operator) {
    case 'cm': {
      const by = needed(numbers, 6) as unknown as Matrix;
      return { ...state, matrix: thenMatrix(by, state.matrix) };
    }
    case 'w':
      return { ...state, width: needed(numbers, 1)[0] };
    case 'd':
      return { ...state, dashed: numbers.length > 1 };
    case 'G':
    case 'RG':
    case 'K':
    case 'SC':
    case 'SCN':
      return { ...state, stroke: { ...state.stroke, colour: colourOfLevels(numbers) } };
    case 'g':
    case 'rg':
    case 'k':
    case 'sc':
    case 'scn':
      return { ...state, fill: { ...state.fill, colour: colourOfLevels(numbers) } };
    default:
      if (HARMLESS.has(operator)) return state;
      throw new OtherThanInk();
  }
}

function needed(numbers: readonly number[], count: number): readonly number[] {
  if (numbers.length < count) throw new OtherThanInk();
  return count === 0 ? [] : numbers.slice(-count);
}

function held(resources: unknown, kind: string, name: string | null): unknown {
  const all = resources instanceof PDFDict ? resources.lookup(PDFName.of(kind)) : null;
  return all instanceof PDFDict && name ? all.lookup(PDFName.of(name)) : null;
}

function withGraphicsState(state: State, entries: unknown): State {
  if (!(entries instanceof PDFDict)) return state;
  const numberOf = (key: string, otherwise: number): number => {
    const value = entries.lookup(PDFName.of(key));
    return value instanceof PDFNumber ? value.asNumber() : otherwise;
  };
  const blend = entries.lookup(PDFName.of('BM'));
  return {
    ...state,
    width: numberOf('LW', state.width),
    stroke: { ...state.stroke, opacity: numberOf('CA', state.stroke.opacity) },
    fill: { ...state.fill, opacity: numberOf('ca', state.fill.opacity) },
    ...(blend instanceof PDFName ? { multiplied: blend === PDFName.of('Multiply') } : {}),
  };
}
