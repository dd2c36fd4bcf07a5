import { readFileSync } from 'node:fs';
import { PDFDocument } from '@cantoo/pdf-lib';
import { writeInkml } from '@marginalis/core/formats';
import { toMarkRecord } from '@marginalis/core/kinds';
import { inspectPdf } from '@marginalis/core/pdf';
import { annotatedPdf } from '../core/testing/annotatedPdf';
import { wavePath } from '../core/testing/hand';
import { HIGHLIGHTER, markOf, pageRefsFor, written } from '../core/testing/marks';
import { everythingIn, lockedPdf, plainPdf } from '../core/testing/pdfs';
import { CommandError, EXIT, type Io } from './io';
import { run } from './run';

interface Stand extends Io {
  readonly files: Map<string, Uint8Array>;
  readonly results: unknown[];
  readonly words: string[];
}

/** Files in memory, and what was said. */
function stand(files: Record<string, Uint8Array | string>): Stand {
  const held = new Map(
    Object.entries(files).map(([name, data]) => [
      name,
      typeof data === 'string' ? new TextEncoder().encode(data) : data,
    ]),
  );
  const results: unknown[] = [];
  const words: string[] = [];
  return {
    files: held,
    results,
    words,
    async read(path) {
      const bytes = held.get(path);
      if (!bytes) throw new CommandError(EXIT.noFile, `${path}: no such file`);
      return bytes;
    },
    async write(path, bytes) {
      held.set(path, bytes);
    },
    result: (value) => results.push(JSON.parse(JSON.stringify(value))),
    row: (value) => results.push(JSON.parse(JSON.stringify(value))),
    say: (text) => words.push(text),
  };
}
const pages = async (bytes: Uint8Array) => pageRefsFor((await inspectPdf(bytes)).pages);
const samples = wavePath({ x: 40, y: 200 }, 150, 8, 3).map(({ x, y }, i) => ({ x, y, t: 8 * i }));

test('inspect tells pages, title and kind', async () => {
  const io = stand({ 'a.pdf': await plainPdf(2) });
  expect(await run(['inspect', 'a.pdf'], io)).toBe(EXIT.done);
  expect(io.results).toMatchObject([{ ok: true, scanned: false, signed: false, rescued: false }]);
  expect((io.results[0] as { pages: unknown[] }).pages).toHaveLength(2);
});

test('fixed draws plain strokes, and whole marks as they are stored', async () => {
  const source = await plainPdf(2);
  const state = written(await pages(source), [
    { page: 1, path: wavePath({ x: 40, y: 100 }, 150, 8, 3), instrument: HIGHLIGHTER, id: 'h' },
  ]);
  const whole = { ...toMarkRecord(markOf(state, 'h')), page: 2, order: undefined };
  const stroke = { page: 1, samples, instrument: 'marking-pen', colour: '#0000ff', widthMm: 2 };
  const io = stand({ 'a.pdf': source, 'm.json': JSON.stringify({ marks: [stroke, whole] }) });
  expect(await run(['fixed', 'a.pdf', '--marks', 'm.json', '-o', 'b.pdf'], io)).toBe(EXIT.done);
  expect(io.results).toMatchObject([{ ok: true, out: 'b.pdf', pages: 2, marksDrawn: 2 }]);
  const text = await everythingIn(io.files.get('b.pdf') as Uint8Array);
  expect(text).toMatch(/0 0 1 rg/);
  expect(text).toMatch(/Multiply/);
});

test('fixed takes InkML too, and a list of marks by itself', async () => {
  const source = await plainPdf();
  const state = written(await pages(source), [
    { page: 0, path: wavePath({ x: 40, y: 100 }, 150, 8, 3) },
  ]);
  const io = stand({
    'a.pdf': source,
    'm.inkml': writeInkml(state, 'Tides'),
    'm.json': JSON.stringify([{ page: 1, samples }]),
  });
  for (const [marks, count] of [
    ['m.inkml', 1],
    ['m.json', 1],
  ] as const) {
    expect(await run(['fixed', 'a.pdf', '--marks', marks, '-o', 'b.pdf'], io)).toBe(EXIT.done);
    expect(io.results.at(-1)).toMatchObject({ marksDrawn: count });
  }
});

