import { FIGURE_KINDS } from '../../testing/figureKinds.ts';
import fc from 'fast-check';
import { inkMark } from '../../testing/arbitraries.ts';
import { drawnFigure } from '../../testing/drawnFigures.ts';
import { fromBase64, MarkRecordError, toBase64 } from '../marks/index.ts';
import type { FigureMark } from './figure/index.ts';
import { fromMarkRecord, toMarkRecord } from './record.ts';

/** What storage does with a record: through JSON and back. */
const stored = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

const figureMark = (kind: (typeof FIGURE_KINDS)[number]): FigureMark => ({
  kind: 'figure',
  id: `figure-${kind}`,
  page: 'p1',
  order: 3,
  style: { colour: '#0f7566', width: 1.4, opacity: 1 },
  madeAt: 1_760_000_000_000,
  figure: drawnFigure(kind, 4).figure,
  dash: 'none',
  fill: null,
  from: [],
});

test('ink comes back from storage as it was', () => {
  fc.assert(
    fc.property(inkMark, (mark) => {
      expect(fromMarkRecord(stored(toMarkRecord(mark)))).toEqual(mark);
    }),
  );
});

test('every kind of figure comes back, with and without the ink it was tidied from', () => {
  fc.assert(
    fc.property(inkMark, fc.constantFrom(...FIGURE_KINDS), (ink, kind) => {
      if (ink.kind !== 'ink') throw new Error('Ink is ink.');
      const plain = figureMark(kind);
      const fill = { colour: '#c22f17', opacity: 0.3 };
      const tidied: FigureMark = {
        ...plain,
        dash: 'dotted',
        fill,
        from: [ink, { ...ink, id: 'other' }],
      };
      expect(fromMarkRecord(stored(toMarkRecord(plain)))).toEqual(plain);
      expect(fromMarkRecord(stored(toMarkRecord(tidied)))).toEqual(tidied);
    }),
  );
});

test('a figure of the first releases comes with the ink of its one stroke', () => {
  fc.assert(
    fc.property(inkMark, (ink) => {
      if (ink.kind !== 'ink') throw new Error('Ink is ink.');
      const { kind, id, page, order, madeAt, style, figure } = figureMark('circle');
      const old = { kind, id, page, order, madeAt, style, figure };
      const { ink: samples } = toMarkRecord(ink);
      expect(fromMarkRecord(stored({ ...old, ink: null }))).toEqual(figureMark('circle'));
      const mark = fromMarkRecord(stored({ ...old, ink: samples }));
      const base = { id, page, order, madeAt, style };
      const stroke = { ...base, kind: 'ink', tool: 'pen', ink: ink.ink };
      expect(mark).toEqual({ ...figureMark('circle'), from: [stroke] });
    }),
  );
});

test.each([
  ['no object', null],
  [
    'a figure tidied from a figure',
    { ...toMarkRecord(figureMark('line')), from: [toMarkRecord(figureMark('line'))] },
  ],
  ['an unknown kind', { kind: 'spell' }],
  ['a missing page', { ...toMarkRecord(figureMark('line')), page: undefined }],
  [
    'a colour that is none',
    { ...toMarkRecord(figureMark('line')), style: { colour: 'red', width: 1, opacity: 1 } },
  ],
  [
    'an endless width',
    {
      ...toMarkRecord(figureMark('line')),
      style: { colour: '#000000', width: Infinity, opacity: 1 },
    },
  ],
  ['a figure of no known kind', { ...toMarkRecord(figureMark('line')), figure: { kind: 'knot' } }],
  [
    'a figure with a text for a number',
    {
      ...toMarkRecord(figureMark('circle')),
      figure: { kind: 'circle', centre: { x: 1, y: 2 }, radius: '7' },
    },
  ],
])('%s is refused with words', (_what, record) => {
  expect(() => fromMarkRecord(record)).toThrow(MarkRecordError);
});

test('damaged samples are told as damage of the mark', () => {
  fc.assert(
    fc.property(inkMark, fc.nat(), (mark, at) => {
      const record = stored(toMarkRecord(mark)) as { ink: { samples: string } };
      const { samples } = record.ink;
      const i = at % samples.length;
      const other = samples[i] === 'A' ? 'B' : 'A';
      record.ink.samples = samples.slice(0, i) + other + samples.slice(i + 1);
      let back;
      try {
        back = fromMarkRecord(record);
      } catch (e) {
        expect(e).toBeInstanceOf(MarkRecordError);
        return;
      }
      // The last digit may hold unused bits, whose change is none.
      expect(back).toEqual(mark);
    }),
  );
});

test('base64 is what the platform’s own says (RFC 4648)', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 90 }), (bytes) => {
      const text = toBase64(bytes);
      expect(text).toBe(Buffer.from(bytes).toString('base64'));
      expect([...fromBase64(text)]).toEqual([...bytes]);
    }),
  );
  for (const wrong of ['A', 'AB', 'ABC', 'A===', 'AB*D'])
    expect(() => fromBase64(wrong)).toThrow(RangeError);
});
