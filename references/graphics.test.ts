import { drawingOf } from '../core/src/derived';
import { emptyDocument, markChange, marksOn, pagesOfSource } from '../core/src/document';
import { putGraphic } from '../core/src/editing';
import { plainPage } from '../core/src/geometry';
import type { Mark } from '../core/src/kinds';
import { readSvg } from '../core/src/graphics/readSvg';
import { makeFixedCopy, makeLivingCopy } from '../core/src/pdf';
import { done } from '../core/testing/marks';
import { pdfWith } from '../core/testing/pdfs';
import { deflate } from './support/markedCopy';
import { changeBetween, marksApart, type Picture } from './support/pictures';
import { complaintOfQpdf, newComplaints, pictureBy } from './support/programs';
import { READER_NAMES, type ReaderName } from './support/readers';
import { paintedOnScreen } from './support/screen';
import { svgsByChromium } from './support/svgsByChromium';

/** Drawings in SVG (W3C, SVG 2) as they are drawn here, beside what Chromium draws of their files: on the screen, and in copies as other programs show them. */

jest.setTimeout(300_000);

const SHA = 'a'.repeat(64);
const [WIDTH, HEIGHT] = [300, 210];
const DPI = 144;
const ASKED: readonly ReaderName[] =
  process.env.REFERENCES === 'all' ? READER_NAMES : ['poppler, Splash', 'MuPDF', 'PDFium'];
/** As a share of all that is drawn; see marksApart. */
const ALIKE = 0.03;