test('a locked PDF is refused with its reason, and opens with its password', async () => {
  const io = stand({ 'a.pdf': await lockedPdf('limpet'), 'no.pdf': 'hello' });
  expect(await run(['inspect', 'a.pdf'], io)).toBe(EXIT.refused);
  expect(await run(['inspect', 'a.pdf', '--password', 'whelk'], io)).toBe(EXIT.refused);
  expect(await run(['fixed', 'a.pdf', '--password', 'limpet', '-o', 'b.pdf'], io)).toBe(EXIT.done);
  expect(await run(['inspect', 'no.pdf'], io)).toBe(EXIT.refused);
  expect(io.results).toMatchObject([
    { ok: false, reason: 'locked' },
    { ok: false, reason: 'wrong-password' },
    { ok: true, encryptionLost: true },
    { ok: false, reason: 'not-pdf' },
  ]);
});

test('a copy is locked with a password, and forbids what it is to forbid', async () => {
  const io = stand({ 'a.pdf': await plainPdf() });
  for (const command of ['fixed', 'living']) {
    const args = [command, 'a.pdf', '--lock', 'kelp', '--forbid', 'print, change', '-o', 'b.pdf'];
    expect(await run(args, io)).toBe(EXIT.done);
    expect(await run(['inspect', 'b.pdf'], io)).toBe(EXIT.refused);
    expect(await run(['inspect', 'b.pdf', '--password', 'kelp'], io)).toBe(EXIT.done);
  }
  const dance = ['fixed', 'a.pdf', '--forbid', 'dance', '-o', 'c.pdf'];
  expect(await run(dance, io)).toBe(EXIT.wrongCall);
  const long = ['fixed', 'a.pdf', '--lock', 'x'.repeat(128), '-o', 'c.pdf'];
  expect(await run(long, io)).toBe(EXIT.wrongCall);
  expect(io.files.has('c.pdf')).toBe(false);
});

test.each([
  ['{', 'no JSON'],
  ['{"marks":7}', 'no list'],
  ['[3]', 'no mark'],
  ['[{"page":9,"samples":[{"x":1,"y":1,"t":0}]}]', 'a page there is not'],
  ['[{"page":1,"samples":[]}]', 'no samples'],
  ['[{"page":1,"samples":[{"x":"1","y":1,"t":0}]}]', 'a sample of words'],
  ['[{"page":1,"samples":[{"x":1,"y":1,"t":0}],"instrument":"hammer"}]', 'no such instrument'],
  ['[{"page":1,"kind":"ink"}]', 'half a record'],
  ['[{"page":1,"kind":"hat"}]', 'no such kind'],
])('marks that cannot be read (%s: %s) leave no file', async (text) => {
  const io = stand({ 'a.pdf': await plainPdf(), 'm.json': text });
  expect(await run(['fixed', 'a.pdf', '--marks', 'm.json', '-o', 'b.pdf'], io)).toBe(EXIT.badMarks);
  expect(io.words.at(-1)).toMatch(/^m\.json: /);
  expect(io.files.has('b.pdf')).toBe(false);
});

test('what is called wrongly is told with the help, and what is not there is said', async () => {
  const io = stand({ 'a.pdf': await plainPdf() });
  for (const args of [
    [],
    ['dance'],
    ['inspect'],
    ['inspect', 'a', 'b'],
    ['fixed', 'a.pdf'],
    ['inspect', 'a.pdf', '--hat'],
  ])
    expect([args, await run(args, io)]).toEqual([args, EXIT.wrongCall]);
  expect(io.words.every((w) => w.includes('npm run -s cli'))).toBe(true);
  expect(await run(['help'], io)).toBe(EXIT.done);
  expect(await run(['inspect', 'gone.pdf'], io)).toBe(EXIT.noFile);
});

