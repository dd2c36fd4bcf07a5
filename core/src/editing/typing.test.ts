import { done, markOf, pageRefsFor } from '../../testing/marks.ts';
import { boundsOf, listMarks } from '../derived/index.ts';
import { applyTransaction, emptyDocument, findMark, invertTransaction } from '../document/index.ts';
import { plainPage, transform, turnAbout } from '../geometry/index.ts';
import { asText, cornersOfBox, fromMarkRecord, kindFor, toMarkRecord } from '../kinds/index.ts';
import { FIRST_ROLL } from '../marks/index.ts';
import { retyped } from '../type/spans.ts';
import { emptyText, keepText } from './typing.ts';

const state = emptyDocument(pageRefsFor([plainPage(400, 600)]));
const instrument = FIRST_ROLL[10];
const begun = emptyText(state, {
  id: 't1',
  page: 'p0',
  instrument,
  at: { x: 50, y: 500 },
  angle: 0,
  width: 200,
  madeAt: 1_760_000_000_000,
  author: 'Ines Mara',
});
const says = (text: string, mark = begun) => ({
  ...mark,
  block: { ...mark.block, spans: retyped(mark.block.spans, text) },
});

test('an empty box is no mark; what is typed is one, step by step, and what is emptied goes', () => {
  expect(keepText(null, begun)).toBeNull();
  expect(keepText(null, says('  \n'))).toBeNull();
  const typed = done(state, keepText(null, says('high shore')));
  const kept = asText(findMark(typed, 't1'));
  if (!kept) throw new Error('It is not kept.');
  expect(keepText(kept, says('high shore'))).toBeNull();
  const more = keepText(kept, says('high shore, dry'));
  const after = done(typed, more);
  expect(listMarks(after)[0].words).toEqual({
    name: 'Text',
    text: 'high shore, dry',
    sort: 'text',
  });
  const back = more && applyTransaction(after, invertTransaction(more));
  expect(back?.ok && findMark(back.state, 't1')).toEqual(kept);
  const gone = done(after, keepText(asText(markOf(after, 't1')), says('')));
  expect(findMark(gone, 't1')).toBeNull();
});

test('a box is stored and read again; what is none is refused', () => {
  const mark = says('limpets: 12');
  expect(fromMarkRecord(JSON.parse(JSON.stringify(toMarkRecord(mark))))).toEqual(mark);
  const record = toMarkRecord(mark);
  for (const bad of [
    { ...record, angle: 'up' },
    { ...record, block: { ...mark.block, spans: [] } },
    { ...record, block: { ...mark.block, align: 'justify' } },
    { ...record, block: { ...mark.block, spans: [{ text: 'a', style: { family: 'sans' } }] } },
    {
      ...record,
      block: { ...mark.block, spans: [{ ...mark.block.spans[0], text: 'a'.repeat(100_001) }] },
    },
  ])
    expect(() => fromMarkRecord(bad)).toThrow();
});

test('a box is moved, turned and scaled with its letters, which are never stretched', () => {
  const mark = says('limpets');
  const turned = kindFor(mark).carry(mark, turnAbout(Math.PI / 2, { x: 50, y: 500 }), {});
  const [corner, along] = cornersOfBox(asText(turned) ?? mark);
  expect(corner).toEqual({ x: 50, y: 500 });
  expect(along.x).toBeCloseTo(50);
  expect(along.y).toBeCloseTo(500 + 204);
  const large = asText(kindFor(mark).carry(mark, [2, 0, 0, 2, 0, 0], {}));
  expect(large?.block).toMatchObject({ width: 400, spans: [{ style: { size: 22 } }] });
  expect(large?.height).toBe(2 * mark.height);
  const wide = asText(kindFor(mark).carry(mark, [1.5, 0, 0, 1, 0, 0], {}));
  expect(wide?.block).toMatchObject({ width: 300, spans: [{ style: { size: 11 } }] });
  const tall = asText(kindFor(mark).carry(mark, [1, 0, 0, 2, 0, 0], {}));
  expect(tall?.block).toMatchObject({ width: 200, spans: [{ style: { size: 22 } }] });
  const { minX, maxY } = boundsOf(mark);
  expect(minX).toBeLessThan(50);
  expect(maxY).toBeGreaterThan(500);
  expect(transform([2, 0, 0, 2, 0, 0], mark.at)).toEqual(large?.at);
});

test('what has the ink of the box takes another with it; what stands out keeps its own', () => {
  const mark = {
    ...begun,
    block: {
      ...begun.block,
      spans: [
        { text: 'dry ', style: begun.block.spans[0].style },
        { text: 'wet', style: { ...begun.block.spans[0].style, colour: '#c22f17' } },
      ],
    },
  };
  const green = asText(kindFor(mark).restyle(mark, { style: { colour: '#0f7566' } }));
  expect(green?.block.spans.map(({ style }) => style.colour)).toEqual(['#0f7566', '#c22f17']);
});
