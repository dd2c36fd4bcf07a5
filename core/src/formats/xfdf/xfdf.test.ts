import fc from 'fast-check';
import { pageRefsFor } from '../../../testing/marks.ts';
import { fromAnnotations } from '../../annotations/index.ts';
import { boundsOf } from '../../derived/index.ts';
import {
  type DocState,
  documentOfParts,
  type NamedPart,
  type Thread,
} from '../../document/index.ts';
import { plainPage } from '../../geometry/index.ts';
import { kindFor, type Mark, marksOfSketch } from '../../kinds/index.ts';
import { readXfdf, XfdfError } from './read.ts';
import { writeXfdf } from './write.ts';

const pages = pageRefsFor([plainPage(600, 800), plainPage(600, 800)]);
const base = (id: string, order: number, page = 'p0') => ({
  ...{ id, page, order, madeAt: Date.UTC(2026, 9, 1), author: 'Ada & Tom' },
  style: { colour: '#0f7566', width: 2, opacity: 0.5 },
});
const [a, b, c] = [
  { x: 100, y: 100 },
  { x: 200, y: 160 },
  { x: 260, y: 90 },
];
const quad = [
  { x: 50, y: 60 },
  { x: 150, y: 60 },
  { x: 50, y: 48 },
  { x: 150, y: 48 },
] as const;
const letters = { size: 14, family: 'serif', bold: true, italic: false, border: 1 } as const;
const corners = [
  { x: 300, y: 500 },
  { x: 500, y: 500 },
  { x: 500, y: 440 },
  { x: 300, y: 440 },
] as const;
const MARKS: readonly Mark[] = [
  ...marksOfSketch({ subtype: 'Ink', lines: [[a, b, c]], width: 2 }, base('ink', 1)),
  ...marksOfSketch(
    { subtype: 'Line', from: a, to: b, heads: [true, true], width: 1, dashed: true },
    base('arrow', 2),
  ),
  ...marksOfSketch({ subtype: 'PolyLine', corners: [a, b, c], width: 3 }, base('polyline', 3)),
  ...marksOfSketch(
    { subtype: 'Polygon', corners: [a, b, c], width: 1, cloudy: true },
    base('cloud', 4),
  ),
  ...marksOfSketch(
    { subtype: 'Square', corners: [a, b], width: 4, inside: '#ffee88' },
    base('square', 5),
  ),
  ...marksOfSketch({ subtype: 'Circle', corners: [a, b], width: 1 }, base('circle', 6, 'p1')),
  ...(['Highlight', 'Underline', 'Squiggly', 'StrikeOut'] as const).flatMap((subtype, k) =>
    marksOfSketch({ subtype, quads: [quad, quad] }, base(subtype, 7 + k)),
  ),
  ...marksOfSketch({ subtype: 'Text', at: a }, base('note', 11)),
  ...marksOfSketch(
    {
      ...{ subtype: 'FreeText', corners, text: 'Two lines,\n<one> & “two”', align: 'centre' },
      ...letters,
      ground: '#ffffff',
      leader: { to: a, bend: b, from: corners[0], head: true },
    },
    base('text', 12),
  ),
];
const THREAD: Thread = {
  ...{ id: 't', mark: 'note', tags: [] },
  remarks: [
    { id: 'r1', author: 'Ada & Tom', text: 'Why <here>?', madeAt: 1000, editedAt: null },
    { id: 'r2', author: 'Ines', text: 'Because “so”.', madeAt: 2000, editedAt: null },
  ],
  settled: { by: 'Ada & Tom', at: 3000 },
};
const documentOf = (marks: readonly Mark[], threads: readonly Thread[]): DocState =>
  documentOfParts(pages, [
    ...pages.map((value): NamedPart => ({ part: 'page', value })),
    ...marks.map((value): NamedPart => ({ part: 'mark', value })),
    ...threads.map((value): NamedPart => ({ part: 'thread', value })),
  ]);
const back = (text: string) =>
  fromAnnotations(readXfdf(text), { pageId: (page) => pages[page]?.id ?? null, now: 0 });