const DRAWINGS = {
  'basic shapes, rounded and turned': `
    <rect x="10" y="10" width="70" height="50" rx="12" fill="#2456a8"/>
    <rect x="100" y="15" width="60" height="40" ry="8" fill="teal" transform="rotate(12 130 35)"/>
    <circle cx="220" cy="40" r="28" fill="hsl(20, 70%, 45%)"/>
    <ellipse cx="60" cy="130" rx="50" ry="22" fill="rgb(180, 30, 60)"/>
    <polygon points="140,100 200,110 190,170 150,180" fill="#3b3226"/>
    <polyline points="220,100 280,110 250,170" fill="#8a6d1f"/>`,
  'curves of every kind': `
    <path d="M10 60 Q40 0 70 60 T130 60 S160 120 190 60 c20-40 40 20 60 0 v40 H10z" fill="#1f6f78"/>
    <path d="M20 160a40 25 15 1 0 60-30l-20 40zm120 0 A30 50 -20 0 1 220 150 L180 190z" fill="#7a2e52"/>`,
  'ends and corners of lines': `
    <g fill="none" stroke="#1f3361" stroke-width="14">
      <path d="M20 60L70 20L120 60" stroke-linecap="butt"/>
      <path d="M150 60L200 20L250 60" stroke-linecap="round" stroke-linejoin="round"/>
      <path d="M20 130L45 90L70 130" stroke-linecap="square" stroke-linejoin="bevel"/>
      <path d="M110 150L118 90L126 150" stroke-miterlimit="20"/>
      <path d="M180 150L188 90L196 150"/>
      <path d="M225 95h50v40h-50z"/>
      <path d="M30 180C90 140 150 220 260 170" stroke-width="5"/>
    </g>`,
  'lines under a map that is not even': `
    <g transform="translate(150 100) skewX(20) scale(1.6 .7)">
      <circle r="60" fill="#efe3c8" stroke="#a5313b" stroke-width="10"/>
      <path d="M-40-30L30 40M-40 30L40-40" stroke="#20242c" stroke-width="6" stroke-linecap="round"/>
    </g>`,
  'what is seen through': `
    <rect x="20" y="20" width="160" height="110" fill="#2456a8" fill-opacity=".4"/>
    <circle cx="180" cy="110" r="70" style="fill: #c8102e; opacity: .5; stroke: none"/>
    <path d="M60 180H240" stroke="black" stroke-opacity="50%" stroke-width="18"/>`,
  'what goes beyond its sides': `
    <circle cx="0" cy="0" r="90" fill="#2f6b3a"/>
    <path d="M-20 150Q150 40 340 190" fill="none" stroke="#20242c" stroke-width="24"/>
    <rect x="250" y="-30" width="90" height="80" fill="#8a6d1f"/>`,
  'holes by the way lines run': `
    <path d="M20 20H180V180H20ZM60 60V140H140V60Z" fill="#1f3361"/>
    <path d="M200 20H280V100H200ZM220 40H260V80H220Z" fill="#a5313b"/>`,
} as const;
const NAMES = Object.keys(DRAWINGS) as (keyof typeof DRAWINGS)[];
const window = `viewBox="0 0 ${WIDTH} ${HEIGHT}"`;
const fileOf = (content: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${window}>${content}</svg>`;

const page = plainPage(WIDTH, HEIGHT);
const [sheet] = pagesOfSource(SHA, [page], () => 'p0');

function drawnHere(content: string) {
  const empty = emptyDocument([sheet]);
  const { graphic } = readSvg(fileOf(content), { width: WIDTH, height: HEIGHT });
  const state = done(
    empty,
    putGraphic(empty, {
      ...{ id: 'g', page: 'p0', graphic, says: '', madeAt: 0 },
      place: [WIDTH, 0, 0, HEIGHT, 0, 0],
    }),
  );
  const mark = marksOn(state, 'p0').get('g');
  if (!mark) throw new Error('There is no graphic.');
  return { state, mark };
}

const onScreen = (mark: Mark): Picture =>
  paintedOnScreen(drawingOf(mark), { width: WIDTH, height: HEIGHT, dpi: DPI }, {} as never);

const white = (p: Picture): Picture => ({ ...p, data: p.data.map(() => 255) });
const apart = (a: Picture, b: Picture): number =>
  marksApart(changeBetween(white(a), a), changeBetween(white(b), b));

let own: readonly Picture[];
beforeAll(() => {
  const svgs = NAMES.map((name) => `<svg ${window}>${DRAWINGS[name]}</svg>`);
  own = svgsByChromium(svgs, { width: WIDTH, height: HEIGHT, dpi: DPI });
});

test.each(NAMES)('%s are drawn as Chromium draws them, and so by others', async (name) => {
  const k = NAMES.indexOf(name);
  const bytes = await pdfWith((one) => one.setSize(WIDTH, HEIGHT));
  const { state, mark } = drawnHere(DRAWINGS[name]);
  const far: Record<string, number> = { screen: apart(onScreen(mark), own[k]) };
  const fixed = (await makeFixedCopy(bytes, state, { deflate })).bytes;
  const living = (await makeLivingCopy([{ sha: SHA, bytes }], state, { deflate, madeAt: 0 })).bytes;
  for (const [kind, copy] of [['fixed', fixed] as const, ['living', living] as const]) {
    expect(complaintOfQpdf(copy)).toBeNull();
    expect(newComplaints(bytes, copy)).toEqual([]);
    for (const reader of ASKED)
      far[`${reader}, ${kind}`] = apart(await pictureBy(reader, copy, 1, DPI), own[k]);
  }
  expect(Object.entries(far).filter(([, share]) => share > ALIKE)).toEqual([]);
});

test('shapes of one colour that run against one another, seen through as a whole, are one', async () => {
  const content = '<path d="M20 20H180V150H20Z"/><path d="M100 60V190H280V60Z"/>';
  const svg = `<svg ${window}><g opacity=".5" fill="#1f3361">${content}</g></svg>`;
  const [other] = svgsByChromium([svg], { width: WIDTH, height: HEIGHT, dpi: DPI });
  const { state, mark } = drawnHere(`<g fill="#1f3361">${content}</g>`);
  const faded = { ...mark, style: { ...mark.style, opacity: 0.5 } };
  expect(apart(onScreen(faded), other)).toBeLessThan(ALIKE);
  const bytes = await pdfWith((one) => one.setSize(WIDTH, HEIGHT));
  const changed = done(state, { label: 'Fade', changes: [markChange(mark, faded)] });
  const { bytes: copy } = await makeFixedCopy(bytes, changed, { deflate });
  for (const reader of ASKED)
    expect(apart(await pictureBy(reader, copy, 1, DPI), other)).toBeLessThan(ALIKE);
});

test('what compares them sees a shape that is missing', () => {
  const content = DRAWINGS['basic shapes, rounded and turned'];
  const { mark } = drawnHere(content.replace(/<ellipse[^>]*>/, ''));
  expect(apart(onScreen(mark), own[0])).toBeGreaterThan(0.1);
});
