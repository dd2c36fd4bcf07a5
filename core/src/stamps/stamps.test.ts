import fc from 'fast-check';
import { smallPicture } from '../../testing/attachment.ts';
import { invertibleMatrix, pageBox, vec } from '../../testing/arbitraries.ts';
import { shippedFonts } from '../../testing/faces.ts';
import { done, markOf, pageRefsFor } from '../../testing/marks.ts';
import { boundsOf, drawingOf, listMarks } from '../derived/index.ts';
import { emptyDocument, markChange } from '../document/index.ts';
import { duplicateMarks, restyleMarks } from '../editing/index.ts';
import { displayMatrix, displaySize, plainPage, transformBox } from '../geometry/index.ts';
import {
  asStamp,
  fromMarkRecord,
  kindFor,
  type PictureMark,
  type StampMark,
  toMarkRecord,
} from '../kinds/index.ts';
import { MarkRecordError } from '../marks/index.ts';
import { setBlock } from '../type/typesetter.ts';
import { FIRST_STAMPS, filledIn, makeStamp, stampAt, wordsOfStamp } from './index.ts';

const fonts = shippedFonts();
const FIELDS = { name: 'Ines Mara', date: '3 May 2031', time: '09:15', title: 'Tides', page: 'iv' };

/** A stamp of the first set, as it is put. */
function stampOf(index: number): StampMark {
  const design = FIRST_STAMPS[index % FIRST_STAMPS.length];
  const text = filledIn(design.says, FIELDS);
  const { width } = setBlock(wordsOfStamp(design, text), fonts);
  let count = 0;
  const newId = (): string => `part${count++}`;
  return makeStamp(design, { id: 's', page: 'p0', order: 1, madeAt: 1e12, text, width, newId });
}
const stamp = fc.nat(FIRST_STAMPS.length - 1).map(stampOf);

test('name, day and place are filled in; what is empty leaves no gap', () => {
  expect(filledIn('{name} · {date}', FIELDS)).toBe('Ines Mara · 3 May 2031');
  expect(filledIn('{name} · {date}', { ...FIELDS, name: '' })).toBe('3 May 2031');
  expect(filledIn('{title}, page {page}', FIELDS)).toBe('Tides, page iv');
  expect(filledIn('{name}', { ...FIELDS, name: '' })).toBe('');
  // What looks like a field in what is filled in stays what it is.
  expect(filledIn('{name}', { ...FIELDS, name: '{date}' })).toBe('{date}');
});

test('every stamp of the first set says what it says on one line, as text, within its lines', () => {
  for (const [k, design] of FIRST_STAMPS.entries()) {
    const made = stampOf(k);
    const { name, text } = kindFor(made).words(made);
    expect([name, text]).toEqual(['Stamp', filledIn(design.says, FIELDS)]);
    const words = drawingOf(made).flatMap((item) => (item.is === 'text' ? [item] : []));
    expect(words).toHaveLength(1);
    const { lines, missing } = setBlock(words[0].block, fonts);
    expect([design.id, lines.length, missing]).toEqual([design.id, 1, []]);
    expect(boundsOf(made).maxX - boundsOf(made).minX).toBeGreaterThan(words[0].width);
  }
  expect(new Set(FIRST_STAMPS.map(({ id }) => id)).size).toBe(FIRST_STAMPS.length);
});

test('it is put upright and whole on any page with room for it, near where it was asked for', () => {
  fc.assert(
    fc.property(stamp, pageBox, vec, (one, page, at) => {
      const seen = displaySize(page);
      const b = transformBox(displayMatrix(page), boundsOf(stampAt(one, page, at)));
      const [width, height] = [b.maxX - b.minX, b.maxY - b.minY];
      const own = boundsOf(one);
      // As large as on paper, whichever way its page is turned and whatever its unit.
      expect(width).toBeCloseTo(own.maxX - own.minX, 4);
      expect(height).toBeCloseTo(own.maxY - own.minY, 4);
      if (width > seen.width || height > seen.height) return;
      expect(b.minX).toBeGreaterThan(-1e-6);
      expect(b.minY).toBeGreaterThan(-1e-6);
      expect(b.maxX).toBeLessThan(seen.width + 1e-6);
      expect(b.maxY).toBeLessThan(seen.height + 1e-6);
    }),
  );
});

test('stored and read again it is the same, wherever it was carried', () => {
  fc.assert(
    fc.property(stamp, invertibleMatrix, (one, by) => {
      const carried = kindFor(one).carry(one, by, {});
      expect(fromMarkRecord(JSON.parse(JSON.stringify(toMarkRecord(carried))))).toEqual(
        JSON.parse(JSON.stringify(carried)),
      );
    }),
  );
});

test('a stamp of stamps, of nothing and of damaged parts is refused', () => {
  const one = stampOf(0);
  const record = toMarkRecord(one) as { parts: Record<string, unknown>[] };
  for (const parts of [
    [],
    [record],
    [{ ...record.parts[0], kind: 'nothing' }],
    [{ ...record.parts[0], figure: null }],
    [null],
  ])
    expect(() => fromMarkRecord({ ...record, parts })).toThrow(MarkRecordError);
});

test('it takes another ink as a whole, keeps its pictures with it, and a copy has ids of its own', () => {
  const shown: PictureMark = {
    ...{ kind: 'picture', id: 'shown', page: 'p0', order: 1, madeAt: 1, source: 'shore', says: '' },
    style: { colour: '#1b1b1d', width: 1, opacity: 1 },
    place: [20, 0, 0, 20, 0, 0],
  };
  const made = stampOf(0);
  const one = { ...made, parts: [...made.parts, shown] };
  expect(kindFor(one).attachments?.(one)).toEqual([smallPicture('shore').id]);
  const empty = emptyDocument(pageRefsFor([plainPage(400, 600)]));
  const state = done(empty, { label: 'Put a stamp', changes: [markChange(null, one)] });
  expect(listMarks(state)).toMatchObject([{ words: { sort: 'stamp' } }]);
  const inked = done(
    state,
    restyleMarks(state, ['s'], { style: { colour: '#c22f17', opacity: 0.5 } }),
  );
  const after = asStamp(markOf(inked, 's'));
  expect(after?.parts.map(({ style }) => style.colour)).toEqual(['#c22f17', '#c22f17', '#1b1b1d']);
  expect(after && drawingOf(after)).toMatchObject([{ is: 'group', opacity: 0.5 }]);
  let count = 0;
  const twice = done(
    inked,
    duplicateMarks(inked, ['s'], { x: 5, y: 5 }, () => `new${count++}`),
  );
  const ids = listMarks(twice).flatMap(({ mark }) => [
    mark.id,
    ...(asStamp(mark)?.parts.map(({ id }) => id) ?? []),
  ]);
  expect(new Set(ids).size).toBe(ids.length);
});
