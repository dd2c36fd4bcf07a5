import { done, pageRefsFor } from '../../testing/marks.ts';
import { rawPrint } from '../../testing/print.ts';
import { drawingOf } from '../derived/index.ts';
import { emptyDocument, fromPartRecord, toPartRecord } from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import { asCorrection, kindFor } from '../kinds/index.ts';
import { readPrint } from '../print/index.ts';
import type { LetterStyle } from '../type/index.ts';
import {
  besideLine,
  correctionOf,
  correctLines,
  correctPrint,
  linesLike,
  lineWith,
  looksLike,
  printedLineAt,
} from './corrections.ts';

const print = readPrint(
  rawPrint([
    { text: 'Limpets graze at nihgt', x: 40, y: 300 },
    { text: 'and are home by noon.', x: 40, y: 286 },
  ]),
);
const state = emptyDocument(pageRefsFor([plainPage(300, 400)]));
const look: LetterStyle = {
  ...({ family: 'serif', size: 10, colour: '#1b1b1d' } as const),
  ...{ bold: false, italic: false, underline: false },
};
const line = printedLineAt(print, { x: 60, y: 302 });
const asked = (says: string) => {
  if (!line) throw new Error('The line is not there.');
  return {
    ...{ id: 'c', page: 'p0', line, says, look, baseline: { x: 40, y: 300 }, stretch: 0.9 },
    ...{ set: { below: 9.5, width: 120 }, paper: '#ffffff', madeAt: 1 },
  };
};

test('the line that is pointed at is corrected, once, and taken for the same when it is corrected again', () => {
  expect(line?.was).toBe('Limpets graze at nihgt');
  expect(lineWith(print, print.words[5].from)?.was).toBe('and are home by noon.');
  expect(printedLineAt(print, { x: 60, y: 100 })).toBeNull();
  const first = done(state, correctPrint(state, asked('Limpets graze at night')));
  const mark = asCorrection(first.marks.get('p0')?.get('c') ?? null);
  expect(mark).toMatchObject({ was: 'Limpets graze at nihgt', at: { x: 40, y: 309.5 } });
  expect(line && correctionOf(first, 'p0', line)).toBe(mark);
  expect(correctPrint(first, { ...asked('Limpets graze at night'), id: 'd' })).toBeNull();
  const again = done(first, correctPrint(first, { ...asked('Limpets rest'), id: 'd' }));
  expect([...(again.marks.get('p0')?.keys() ?? [])]).toEqual(['c']);
});

test('on the screen it hides the print; in copies, from which that is gone, it hides nothing', () => {
  const corrected = done(state, correctPrint(state, asked('Limpets graze at night')));
  const mark = corrected.marks.get('p0')?.get('c');
  if (!mark) throw new Error('The correction is not there.');
  const kind = kindFor(mark);
  expect(kind.takesOut?.(mark).says).toBe('Limpets graze at nihgt');
  expect(drawingOf(mark).map(({ is }) => is)).toEqual(['fill', 'text']);
  const copied = kind.inCopy?.(mark) ?? mark;
  expect(drawingOf(copied).map(({ is }) => is)).toEqual(['text']);
  expect(kind.words(mark)).toMatchObject({ name: 'Correction', text: 'Limpets graze at night' });
  const kept = fromPartRecord('mark', JSON.parse(JSON.stringify(toPartRecord('mark', mark))));
  expect(kept).toEqual(mark);
  const out = done(state, correctPrint(state, asked('')))
    .marks.get('p0')
    ?.get('c');
  expect(out && drawingOf(out).map(({ is }) => is)).toEqual(['fill']);
});

test('carried elsewhere the new words move, the old ones are hidden where they are', () => {
  const corrected = done(state, correctPrint(state, asked('Limpets graze at night')));
  const mark = corrected.marks.get('p0')?.get('c');
  const moved = mark && asCorrection(kindFor(mark).carry(mark, [2, 0, 0, 2, 10, 20], {}));
  expect(moved).toMatchObject({ quad: asCorrection(mark ?? null)?.quad, look: { size: 20 } });
  expect(moved?.at).toEqual({ x: 90, y: 639 });
});

