import {
  type PDFContext,
  PDFDict,
  PDFName,
  PDFNumber,
  type PDFObject,
  PDFRawStream,
  PDFStream,
} from '@cantoo/pdf-lib';
import {
  box,
  boxCorners,
  type Convex,
  convexArea,
  convexMeet,
  invertMatrix,
  isWithin,
  type Matrix,
  narrower,
  transform,
  type Vec,
} from '../../geometry/index.ts';
import { numbersOf } from '../annotations/read.ts';
import type { Edit } from '../content/edits.ts';
import type { PlacedOperation } from '../content/operations.ts';
import type { ContentPass, PassTools } from '../content/rewrite.ts';
import { inlinePicture } from '../content/inlinePicture.ts';
import { nameIn, rounded, TextPass } from '../content/textPass.ts';
import type { Gone } from './gone.ts';
import { fillOutside, strokeOutside, type Subpath } from './cutPath.ts';
import { CONSTRUCTS, PAINTS, PathReader, pathOperators } from './pathOperators.ts';
import type { RedactTrouble } from './trouble.ts';

const name = (text: string): PDFName => PDFName.of(text);

/** What is to be gone from a page, and who is told what has gone. */
export interface Redacting {
  readonly gone: Gone;
  /** What is drawn in place of a picture that lies beneath in part; what is to be gone in the picture's own square, 1 × 1. Null: nothing. */
  picture(picture: PDFRawStream, gone: Gone): PDFObject | null;
  /** A small picture within the content, which cannot be read, is gone whole. */
  lost(): void;
  readonly context: PDFContext;
  /** A section of marked content of which something has gone. */
  touched(id: number): void;
}

interface Painting {
  readonly lineWidth: number;
  /** Lengths of dashes and gaps, and where they begin. */
  readonly dash: readonly number[];
  readonly phase: number;
  /** Patterns that are filled and stroked with, by their names. */
  readonly fill: string | null;
  readonly stroke: string | null;
}

/** Takes everything out of a content stream that lies within areas: letters, lines, fills and pictures. */
export class RedactPass implements ContentPass {
  private readonly text: TextPass;
  private readonly edits: Edit[] = [];
  private state: Painting = { lineWidth: 1, dash: [], phase: 0, fill: null, stroke: null };
  private readonly saved: Painting[] = [];
  private path: { reader: PathReader; readonly from: number; clip: string | null } | null = null;
  /** Where an inline picture begins. */
  private inline = -1;

  constructor(
    private readonly tools: PassTools<RedactTrouble>,
    private readonly ways: Redacting,
  ) {
    this.text = new TextPass({
      ...tools,
      isGone: ({ core, whole }) => this.meets(core()) && !this.isSpared(whole()),
      touched: ways.touched,
    });
  }

  take(operation: PlacedOperation): void {
    this.text.take(operation);
    const { operator, operands, from } = operation;
    const numbers = operands.flatMap((one) => (one.is === 'number' ? [one.value] : []));
    if (CONSTRUCTS.has(operator)) {
      this.path ??= { reader: new PathReader(), from, clip: null };
      return this.path.reader.take(operator, numbers);
    }
    const paints = PAINTS.get(operator);
    if (paints) return this.paint(operation, paints);
    const key = nameIn(operands);
    switch (operator) {
      case 'W':
      case 'W*':
        if (this.path) this.path.clip = operator;
        return;
      case 'q':
        this.saved.push(this.state);
        return;
      case 'Q':
        this.state = this.saved.pop() ?? this.state;
        return;
      case 'w':
        this.state = { ...this.state, lineWidth: numbers[0] ?? 0 };
        return;
      case 'd': {
        const list = operands[0]?.is === 'array' ? operands[0].value : [];
        const dash = list.flatMap((one) => (one.is === 'number' ? [one.value] : []));
        this.state = { ...this.state, dash, phase: numbers[0] ?? 0 };
        return;
      }
      case 'scn':
      case 'sc':
      case 'g':
      case 'rg':
      case 'k':
      case 'cs':
        this.state = { ...this.state, fill: operator === 'scn' ? key : null };
        return;
      case 'SCN':
      case 'SC':
      case 'G':
      case 'RG':
      case 'K':
      case 'CS':
        this.state = { ...this.state, stroke: operator === 'SCN' ? key : null };
        return;
      case 'gs':
        return this.graphicsState(operation, key);
      case 'sh':
        return this.shade(key);
      case 'Do':
        return this.picture(operation, key);
      case 'BI':
        this.inline = from;
        return;
      case 'ID':
        return this.inlinePicture(operation);
    }
  }