test('words are told in reading order with their places, one a row', async () => {
  const io = stand({ 'a.pdf': await plainPdf(2) });
  expect(await run(['words', 'a.pdf'], io)).toBe(EXIT.done);
  const rows = io.results as { page: number; text: string; box: number[] }[];
  expect(rows.map(({ page, text }) => `${page} ${text}`)).toEqual([
    ...['1 Page', '1 1', '1 of', '1 the', '1 shore'],
    ...['2 Page', '2 2', '2 of', '2 the', '2 shore'],
  ]);
  expect(rows[0]).toMatchObject({ line: 0, column: 0 });
  // Set at (40, 340) in 14 points.
  const [minX, minY, maxX, maxY] = rows[0].box;
  expect(minX).toBeCloseTo(40, 1);
  expect(maxX - minX).toBeGreaterThan(30);
  expect([minY < 340, minY > 334, maxY > 349, maxY < 356]).toEqual([true, true, true, true]);
});

test('a term is found with what stands around it, and its quadrilateral', async () => {
  const io = stand({ 'a.pdf': await plainPdf(2) });
  expect(await run(['find', 'a.pdf', 'OF THE'], io)).toBe(EXIT.done);
  expect(io.results).toMatchObject([
    { page: 1, exact: 'of the', before: 'Page 1 ', after: ' shore' },
    { page: 2, exact: 'of the', before: 'Page 2 ', after: ' shore' },
  ]);
  const [{ quads }] = io.results as { quads: number[][] }[];
  const [[left, top, right, , , bottom]] = quads;
  expect(right).toBeGreaterThan(left);
  expect(top).toBeGreaterThan(bottom);
  const exact = stand({ 'a.pdf': await plainPdf() });
  expect(await run(['find', 'a.pdf', 'OF THE', '--exact'], exact)).toBe(EXIT.done);
  expect(exact.results).toEqual([]);
});

test('words of what is locked or damaged are refused in words', async () => {
  const io = stand({ 'a.pdf': await lockedPdf('kelp'), 'b.pdf': 'no PDF at all' });
  for (const args of [['a.pdf'], ['a.pdf', '--password', 'wrong'], ['b.pdf']])
    expect(await run(['words', ...args], io)).toBe(EXIT.refused);
  expect(io.results).toMatchObject([
    { reason: 'locked' },
    { reason: 'wrong-password' },
    { reason: 'damaged' },
  ]);
  expect(await run(['words', 'a.pdf', '--password', 'kelp'], io)).toBe(EXIT.done);
  expect(io.results.at(-1)).toMatchObject({ text: 'Locked' });
  expect(await run(['find', 'a.pdf'], io)).toBe(EXIT.wrongCall);
});

test('proof tells of each changed page whether the copy shows what it ought to, and ends with 1 where it does not', async () => {
  const source = await plainPdf(2);
  const stroke = { page: 1, samples, instrument: 'marking-pen', widthMm: 2 };
  const marks = JSON.stringify({ marks: [stroke] });
  const io = stand({ 'a.pdf': source, 'm.json': marks, 'none.json': '[]' });
  await run(['fixed', 'a.pdf', '--marks', 'm.json', '-o', 'copy.pdf'], io);
  io.results.length = 0;
  expect(await run(['proof', 'a.pdf', 'm.json', 'copy.pdf'], io)).toBe(EXIT.done);
  expect(io.results).toMatchObject([{ page: 1, alike: true, marks: 1, lost: [], differs: 0 }]);
  await run(['fixed', 'a.pdf', '--marks', 'none.json', '-o', 'bare.pdf'], io);
  io.results.length = 0;
  expect(await run(['proof', 'a.pdf', 'm.json', 'bare.pdf'], io)).toBe(EXIT.unlike);
  expect(io.results).toMatchObject([{ page: 1, alike: false, lost: ['m0'] }]);
  expect((io.results[0] as { places: unknown[] }).places.length).toBeGreaterThan(0);
  expect(await run(['proof', 'a.pdf', 'm.json'], io)).toBe(EXIT.wrongCall);
});

