import type { Element as XmlElement } from '@xmldom/xmldom';
import { type Matrix, transform } from '../../geometry/index.ts';
import { type InkSample, type NibManner, PLAIN_NIB } from '../../ink/index.ts';
import type { MarkStyle } from '../../marks/index.ts';
import { elementsOf, openXml, XmlError } from '../../xml/index.ts';
import { INKML, OWN } from './names.ts';
import { parseTraceData, TraceDataError } from './traceData.ts';

/** Thrown when a file is not InkML that can be read; the message is a sentence for the person. */
export class InkmlError extends Error {
  override readonly name = 'InkmlError';
}

/** A stroke of an InkML file. */
export interface ReadTrace {
  /** Page by its place in the document, from 0, where the file tells. */
  readonly page: number | null;
  /** On the page as it lies before the reader: points, y down; t in ms; pressure 0–1. */
  readonly samples: readonly InkSample[];
  readonly style: MarkStyle;
  readonly tool: 'pen' | 'highlighter';
  readonly nib: NibManner;
  readonly steadiness: number;
  readonly straight: boolean;
}

interface Channel {
  readonly name: string;
  readonly units: string;
  readonly max: number | null;
}

/** Points in a unit of length. */
const LENGTHS: Record<string, number> = {
  pt: 1,
  pc: 12,
  in: 72,
  cm: 72 / 2.54,
  mm: 72 / 25.4,
  m: 7200 / 2.54,
  px: 0.75,
  dev: 0.75,
  '': 0.75,
};
const TIMES: Record<string, number> = { ms: 1, s: 1000, us: 0.001, ns: 1e-6, '': 1 };
const ANGLES: Record<string, number> = { deg: 1, rad: 180 / Math.PI, '': 1 };
/** Where a file does not say otherwise (InkML §3.2.1): two channels in the device's own units. */
const PLAIN_FORMAT: readonly Channel[] = ['X', 'Y'].map((name) => ({ name, units: '', max: null }));
/** Between samples of traces without a time channel, ms. */
const BEAT = 10;
const DEFAULT_STYLE: MarkStyle = { colour: '#1b1b1d', width: 1.4, opacity: 1 };

/**
 * Reads the traces of an InkML file.
 * @throws InkmlError when it is no well-formed InkML, or holds no trace
 */
