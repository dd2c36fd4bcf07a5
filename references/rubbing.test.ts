import { pathRings } from '../core/testing/shapes';
import { centrelinesOf, outlineOf } from '@marginalis/core/derived';
import { applyTransaction, emptyDocument, findMark } from '@marginalis/core/document';
import { drawInk, rubInk, startRubbing } from '@marginalis/core/editing';
import { polylineLength, type Vec } from '@marginalis/core/geometry';
import type { InkSample } from '@marginalis/core/ink';
import { ellipsePath, wavePath, writeAlong } from '../core/testing/hand';
import { pageRefsFor, PEN } from '../core/testing/marks';
import { seededRandom } from '../core/testing/seededRandom';
import { areaOfDiscs, areaOfLines, filledArea } from './support/areas';
import { leftByLibrary } from './support/rubbed';

jest.setTimeout(120_000);

/** Even ink: what the rubber takes is a matter of its width alone. */
const even = { ...PEN, widthMm: 1, nib: { ...PEN.nib, thinning: 0 } };
const WIDTH = (even.widthMm * 72) / 25.4;
const NIB = { ...even.nib, width: WIDTH };
const pages = pageRefsFor([
  { box: { minX: 0, minY: 0, maxX: 400, maxY: 400 }, rotate: 0, userUnit: 1 },
]);

const cases = Array.from({ length: 12 }, (_, seed) => {
  const random = seededRandom(seed + 1);
  const path =
    seed % 2 === 0
      ? wavePath({ x: 60, y: 200 }, 240, 12 + 20 * random(), 2 + Math.floor(3 * random()))
      : ellipsePath({ x: 180, y: 200 }, 60 + 40 * random(), 40, random(), 0.7 + random());
  const place = (): Vec => ({ x: 60 + 240 * random(), y: 150 + 100 * random() });
  const sweep = Array.from({ length: 2 + Math.floor(4 * random()) }, place);
  return {
    seed,
    samples: writeAlong(path, { seed: seed + 1, rate: 60 }),
    sweep,
    radius: 3 + 9 * random(),
  };
});

const asInk = (line: readonly Vec[]): InkSample[] =>
  line.map(({ x, y }, t) => ({ x, y, t, pressure: 0.5 }));

test.each(cases)(
  'case $seed: rubbing takes the area that an independent library takes, within 1 %, and leaves as long a line',
  ({ samples, sweep, radius }) => {
    const start = emptyDocument(pages);
    const stroke = { id: 's', page: 'p0', instrument: even, samples, madeAt: 0 };
    const drawn = applyTransaction(start, drawInk(start, stroke));
    if (!drawn.ok) throw new Error(drawn.reason);
    const before = findMark(drawn.state, 's');
    if (!before) throw new Error('The stroke is not there.');
    const rubbing = startRubbing(drawn.state, 'p0', radius, {
      takes: 'part',
      only: 'everything',
      colour: '',
    });
    rubbing.along(sweep);
    const after = rubbing.becomes.has('s') ? rubbing.becomes.get('s') : before;

    const line = centrelinesOf(before)[0];
    const theirs = leftByLibrary(line, sweep, radius + WIDTH / 2).filter(
      (piece) => polylineLength(piece) >= WIDTH,
    );
    const ours = after ? centrelinesOf(after) : [];
    const sum = (lines: readonly (readonly Vec[])[]): number =>
      lines.reduce((all, piece) => all + polylineLength(piece), 0);
    expect(Math.abs(sum(ours) - sum(theirs))).toBeLessThan(0.002 * polylineLength(line) + 0.02);

    const whole = areaOfDiscs(asInk(line), NIB);
    const left = theirs.length === 0 ? 0 : areaOfLines(theirs.map(asInk), NIB);
    const areaOf = (mark: typeof before | null | undefined): number =>
      mark ? filledArea(pathRings(outlineOf(mark)), 0.02) : 0;
    const takenOurs = areaOf(before) - areaOf(after);
    // 1 % of what is taken; both areas are differences of larger ones, whose outlines may stray by 0.2 %.
    expect(Math.abs(takenOurs - (whole - left))).toBeLessThan(
      0.01 * (whole - left) + 0.002 * whole,
    );
  },
);

test.each(cases)(
  'case $seed: the samples left are those an independent library leaves',
  ({ samples, sweep, radius }) => {
    const ours = rubInk(samples, 0, sweep, radius);
    const theirs = leftByLibrary(samples, sweep, radius);
    const sum = (lines: readonly (readonly Vec[])[]): number =>
      lines.reduce((all, piece) => all + polylineLength(piece), 0);
    expect(Math.abs(sum(ours) - sum(theirs))).toBeLessThan(0.002 * polylineLength(samples) + 0.01);
  },
);