test('proof opens a locked copy with its password, and finds one that was to be locked and is not', async () => {
  const io = stand({ 'a.pdf': await plainPdf(1), 'm.json': '[]' });
  await run(['fixed', 'a.pdf', '--lock', 'kelp and wrack', '-o', 'locked.pdf'], io);
  await run(['fixed', 'a.pdf', '-o', 'open.pdf'], io);
  const lock = ['--lock', 'kelp and wrack'];
  expect(await run(['proof', 'a.pdf', 'm.json', 'locked.pdf', ...lock], io)).toBe(EXIT.done);
  expect(await run(['proof', 'a.pdf', 'm.json', 'locked.pdf'], io)).toBe(EXIT.refused);
  expect(await run(['proof', 'a.pdf', 'm.json', 'open.pdf', ...lock], io)).toBe(EXIT.unlike);
});

test('proof knows which pictures were to be made smaller, and looks for marks on them', async () => {
  const scans = new Uint8Array(readFileSync('demo/documents/tide-log.pdf'));
  const stroke = { page: 1, samples, instrument: 'marking-pen', widthMm: 2 };
  const marks = JSON.stringify({ marks: [stroke] });
  const io = stand({ 'a.pdf': scans, 'm.json': marks, 'none.json': '[]' });
  const smaller = ['--smaller', '96'];
  await run(['fixed', 'a.pdf', '--marks', 'm.json', ...smaller, '-o', 'copy.pdf'], io);
  expect(io.results.at(-1)).toMatchObject({ smaller: { pictures: expect.any(Number) } });
  expect(await run(['proof', 'a.pdf', 'm.json', 'copy.pdf', ...smaller], io)).toBe(EXIT.done);
  await run(['fixed', 'a.pdf', '--marks', 'none.json', ...smaller, '-o', 'bare.pdf'], io);
  expect(await run(['proof', 'a.pdf', 'm.json', 'bare.pdf', ...smaller], io)).toBe(EXIT.unlike);
  expect(await run(['proof', 'a.pdf', 'm.json', 'copy.pdf', '--smaller', '9'], io)).toBe(
    EXIT.wrongCall,
  );
});

test('living makes annotations of marks and leaves the bytes of its source as they are', async () => {
  const source = await plainPdf(2);
  const io = stand({ 'a.pdf': source, 'm.json': JSON.stringify([{ page: 2, samples }]) });
  const call = ['living', 'a.pdf', '--marks', 'm.json', '-o', 'copy.pdf'];
  expect(await run(call, io)).toBe(EXIT.done);
  expect(io.results).toMatchObject([{ ok: true, pages: 2, annotations: 1, addedTo: true }]);
  const made = io.files.get('copy.pdf') ?? new Uint8Array();
  expect(made.subarray(0, source.length)).toEqual(source);
  const annotations = (await PDFDocument.load(made)).getPage(1).node.Annots();
  expect(annotations?.lookup(0)?.toString()).toMatch(/\/Subtype \/Ink/);
  expect(await run(['living', 'a.pdf'], io)).toBe(EXIT.wrongCall);
});

test('annotations and XFDF are told as marks and threads, and marks are written as XFDF', async () => {
  const io = stand({ 'a.pdf': await annotatedPdf() });
  expect(await run(['annotations', 'a.pdf'], io)).toBe(EXIT.done);
  const [told] = io.results as { marks: object[]; threads: object[]; left: object[] }[];
  expect(told.marks).toHaveLength(11);
  expect(told.marks[0]).toMatchObject({ id: 'h-1', page: '1', strips: [{ words: [{}, {}] }] });
  // What only repeats the words is no note.
  expect(told.threads).toMatchObject([{ mark: 'h-1' }, { mark: 'n-1' }]);
  expect(told.left).toEqual([{ page: 1, subtype: 'Stamp', author: 'Ada Rowan', contents: 'Seen' }]);

  io.files.set(
    'marks.json',
    new TextEncoder().encode(
      JSON.stringify([{ page: 1, samples, instrument: 'marking-pen', colour: '#0000ff' }]),
    ),
  );
  const writing = ['xfdf', 'a.pdf', '--marks', 'marks.json', '-o', 'a.xfdf'];
  expect(await run(writing, io)).toBe(EXIT.done);
  expect(await run(['xfdf', 'a.xfdf'], io)).toBe(EXIT.done);
  expect(io.results.at(-1)).toMatchObject({
    marks: [{ kind: 'ink', page: '1', style: { colour: '#0000ff' } }],
    threads: [],
  });
  expect(await run(['xfdf', 'marks.json'], io)).toBe(EXIT.badMarks);
});