export function readInkml(text: string): ReadTrace[] {
  const root = parse(text);
  const byId = new Map<string, XmlElement>();
  for (const e of elementsOf(root, '*')) {
    const id = e.getAttribute('xml:id') ?? e.getAttribute('id');
    if (id) byId.set(id, e);
  }
  const refer = (e: XmlElement | null, name: string): XmlElement | null =>
    byId.get((e?.getAttribute(name) ?? '').replace(/^#/, '')) ?? null;

  const traces = elementsOf(root, 'trace').filter((t) => t.getAttribute('type') !== 'penUp');
  const read = traces.map((trace, n): ReadTrace => {
    const context = refer(nearest(trace, 'contextRef'), 'contextRef');
    const brush = refer(nearest(trace, 'brushRef'), 'brushRef') ?? refer(context, 'brushRef');
    const format = formatOf(context, refer(context, 'inkSourceRef'), root);
    const page = /^page-(\d+)/.exec(context?.getAttribute('xml:id') ?? '')?.[1];
    try {
      const points = parseTraceData(trace.textContent ?? '');
      const samples = samplesOf(points, format, mappingOf(refer(context, 'canvasTransformRef')));
      return { page: page ? Number(page) - 1 : null, samples, ...mannerOf(brush) };
    } catch (e) {
      if (e instanceof TraceDataError)
        throw new InkmlError(`Stroke ${n + 1} of this InkML file is damaged. ${e.message}`);
      throw e;
    }
  });
  const kept = read.filter((t) => t.samples.length > 0);
  if (kept.length === 0) throw new InkmlError('This InkML file holds no ink.');
  return kept;
}

function parse(text: string): XmlElement {
  let root: XmlElement;
  try {
    root = openXml(text);
  } catch (e) {
    if (e instanceof XmlError) throw new InkmlError(`This InkML file ${e.message}`);
    throw e;
  }
  if (root.localName !== 'ink' || (root.namespaceURI && root.namespaceURI !== INKML))
    throw new InkmlError('This file is XML, but not InkML.');
  return root;
}

/** The element or the nearest group around it that has the attribute. */
function nearest(e: XmlElement, attribute: string): XmlElement | null {
  for (let at: XmlElement | null = e; at; at = at.parentNode as XmlElement | null)
    if (at.getAttribute?.(attribute)) return at;
  return null;
}

function formatOf(
  context: XmlElement | null,
  source: XmlElement | null,
  root: XmlElement,
): readonly Channel[] {
  const holder = [context, source, context ? null : root].find(
    (e) => e && elementsOf(e, 'traceFormat')[0],
  );
  const channels = holder ? elementsOf(elementsOf(holder, 'traceFormat')[0], 'channel') : [];
  if (channels.length === 0) return PLAIN_FORMAT;
  return channels.map((c) => ({
    name: c.getAttribute('name') ?? '',
    units: c.getAttribute('units') ?? '',
    max: numberOr(c.getAttribute('max'), null),
  }));
}

function numberOr<T>(text: string | null | undefined, otherwise: T): number | T {
  const value = text === null || text === undefined || text.trim() === '' ? NaN : Number(text);
  return Number.isFinite(value) ? value : otherwise;
}

/** Rows "a c e, b d f" of an affine mapping; null where the canvas is what the pen wrote on. */
function mappingOf(turn: XmlElement | null): Matrix | null {
  const rows =
    turn &&
    elementsOf(turn, 'affine')[0]
      ?.textContent?.split(',')
      .map((r) => r.trim().split(/\s+/).map(Number));
  if (!rows || rows.length !== 2 || rows.some((r) => r.length !== 3 || !r.every(Number.isFinite)))
    return null;
  const [[a, c, e], [b, d, f]] = rows;
  return [a, b, c, d, e, f];
}

function samplesOf(
  points: number[][],
  format: readonly Channel[],
  turn: Matrix | null,
): InkSample[] {
  const column = (name: string): number => format.findIndex((c) => c.name === name);
  const [cx, cy, ct, cf, cu, cv] = ['X', 'Y', 'T', 'F', 'OTx', 'OTy'].map(column);
  if (cx < 0 || cy < 0) throw new TraceDataError('It tells no places.');
  const value = (row: number[], c: number, units: Record<string, number>): number =>
    (c < 0 ? NaN : (row[c] ?? NaN)) * (units[format[c]?.units ?? ''] ?? 1);
  const samples: InkSample[] = [];
  let start: number | null = null;
  points.forEach((row, i) => {
    const x = value(row, cx, LENGTHS);
    const y = value(row, cy, LENGTHS);
    if (!Number.isFinite(x) || !Number.isFinite(y))
      throw new TraceDataError(`Point ${i + 1} has no place.`);
    const at = turn ? transform(turn, { x, y }) : { x, y };
    const time = value(row, ct, TIMES);
    start ??= Number.isFinite(time) ? time : 0;
    const force = (cf < 0 ? NaN : (row[cf] ?? NaN)) / (format[cf]?.max ?? 1);
    const sample = {
      ...at,
      t: Number.isFinite(time) ? time - start : i * BEAT,
      pressure: Number.isFinite(force) ? Math.min(1, Math.max(0, force)) : 0.5,
    };
    const tiltX = value(row, cu, ANGLES);
    const tiltY = value(row, cv, ANGLES);
    samples.push(
      Number.isFinite(tiltX) && Number.isFinite(tiltY) ? { ...sample, tiltX, tiltY } : sample,
    );
  });
  return samples;
}

const inRange = (v: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, v));

function mannerOf(brush: XmlElement | null): Omit<ReadTrace, 'page' | 'samples'> {
  const properties = new Map(
    (brush ? elementsOf(brush, 'brushProperty') : []).map((p) => [p.getAttribute('name') ?? '', p]),
  );
  const text = (name: string): string | null => properties.get(name)?.getAttribute('value') ?? null;
  const number = (name: string, otherwise: number, least: number, most: number): number =>
    inRange(numberOr(text(name), otherwise), least, most);
  const colour = text('color')?.toLowerCase() ?? '';
  const unit = LENGTHS[properties.get('width')?.getAttribute('units') ?? 'pt'] ?? 1;
  const width = numberOr(text('width'), null);
  const angle = numberOr(text(`${OWN}edge-angle`), null);
  const edge =
    angle === null ? null : { angle, flatness: number(`${OWN}edge-flatness`, 0.2, 0.1, 1) };
  return {
    style: {
      colour: /^#[0-9a-f]{6}$/.test(colour) ? colour : DEFAULT_STYLE.colour,
      width: width === null ? DEFAULT_STYLE.width : inRange(width * unit, 0.1, 200),
      opacity: number(`${OWN}opacity`, 1 - number('transparency', 0, 0, 1), 0, 1),
    },
    tool: text('rasterOp') === 'maskPen' ? 'highlighter' : 'pen',
    nib: {
      thinning: number(`${OWN}thinning`, PLAIN_NIB.thinning, 0, 1),
      response: number(`${OWN}response`, PLAIN_NIB.response, 0.3, 3),
      tiltWidening: number(`${OWN}tilt-widening`, PLAIN_NIB.tiltWidening, 0, 1),
      grain: number(`${OWN}grain`, PLAIN_NIB.grain, 0, 1),
      taper: number(`${OWN}taper`, PLAIN_NIB.taper, 0, 100),
      edge,
    },
    steadiness: number(`${OWN}steadiness`, 0, 0, 100),
    straight: text(`${OWN}straight`) === '1',
  };
}