  end(): readonly Edit[] {
    return [...this.text.end(), ...this.edits];
  }

  /** Whether what has these corners, in user space, lies beneath in part. What has no inside is where its middle is. */
  private meets(corners: readonly Vec[]): boolean {
    const own = convexArea(corners);
    const { areas } = this.ways.gone;
    if (own) return areas.some((area) => convexMeet(area, own));
    const middle = {
      x: corners.reduce((sum, p) => sum + p.x, 0) / corners.length,
      y: corners.reduce((sum, p) => sum + p.y, 0) / corners.length,
    };
    return areas.some((area) => isWithin(area, middle));
  }

  /** Whether what has these corners, in user space, reaches into what stays as it is. */
  private isSpared(corners: readonly Vec[]): boolean {
    const { spared } = this.ways.gone;
    const own = convexArea(corners);
    return spared !== null && own !== null && convexMeet(spared, own);
  }

  private edit({ from, to }: { from: number; to: number }, text: string): void {
    this.edits.push({ from, to, text });
    this.text.touch();
  }

  /** What is to be gone as it lies in a space; nothing where that has no inside. */
  private goneIn(ctm: Matrix): Gone {
    const [a, b, c, d] = ctm;
    if (Math.abs(a * d - b * c) < 1e-12) return { areas: [], spared: null };
    const back = invertMatrix(ctm);
    const inIt = ({ corners }: Convex): Convex | null =>
      convexArea(corners.map((p) => transform(back, p)));
    const { areas, spared } = this.ways.gone;
    return { areas: areas.flatMap((one) => inIt(one) ?? []), spared: spared && inIt(spared) };
  }

  private paint(
    { from, to }: PlacedOperation,
    { fill, stroke, closes }: { fill?: 'f' | 'f*'; stroke?: true; closes?: true },
  ): void {
    const { path } = this;
    this.path = null;
    if (!path) return;
    if (closes) path.reader.close();
    const whole = path.reader.subpaths;
    const { areas } = this.goneIn(this.text.ctm);
    let filled: readonly Subpath[] = whole;
    let stroked: readonly Subpath[] = whole;
    for (const area of areas) {
      if (fill || path.clip) filled = fillOutside(filled, area) ?? filled;
      // Ends of lines are drawn as wide as the lines: they are to lie beneath the bar.
      if (stroke)
        stroked = strokeOutside(stroked, narrower(area, this.state.lineWidth / 2)) ?? stroked;
    }
    const isChanged = filled !== whole || stroked !== whole;
    this.patterns(whole, { fill: fill !== undefined, stroke: stroke === true });
    if (!isChanged) return;
    const parts: string[] = [];
    if (fill && filled.length > 0) parts.push(`${pathOperators(filled)} ${fill}`);
    if (stroke && stroked.length > 0) parts.push(this.strokes(stroked));
    if (path.clip) {
      // A window that lay beneath shows nothing.
      const window = filled.length > 0 ? pathOperators(filled) : '0 0 0 0 re';
      parts.push(`${window} ${path.clip} n`);
    }
    this.edit({ from: Math.min(path.from, from), to }, parts.join(' '));
  }

  /** Dashes go on behind a bar as they would have beneath it. */
  private strokes(path: readonly Subpath[]): string {
    const { dash, phase } = this.state;
    if (dash.length === 0) return `${pathOperators(path)} S`;
    const dashed = (from: number): string => `[${dash.map(rounded).join(' ')}] ${rounded(from)} d`;
    const parts = path.map(
      (one) => `${dashed(phase + (one.before ?? 0))} ${pathOperators([one])} S`,
    );
    return `${parts.join(' ')} ${dashed(phase)}`;
  }

  /** A pattern's cells, or the colours between its corners, may hold anything. */
  private patterns(
    path: readonly Subpath[],
    { fill, stroke }: { fill: boolean; stroke: boolean },
  ): void {
    const keys = [fill ? this.state.fill : null, stroke ? this.state.stroke : null];
    const held = this.tools.resources?.lookup(name('Pattern'));
    for (const key of keys) {
      const pattern = key !== null && held instanceof PDFDict ? held.lookup(name(key)) : null;
      if (!(pattern instanceof PDFStream)) continue;
      const corners = path.flatMap(({ segments }) => segments.flat());
      if (this.meetsBoxOf(corners)) this.tools.tell('pattern');
    }
  }