test('lines that say the same are found, and corrected in one step, each where it stands', () => {
  const [first, second] = [
    { text: 'Low water 07:40', x: 40, y: 300 },
    { text: 'Low water 07:40', x: 60, y: 200 },
  ];
  const page = readPrint(rawPrint([first, { text: 'High water 13:55', x: 40, y: 250 }, second]));
  const own = printedLineAt(page, { x: 45, y: 302 });
  if (!own) throw new Error('The line is not there.');
  const all = linesLike(page, own);
  expect(all.map(({ line: { quad }, after }) => [Math.round(quad[2].x), after])).toEqual([
    [40, ''],
    [60, 'High water 13:55'],
  ]);
  const corrections = all.map(({ line: one }, k) => ({
    ...{ ...asked('Low water 08:40'), id: `c${k}`, line: one },
    baseline: besideLine({ x: 40, y: 300 }, own, one),
  }));
  const step = correctLines(state, corrections);
  expect(step?.changes).toHaveLength(2);
  const marks = [...(done(state, step).marks.get('p0')?.values() ?? [])].map(asCorrection);
  expect(marks.map((mark) => mark?.at)).toEqual([
    { x: 40, y: 309.5 },
    { x: 60, y: 209.5 },
  ]);
  expect(new Set(marks.map((mark) => mark?.order)).size).toBe(2);
  expect(correctLines(done(state, step), corrections)).toBeNull();
});

test('a correction is moved from where the print stands, and keeps how far', () => {
  const moved = done(state, correctPrint(state, { ...asked('Limpets'), shift: { x: 5, y: -2 } }));
  const mark = moved.marks.get('p0')?.get('c');
  expect(asCorrection(mark ?? null)).toMatchObject({
    at: { x: 45, y: 307.5 },
    shift: { x: 5, y: -2 },
  });
  expect(mark && fromPartRecord('mark', toPartRecord('mark', mark))).toEqual(mark);
});

test.each([
  ['ABCDEF+Literata-Bold', 0, 0, 'sans', true, false, true],
  ['Times-Italic', 66, 400, 'serif', false, true, false],
  ['XYZABC+CMTT10', 0, 400, 'mono', false, false, false],
  ['Helvetica-Oblique', 32, 400, 'sans', false, true, false],
  ['Some', 2, 700, 'serif', true, false, false],
])(
  '%s with flags %i looks as it is called',
  (font, flags, weight, family, bold, italic, isGuess) => {
    expect(looksLike(font, flags, weight)).toEqual({ family, bold, italic, isGuess });
  },
);

test('in the print’s own letters it is seen as their outlines, and text lies beneath that is only found', () => {
  const square = { verbs: 'MLLZ', coords: [0, 0, 500, 0, 500, 500] };
  const letters = [
    { char: 'a', advance: 600, outline: square },
    { char: ' ', advance: 250, outline: { verbs: '', coords: [] } },
  ];
  const own = { letters, drop: 0.95, stretch: 1 };
  const corrected = done(state, correctPrint(state, { ...asked('a a'), own, stretch: 14.5 / 120 }));
  const mark = corrected.marks.get('p0')?.get('c');
  if (!mark) throw new Error('The correction is not there.');
  const [, text, first, second] = drawingOf(mark);
  expect([text, first, second]).toMatchObject([
    { is: 'text', opacity: 0 },
    { is: 'fill', paint: { colour: look.colour, opacity: 1 } },
    { is: 'fill' },
  ]);
  // On its baseline, and after a letter and a space of ten points.
  expect(first.is === 'fill' && [...first.path.coords]).toEqual([40, 300, 45, 300, 45, 305]);
  expect(second.is === 'fill' && second.path.coords[0]).toBeCloseTo(48.5);
  expect(fromPartRecord('mark', toPartRecord('mark', mark))).toEqual(mark);
  // Carried, they are as large as the line.
  const twice = drawingOf(kindFor(mark).carry(mark, [2, 0, 0, 2, 0, 0], {}));
  expect(twice[2].is === 'fill' && twice[2].path.coords[2]).toBeCloseTo(90);
  // What is damaged is refused.
  const record = toPartRecord('mark', mark);
  const damaged = {
    ...(record as object),
    own: { ...own, letters: [{ ...letters[0], outline: 1 }] },
  };
  expect(() => fromPartRecord('mark', damaged)).toThrow();
});
