import {
  type Annotation,
  annotationsOfMark,
  fringeOf,
  levelsOf,
  writePdfDate,
} from '../../annotations/index.ts';
import { type DocState, inOrder, marksOn } from '../../document/index.ts';
import type { Box, Vec } from '../../geometry/index.ts';
import type { AnnotationSketch } from '../../kinds/index.ts';
import { escapeXml } from '../../xml/index.ts';
import { fieldsOf } from './fields.ts';
import { XFDF } from './names.ts';

const round = (n: number): string => String(Math.round(n * 1000) / 1000);
const list = (numbers: readonly number[], by = ','): string => numbers.map(round).join(by);
const points = (all: readonly Vec[]): string =>
  all.map(({ x, y }) => `${round(x)},${round(y)}`).join(';');

type Attributes = Readonly<Record<string, string | number | null | undefined>>;

const attributes = (all: Attributes): string =>
  Object.entries(all)
    .filter(([, value]) => value !== null && value !== undefined && value !== '')
    .map(([name, value]) => ` ${name}="${escapeXml(String(value))}"`)
    .join('');

/** The marks and notes of a document as XFDF (ISO 19444-1), page by page; `file` is what the PDF is called. */
export function writeXfdf(state: DocState, file: string): string {
  const threads = new Map([...state.threads.values()].map((one) => [one.mark, one]));
  const lines = state.pages.flatMap(({ id }, page) =>
    inOrder(marksOn(state, id)).flatMap((mark) => {
      const all = annotationsOfMark(mark, page, threads.get(mark.id) ?? null);
      return all.map((one) => element(one, all[0], state.attachments));
    }),
  );
  return `<?xml version="1.0" encoding="UTF-8"?>
<xfdf xmlns="${XFDF}" xml:space="preserve">
  <f href="${escapeXml(file)}"/>
  <annots>
${lines.map((line) => `    ${line}\n`).join('')}  </annots>
${fieldsOf(state)}</xfdf>
`;
}

/** An annotation, and the one that it answers where it does. */
function element(
  annotation: Annotation,
  first: Annotation,
  attachments: DocState['attachments'],
): string {
  const { name, page, rect, author, opacity, colour, contents, sketch, state } = annotation;
  const isAnswer = annotation.answers !== null;
  const tag = isAnswer || !sketch ? 'text' : sketch.subtype.toLowerCase();
  const common: Attributes = {
    page,
    rect: rect && list([rect.minX, rect.minY, rect.maxX, rect.maxY]),
    name,
    title: author,
    date: annotation.changedAt === null ? null : writePdfDate(annotation.changedAt),
    creationdate: annotation.madeAt === null ? null : writePdfDate(annotation.madeAt),
    flags: isAnswer ? 'print,hidden' : annotation.locked ? 'print,locked' : 'print',
    // Of typed text it would be the ground that its letters stand on.
    color: sketch?.subtype === 'FreeText' ? sketch.ground : colour,
    opacity: isAnswer ? null : round(opacity),
    inreplyto: isAnswer ? first.name : null,
    statemodel: state?.model,
    state: state?.says,
  };
  const { own, inner } = sketch ? partsOf(sketch, colour ?? '', rect, attachments) : NOTHING;
  const said = contents ? `<contents>${escapeXml(contents)}</contents>` : '';
  return `<${tag}${attributes({ ...common, ...own })}>${said}${inner}</${tag}>`;
}

const NOTHING = { own: {} as Attributes, inner: '' };

/** What the kind of an annotation says beside what all of them do. */
function partsOf(
  sketch: AnnotationSketch,
  colour: string,
  rect: Box | null,
  attachments: DocState['attachments'],
): { readonly own: Attributes; readonly inner: string } {
  switch (sketch.subtype) {
    case 'Ink': {
      const gestures = sketch.lines.map((line) => `<gesture>${points(line)}</gesture>`).join('');
      return { own: stroked(sketch), inner: `<inklist>${gestures}</inklist>` };
    }
    case 'Line': {
      const { from, to, heads } = sketch;
      const ends = { start: list([from.x, from.y]), end: list([to.x, to.y]), ...headed(heads) };
      return { own: { ...ends, ...stroked(sketch) }, inner: '' };
    }
    case 'PolyLine':
    case 'Polygon':
      return {
        own: {
          ...stroked(sketch),
          ...(sketch.heads ? headed(sketch.heads) : {}),
          ...(sketch.cloudy ? { style: 'cloudy', intensity: 1 } : {}),
        },
        inner: `<vertices>${points(sketch.corners)}</vertices>`,
      };
    case 'Square':
    case 'Circle':
      return {
        own: { ...stroked(sketch), fringe: fringe(rect, sketch.corners, sketch.width / 2) },
        inner: '',
      };
    case 'Highlight':
    case 'Underline':
    case 'Squiggly':
    case 'StrikeOut':
      return {
        own: { coords: list(sketch.quads.flatMap((quad) => quad.flatMap(({ x, y }) => [x, y]))) },
        inner: '',
      };
    case 'Text':
      return { own: { icon: 'Note' }, inner: '' };
    case 'Stamp':
      return stampParts(sketch, attachments);
    case 'Widget':
      return NOTHING;
    case 'FreeText':
      return textParts(sketch, colour, rect);
  }
}

/** Where a picture lies and how it is turned stands beside its bytes: the rectangle alone does not tell. */
function stampParts(
  { picture }: AnnotationSketch & { readonly subtype: 'Stamp' },
  attachments: DocState['attachments'],
) {
  const shown = picture && attachments.get(picture.source);
  return {
    own: { icon: 'Picture', ...(shown ? { place: list(picture.place) } : {}) },
    inner: shown ? `<imagedata>data:${shown.type};base64,${shown.data}</imagedata>` : '',
  };
}

const FACES = { sans: 'Helvetica', serif: 'Times', mono: 'Courier', hand: 'Helvetica' } as const;

function textParts(
  sketch: AnnotationSketch & { readonly subtype: 'FreeText' },
  colour: string,
  rect: Box | null,
) {
  const { size, family, bold, italic, align, border, leader, corners } = sketch;
  const line = leader && [leader.to, ...(leader.bend ? [leader.bend] : []), leader.from];
  const style = `font:${italic ? ' italic' : ''}${bold ? ' bold' : ''} ${FACES[family]} ${round(size)}pt; color:${colour}`;
  return {
    own: {
      width: round(border),
      justification: { start: 'left', centre: 'centered', end: 'right' }[align],
      fringe: fringe(rect, corners, 0),
      ...(line
        ? {
            intent: 'FreeTextCallout',
            callout: list(line.flatMap(({ x, y }) => [x, y])),
            head: leader.head ? 'OpenArrow' : 'None',
          }
        : {}),
    },
    inner: `<defaultappearance>${list(levelsOf(colour), ' ')} rg /${FACES[family]} ${round(size)} Tf</defaultappearance><defaultstyle>${style}</defaultstyle>`,
  };
}

const fringe = (rect: Box | null, corners: readonly Vec[], beyond: number): string | null =>
  rect && list(fringeOf(rect, corners, beyond));

const headed = ([begins, ends]: readonly [boolean, boolean]): Attributes => ({
  head: begins ? 'OpenArrow' : 'None',
  tail: ends ? 'OpenArrow' : 'None',
});

const stroked = (sketch: {
  readonly width: number;
  readonly dashed?: boolean;
  readonly inside?: string;
}): Attributes => ({
  width: round(sketch.width),
  style: sketch.dashed ? 'dash' : null,
  dashes: sketch.dashed ? round(3 * sketch.width) : null,
  'interior-color': sketch.inside,
});
