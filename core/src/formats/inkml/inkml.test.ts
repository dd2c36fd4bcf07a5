import fc from 'fast-check';
import { stroke } from '../../../testing/arbitraries.ts';
import { ellipsePath, wavePath, writeAlong } from '../../../testing/hand.ts';
import { HIGHLIGHTER, pageRefsFor, written } from '../../../testing/marks.ts';
import {
  applyTransaction,
  type DocState,
  emptyDocument,
  inOrder,
  marksOn,
} from '../../document/index.ts';
import { bringInInk, drawInk } from '../../editing/index.ts';
import { type InkMark, writtenSamples } from '../../kinds/index.ts';
import { FIRST_ROLL, INSTRUMENTS, writes } from '../../marks/index.ts';
import { plainPage } from '../../geometry/index.ts';
import { placeTraces } from './place.ts';
import { InkmlError, readInkml } from './read.ts';
import { writeInkml } from './write.ts';

const turned = { ...plainPage(600, 800), rotate: 90 as const };
const pages = pageRefsFor([plainPage(600, 800), turned]);

const inkOf = (state: DocState): InkMark[] =>
  state.pages.flatMap((p) =>
    inOrder(marksOn(state, p.id)).filter((m): m is InkMark => m.kind === 'ink'),
  );

/** A document's ink through InkML into an empty document. */
function throughInkml(state: DocState): DocState {
  const incoming = placeTraces(
    readInkml(writeInkml(state, 'Rock pools & <zones>')),
    state.pages,
    0,
  );
  let n = 0;
  const applied = applyTransaction(
    emptyDocument(state.pages),
    bringInInk(emptyDocument(state.pages), incoming, () => `n${n++}`, 0) ?? {
      label: '',
      changes: [],
    },
  );
  if (!applied.ok) throw new Error(applied.reason);
  return applied.state;
}

const known = (mark: InkMark) => ({
  page: mark.page,
  style: mark.style,
  tool: mark.tool,
  ink: mark.ink,
});

test('ink of every instrument comes back as it was, on its page, also on a turned one', () => {
  let state = written(pages, [
    { page: 0, path: wavePath({ x: 100, y: 400 }, 200, 10, 3) },
    { page: 1, path: ellipsePath({ x: 300, y: 300 }, 40, 30), instrument: HIGHLIGHTER },
  ]);
  INSTRUMENTS.filter(writes).forEach((instrument, k) => {
    const samples = writeAlong(wavePath({ x: 80, y: 100 + 40 * k }, 200, 8, 2), {
      seed: k + 1,
    }).map((s) => ({
      ...s,
      tiltX: 30 - k,
      tiltY: k - 10,
    }));
    const t = drawInk(state, {
      id: `i${k}`,
      page: pages[k % 2].id,
      instrument,
      samples,
      madeAt: k,
    });
    const applied = applyTransaction(state, t);
    if (applied.ok) state = applied.state;
  });
  expect(inkOf(throughInkml(state)).map(known)).toEqual(inkOf(state).map(known));
});

test('any stroke on the stored grid survives the round trip', () => {
  fc.assert(
    fc.property(stroke(60), (samples) => {
      const inside = samples.map((s) => ({
        ...s,
        x: ((s.x % 500) + 500) % 500,
        y: ((s.y % 700) + 700) % 700,
      }));
      const empty = emptyDocument(pages);
      const t = drawInk(empty, {
        id: 'a',
        page: 'p0',
        instrument: FIRST_ROLL[0],
        samples: inside,
        madeAt: 0,
      });
      const applied = applyTransaction(empty, t);
      if (!applied.ok) throw new Error(applied.reason);
      expect(inkOf(throughInkml(applied.state))[0].ink.samples).toEqual(
        inkOf(applied.state)[0].ink.samples,
      );
    }),
  );
});

const file = (body: string): string => `<ink xmlns="http://www.w3.org/2003/InkML">${body}</ink>`;

test('a file of another hand: millimetres, seconds, a brush, differences', () => {
  const [trace] = readInkml(
    file(`<definitions>
      <inkSource xml:id="s"><traceFormat><channel name="X" units="mm"/><channel name="Y" units="mm"/>
        <channel name="T" units="s"/><channel name="F" max="1023"/></traceFormat></inkSource>
      <context xml:id="c" inkSourceRef="#s"/>
      <brush xml:id="b"><brushProperty name="width" value="1" units="mm"/><brushProperty name="color" value="#C22F17"/></brush>
      </definitions><traceGroup contextRef="#c" brushRef="#b"><trace>10 20 5 1023, 11 20 5.1 0, 12 '-1 '0.1 "0</trace></traceGroup>`),
  );
  expect(
    trace.samples.map((s) => [s.x, s.y].map((v) => Math.round((v / 72) * 25.4 * 100) / 100)),
  ).toEqual([
    [10, 20],
    [11, 20],
    [12, 19],
  ]);
  expect(trace.samples.map((s) => Math.round(s.t))).toEqual([0, 100, 200]);
  expect(trace.samples[0].pressure).toBe(1);
  expect(trace.style).toMatchObject({ colour: '#c22f17', width: expect.closeTo(2.8346, 3) });
});

test('ink of a larger surface is fitted onto the page', () => {
  const traces = readInkml(file('<trace>0 0, 4000 0, 4000 3000</trace>'));
  const [{ ink }] = placeTraces(traces, pages, 0);
  for (const s of writtenSamples(ink)) {
    expect(s.x).toBeGreaterThan(0);
    expect(s.x).toBeLessThan(600);
    expect(s.y).toBeGreaterThan(0);
    expect(s.y).toBeLessThan(800);
  }
});

test.each([
  ['no XML', 'not <xml', /not well-formed/],
  ['another document', '<svg xmlns="http://www.w3.org/2000/svg"/>', /not InkML/],
  ['cut short', file('<trace>1 2, 3 4</trace>').slice(0, 60), /not well-formed/],
  ['no ink', file('<definitions/>'), /holds no ink/],
  [
    'letters for numbers',
    file('<trace>1 2, a b</trace>'),
    /Stroke 1 of this InkML file is damaged/,
  ],
  ['a point without a place', file('<trace>1 2, 3</trace>'), /Point 2 has no place/],
  ['entities', `<!DOCTYPE ink [<!ENTITY a "b">]>${file('<trace>1 2</trace>')}`, /document type/],
])('told: %s', (_, text, message) => {
  expect(() => readInkml(text)).toThrow(InkmlError);
  expect(() => readInkml(text)).toThrow(message);
});

test('damaged files are told, never worse', () => {
  const good = writeInkml(
    written(pages, [{ page: 0, path: wavePath({ x: 100, y: 400 }, 60, 10, 2) }]),
    'a',
  );
  fc.assert(
    fc.property(fc.nat(good.length - 1), fc.string({ maxLength: 4 }), (at, put) => {
      try {
        readInkml(good.slice(0, at) + put + good.slice(at + put.length));
      } catch (e) {
        expect(e).toBeInstanceOf(InkmlError);
      }
    }),
  );
});

test('ink that names a page there is not goes onto the page it is brought to', () => {
  const text = (name: string) =>
    `<ink xmlns="http://www.w3.org/2003/InkML"><context xml:id="${name}"/><trace contextRef="#${name}">10 20, 30 40, 50 40</trace></ink>`;
  for (const name of ['page-0', 'page-3', 'page-99999999999999999999', 'page-', 'other'])
    expect(placeTraces(readInkml(text(name)), pages, 1).map((ink) => ink.page)).toEqual(['p1']);
  expect(placeTraces(readInkml(text('page-1')), pages, 1)[0].page).toBe('p0');
});