test('files are joined in their order, one of them twice, and split again by number and by ranges', async () => {
  const io = stand({ 'a.pdf': await plainPdf(2), 'b.pdf': await plainPdf(3) });
  expect(await run(['join', 'a.pdf', 'b.pdf', 'a.pdf', '-o', 'all.pdf'], io)).toBe(EXIT.done);
  expect(io.results).toMatchObject([{ ok: true, pages: 7 }]);
  expect(await run(['split', 'all.pdf', '--every', '3', '-o', 'part.pdf'], io)).toBe(EXIT.done);
  expect(io.results[1]).toMatchObject({
    files: [
      { out: 'part-1.pdf', pages: 3 },
      { out: 'part-2.pdf', pages: 3 },
      { out: 'part-3.pdf', pages: 1 },
    ],
  });
  expect(await run(['split', 'all.pdf', '--ranges', '1, 3; 5-', '-o', 'some'], io)).toBe(EXIT.done);
  expect(io.results[2]).toMatchObject({ files: [{ pages: 2 }, { out: 'some-2.pdf', pages: 3 }] });
  expect(await pages(io.files.get('some-2.pdf') as Uint8Array)).toHaveLength(3);
});

test('marks are carried over to another edition: a line for each, with its place and how sure that is', async () => {
  const worksheet = (name: string) =>
    new Uint8Array(readFileSync(`demo/documents/rock-pool-zones${name}.pdf`));
  const ring = (page: number, x: number, y: number) => ({
    page,
    samples: Array.from({ length: 30 }, (_, k) => ({
      x: x + 40 * Math.cos((2 * Math.PI * k) / 29),
      y: y + 9 * Math.sin((2 * Math.PI * k) / 29),
      t: 8 * k,
    })),
  });
  const io = stand({
    ...{ 'was.pdf': worksheet(''), 'is.pdf': worksheet('-2') },
    'marks.json': JSON.stringify({ marks: [ring(1, 104, 290), ring(2, 200, 560)] }),
  });
  expect(await run(['carry', 'was.pdf', 'is.pdf', '--marks', 'marks.json'], io)).toBe(EXIT.done);
  expect(io.results).toHaveLength(2);
  // The first animal stands a row further down; the diagram is on the third page, unmoved.
  const [animal, diagram] = io.results as { verdict: string; page: number; box: number[] }[];
  expect(animal).toMatchObject({ verdict: 'certain', page: 1 });
  expect(diagram).toMatchObject({ from: 2, page: 3 });
  expect(animal.box[1]).toBeLessThan(250);
  expect(diagram.box[0]).toBeCloseTo(159.5, 0);
  expect(await run(['carry', 'was.pdf', 'is.pdf'], io)).toBe(EXIT.wrongCall);
});

test.each([
  [['join', 'a.pdf']],
  [['join', 'a.pdf', 'gone.pdf', '-o', 'x.pdf']],
  [['split', 'a.pdf', '-o', 'x.pdf']],
  [['split', 'a.pdf', '--every', '0', '-o', 'x.pdf']],
  [['split', 'a.pdf', '--every', '2', '--ranges', '1', '-o', 'x.pdf']],
  [['split', 'a.pdf', '--ranges', '1-2; 4-9', '-o', 'x.pdf']],
])('what cannot be done writes nothing: %j', async (args) => {
  const io = stand({ 'a.pdf': await plainPdf(2) });
  expect(await run(args, io)).not.toBe(EXIT.done);
  expect([...io.files.keys()]).toEqual(['a.pdf']);
  expect(io.words.join('')).not.toBe('');
});