test('marks and what is said about them come back from XFDF', () => {
  const { marks, threads } = back(writeXfdf(documentOf(MARKS, [THREAD]), 'Tides & pools.pdf'));
  // Of the second page they come last.
  const sent = [...MARKS].sort((p, q) => Number(p.page > q.page) - Number(p.page < q.page));
  expect(marks.map(({ id, page, author }) => [id, page, author])).toEqual(
    sent.map(({ id, page, author }) => [id, page, author]),
  );
  marks.forEach((mark, k) => {
    const [own, other] = [kindFor(sent[k]).annotation(sent[k]), kindFor(mark).annotation(mark)];
    expect({ ...other, outline: null }).toEqual({ ...own, outline: null });
    const { style } = sent[k];
    expect(mark.style).toEqual({ ...style, width: expect.any(Number) as number });
    expect(boundsOf(mark).minX).toBeCloseTo(boundsOf(sent[k]).minX, 1);
  });
  expect(threads).toMatchObject([
    {
      mark: 'note',
      remarks: [
        { text: 'Why <here>?', author: 'Ada & Tom' },
        { id: 'r2', text: 'Because “so”.', author: 'Ines' },
      ],
      settled: { by: 'Ada & Tom', at: 3000 },
    },
  ]);
});

test('whatever is said comes back, but for what no XML can hold', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', minLength: 1, maxLength: 60 }), (text) => {
      const thread = { ...THREAD, settled: null, remarks: [{ ...THREAD.remarks[0], text }] };
      const sent = documentOf(
        [...MARKS].filter(({ id }) => id === 'note'),
        [thread],
      );
      const { threads } = back(writeXfdf(sent, text));
      const said = threads[0]?.remarks[0].text ?? '';
      if (/^[\p{L}\p{N} ]+$/u.test(text) && text.trim() !== '') expect(said).toBe(text);
      else expect(typeof said).toBe('string');
    }),
  );
});

const file = (inner: string): string =>
  `<xfdf xmlns="http://ns.adobe.com/xfdf/"><annots>${inner}</annots></xfdf>`;

test('what another program writes is read: rich text, replies by name, states, corners in any order', () => {
  const { marks, threads } = back(
    file(`
      <highlight page="1" name="h" title="Ada" color="#FFCC00" rect="50,48,150,60" date="D:20261001090000Z"
        coords="50,48,150,48,150,60,50,60">
        <contents-richtext><body xmlns="http://www.w3.org/1999/xhtml"><p>Who was</p><p>first?</p></body></contents-richtext>
      </highlight>
      <text page="1" rect="0,0,9,9" inreplyto="h" title="Tom" date="D:20261002090000Z" flags="hidden"><contents>I.</contents></text>
      <text page="1" rect="0,0,9,9" inreplyto="h" title="Ada" statemodel="Review" state="Completed" date="D:20261003090000Z"/>
      <stamp page="0" rect="0,0,9,9"/>`),
  );
  expect(marks).toMatchObject([
    { id: 'h', page: 'p1', kind: 'words', style: { colour: '#ffcc00' }, strips: [{ quad }] },
  ]);
  expect(threads).toMatchObject([
    {
      remarks: [{ text: 'Who was\nfirst?' }, { text: 'I.', author: 'Tom' }],
      settled: { by: 'Ada', at: Date.UTC(2026, 9, 3, 9) },
    },
  ]);
});

test.each([
  ['no XML', 'not <xml', /not well-formed/],
  ['other XML', '<ink/>', /not XFDF/],
  ['a document type', '<!DOCTYPE xfdf [<!ENTITY a "b">]><xfdf/>', /document type/],
  ['nothing in it', file(''), /no annotations/],
])('a file with %s is refused in a sentence', (_, text, sentence) => {
  expect(() => readXfdf(text)).toThrow(XfdfError);
  expect(() => readXfdf(text)).toThrow(sentence);
});

test('damaged entries make no marks, and no harm', () => {
  const { marks } = back(
    file(`<ink page="0"><inklist><gesture>1,x;2</gesture></inklist></ink>
      <line page="0" start="1" end=""/><polygon page="x"/><square page="0" rect="9,9,9,9"/>
      <freetext page="0" rect="0,0,100,100"/><highlight page="0" coords="1,2,3"/>
      <ink page="0"><inklist><gesture>1,1;1e9,4</gesture></inklist></ink>`),
  );
  expect(marks).toEqual([]);
});