  /** Whether the box around points of the content lies beneath in part. */
  private meetsBoxOf(points: readonly Vec[]): boolean {
    if (points.length === 0) return false;
    const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
    const [left, right] = [Math.min(...xs), Math.max(...xs)];
    const [low, high] = [Math.min(...ys), Math.max(...ys)];
    const { ctm } = this.text;
    return this.meets(
      [
        { x: left, y: low },
        { x: right, y: low },
        { x: right, y: high },
        { x: left, y: high },
      ].map((p) => transform(ctm, p)),
    );
  }

  /** A soft mask is a drawing of its own. */
  private graphicsState(operation: PlacedOperation, key: string | null): void {
    const states = this.tools.resources?.lookup(name('ExtGState'));
    const held = key !== null && states instanceof PDFDict ? states.lookup(name(key)) : null;
    if (!(held instanceof PDFDict)) return;
    const width = held.lookup(name('LW'));
    if (width instanceof PDFNumber) this.state = { ...this.state, lineWidth: width.asNumber() };
    const mask = held.lookup(name('SMask'));
    const form = mask instanceof PDFDict ? mask.lookup(name('G')) : null;
    if (!(mask instanceof PDFDict) || !(form instanceof PDFStream)) return;
    const other = this.tools.remade(form, this.text.ctm);
    if (!other) return;
    const [state, own] = [held.clone(), mask.clone()];
    own.set(name('G'), other);
    state.set(name('SMask'), own);
    this.edit(operation, `/${this.tools.named('ExtGState', state)} gs`);
  }

  /** Shadings that are made of corners and patches (§8.7.4.5.5 ff.) can be pictures of anything. */
  private shade(key: string | null): void {
    const shadings = this.tools.resources?.lookup(name('Shading'));
    const shading = key !== null && shadings instanceof PDFDict ? shadings.lookup(name(key)) : null;
    if (!(shading instanceof PDFStream)) return;
    const [left, right, low, high] = numbersOf(shading.dict.lookup(name('Decode')));
    if (high === undefined) return this.tools.tell('pattern');
    const points = [
      { x: left, y: low },
      { x: right, y: high },
    ];
    if (this.meetsBoxOf(points)) this.tools.tell('pattern');
  }

  private picture(operation: PlacedOperation, key: string | null): void {
    const objects = this.tools.resources?.lookup(name('XObject'));
    const held = key !== null && objects instanceof PDFDict ? objects.lookup(name(key)) : null;
    if (!(held instanceof PDFStream) || held.dict.lookup(name('Subtype')) !== name('Image')) return;
    const gone = this.overSquare();
    if (!gone) return;
    const isDrawn = held instanceof PDFRawStream && !isUnseen(gone);
    const other = isDrawn ? this.ways.picture(held, gone) : null;
    this.tools.replaces(held);
    this.edit(operation, other ? `/${this.tools.named('XObject', other)} Do` : '');
  }

  /** What is to be gone of a picture, in its own square; null where nothing is. */
  private overSquare(): Gone | null {
    const { areas, spared } = this.goneIn(this.text.ctm);
    const over = areas.filter((area) => convexMeet(area, SQUARE));
    return over.length > 0 ? { areas: over, spared } : null;
  }

  /** Small pictures within the content become others beside it. */
  private inlinePicture({ from: entries, to, end = to }: PlacedOperation): void {
    const from = this.inline;
    this.inline = -1;
    const gone = from < 0 ? null : this.overSquare();
    if (!gone) return;
    const { bytes, resources } = this.tools;
    // One white space before its data, and EI behind.
    const data = bytes.subarray(to + 1, end - EI.length);
    const said = bytes.subarray(entries, to - ID.length);
    const held = inlinePicture(this.ways.context, said, data, resources);
    const other = held && !isUnseen(gone) ? this.ways.picture(held, gone) : null;
    if (!held) this.ways.lost();
    this.edit({ from, to: end }, other ? `/${this.tools.named('XObject', other)} Do` : '');
  }
}

const [ID, EI] = ['ID', 'EI'];

const SQUARE = convexArea(boxCorners(box(0, 0, 1, 1))) as Convex;

/** Whether a picture lies beside all that is seen. */
const isUnseen = ({ spared }: Gone): boolean => spared !== null && !convexMeet(spared, SQUARE);
