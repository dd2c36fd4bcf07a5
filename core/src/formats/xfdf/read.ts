import type { Element as XmlElement } from '@xmldom/xmldom';
import { type Annotation, readPdfDate } from '../../annotations/index.ts';
import { box, type Box } from '../../geometry/index.ts';
import { elementsOf, openXml, XmlError } from '../../xml/index.ts';
import { colourOf, numbersOf, wordOf } from './attributes.ts';
import { readFields } from './fields.ts';
import { sketchOf } from './sketchOf.ts';

/** Thrown when a file is not XFDF that can be read; the message is a sentence for the person. */
export class XfdfError extends Error {
  override readonly name = 'XfdfError';
}

/** Elements of annotations by their names, as PDF calls them (ISO 19444-1). */
const SUBTYPES: Readonly<Record<string, string>> = {
  ...{ text: 'Text', caret: 'Caret', freetext: 'FreeText', line: 'Line', square: 'Square' },
  ...{ circle: 'Circle', polygon: 'Polygon', polyline: 'PolyLine', highlight: 'Highlight' },
  ...{ underline: 'Underline', squiggly: 'Squiggly', strikeout: 'StrikeOut', ink: 'Ink' },
  ...{ stamp: 'Stamp', fileattachment: 'FileAttachment', sound: 'Sound', redact: 'Redact' },
};
/** Annotations that are read; no person has written so many. */
const MOST = 50_000;
const LONGEST = 100_000;

/**
 * Reads the annotations of an XFDF file.
 * @throws XfdfError when it is none, or holds none
 */
export function readXfdf(text: string): Annotation[] {
  const root = open(text);
  const elements = elementsOf(root, 'annots')
    .flatMap((annots) => [...(annots.childNodes as Iterable<unknown>)] as XmlElement[])
    .filter(({ localName }) => localName !== null && SUBTYPES[localName] !== undefined)
    .slice(0, MOST);
  if (elements.length === 0 && readFields(root).size === 0)
    throw new XfdfError('This XFDF file holds no annotations.');
  const places = new Map<string, number>();
  elements.forEach((one, k) => {
    const name = wordOf(one, 'name');
    if (name !== '' && !places.has(name)) places.set(name, k);
  });
  return elements.map((one, k) => annotationOf(one, k, places));
}

/**
 * Reads what an XFDF file has in the fields of a form, by their full names.
 * @throws XfdfError when it is no XFDF
 */
export const readXfdfFields = (text: string): ReadonlyMap<string, readonly string[]> =>
  readFields(open(text));

function open(text: string): XmlElement {
  try {
    const root = openXml(text);
    if (root.localName !== 'xfdf') throw new XfdfError('This file is XML, but not XFDF.');
    return root;
  } catch (e) {
    if (e instanceof XmlError) throw new XfdfError(`This XFDF file ${e.message}`);
    throw e;
  }
}

function annotationOf(
  one: XmlElement,
  index: number,
  places: ReadonlyMap<string, number>,
): Annotation {
  const subtype = SUBTYPES[one.localName ?? ''];
  const rect = rectOf(one);
  const contents = contentsOf(one);
  const drawn = sketchOf(one, subtype, rect, contents);
  const flags = wordOf(one, 'flags').split(',');
  const to = places.get(wordOf(one, 'inreplyto'));
  const says = wordOf(one, 'state');
  const isGroup = wordOf(one, 'replyType').toLowerCase() === 'group';
  const answers =
    to === undefined || to === index ? null : ({ to, as: isGroup ? 'group' : 'answer' } as const);
  const [opacity = 1] = numbersOf(wordOf(one, 'opacity'));
  const [page = 0] = numbersOf(wordOf(one, 'page'));
  return {
    name: wordOf(one, 'name'),
    page,
    subtype,
    rect,
    sketch: drawn?.sketch ?? null,
    ...(drawn?.attachment ? { attachment: drawn.attachment } : {}),
    colour: drawn?.colour ?? colourOf(wordOf(one, 'color')),
    opacity: Math.min(1, Math.max(0, opacity)),
    author: wordOf(one, 'title').trim(),
    contents,
    madeAt: readPdfDate(wordOf(one, 'creationdate')),
    changedAt: readPdfDate(wordOf(one, 'date')),
    locked: flags.includes('locked') || flags.includes('readonly'),
    shown: !flags.includes('hidden') && !flags.includes('noview'),
    answers,
    state: answers && says ? { model: wordOf(one, 'statemodel'), says } : null,
  };
}

function rectOf(one: XmlElement): Box | null {
  const [x0, y0, x1, y1] = numbersOf(wordOf(one, 'rect'));
  if (y1 === undefined) return null;
  return box(Math.min(x0, x1), Math.min(y0, y1), Math.max(x0, x1), Math.max(y0, y1));
}

/** Plain, or what rich text says. */
function contentsOf(one: XmlElement): string {
  const [plain] = elementsOf(one, 'contents');
  const [rich] = elementsOf(one, 'contents-richtext');
  if (plain) return (plain.textContent ?? '').slice(0, LONGEST).replace(/\r\n?/g, '\n');
  if (!rich) return '';
  const paragraphs = elementsOf(rich, 'p').map((p) => p.textContent ?? '');
  const said = paragraphs.length > 0 ? paragraphs.join('\n') : (rich.textContent ?? '');
  return said.trim().slice(0, LONGEST);
}
