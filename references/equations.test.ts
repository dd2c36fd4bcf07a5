import { drawingOf } from '../core/src/derived';
import { emptyDocument, marksOn, pagesOfSource } from '../core/src/document';
import { type NewEquation, putEquation } from '../core/src/editing';
import { adaptor, drawnByLibrary } from '../core/src/equations/library';
import { setEquation } from '../core/src/equations/setEquation';
import { outlineBox } from '../core/src/equations';
import { boxCentre, plainPage, transform } from '../core/src/geometry';
import { asEquation, type EquationMark } from '../core/src/kinds';
import { makeFixedCopy, makeLivingCopy } from '../core/src/pdf';
import { done } from '../core/testing/marks';
import { pdfWith } from '../core/testing/pdfs';
import { deflate } from './support/markedCopy';
import { changeBetween, marksApart, type Picture } from './support/pictures';
import { complaintOfQpdf, newComplaints, pictureBy } from './support/programs';
import { svgsByChromium } from './support/svgsByChromium';
import { READER_NAMES, type ReaderName } from './support/readers';
import { paintedOnScreen } from './support/screen';

/**
 * Equations as they are drawn here, beside the SVG that the library itself makes of them, as Chromium draws that: on
 * the screen, and in fixed and living copies as other programs show them.
 */

jest.setTimeout(300_000);

const SHA = 'a'.repeat(64);
const [WIDTH, HEIGHT] = [420, 150];
const DPI = 144;
const SIZE = 18;
const INK = '#1f3361';
const ALL = process.env.REFERENCES === 'all';
const ASKED: readonly ReaderName[] = ALL ? READER_NAMES : ['poppler, Splash', 'MuPDF', 'PDFium'];
/** As a share of all that is drawn; see marksApart. What is cut off and what is fine has edges that renderers soften each in its own way. */
const ALIKE = 0.03;

const EQUATIONS = {
  'a fraction with a root': 'x_{1,2} = \\frac{-b \\pm \\sqrt{b^2 - 4ac}}{2a}',
  'a sum': '\\sum_{n=1}^{\\infty} \\frac{1}{n^2} = \\frac{\\pi^2}{6}',
  'an integral': '\\int_0^{\\infty} e^{-x^2}\\,dx = \\frac{\\sqrt{\\pi}}{2}',
  'a matrix in brackets that are put together':
    '\\begin{pmatrix} 1 & 2 & 3 \\\\ 4 & 5 & 6 \\\\ 7 & 8 & 9 \\\\ 0 & 1 & 2 \\end{pmatrix}',
  cases: 'f(x) = \\begin{cases} x^2 & x \\geq 0 \\\\ -x & \\text{für } x < 0 \\end{cases}',
  'letters of sets':
    '\\forall \\varepsilon > 0\\; \\exists \\delta \\in \\mathbb{R} \\setminus \\mathfrak{A}',
  'marks over letters':
    '\\vec{F} = m\\,\\ddot{\\vec{r}}, \\quad \\overline{AB} \\perp \\widehat{xyz}',
  'a reaction': '\\ce{CaCO3 + 2H+ <=>[k_1][k_2] Ca^{2+} + CO2 ^ + H2O}',
  'a frame, and something struck out':
    '\\boxed{\\frac{\\cancel{3}\\cdot 2}{\\cancel{3}\\cdot 5} = \\frac25}',
  'two inks': 'a + \\color{red}{b} = \\underbrace{c + d}_{\\text{known}}',
} as const;

/** What the library itself makes of TeX, where the equation lies on its sheet. */
function svgByLibrary({ tex, outline, place }: EquationMark): string {
  const svg = adaptor.outerHTML(drawnByLibrary(tex, false, ({ message }) => new Error(message)));
  const box = outlineBox(outline);
  const corner = transform(place, { x: box.minX, y: box.maxY });
  const [width, height] = [SIZE * (box.maxX - box.minX), SIZE * (box.maxY - box.minY)];
  const placed = `x="${corner.x}" y="${HEIGHT - corner.y}" width="${width}" height="${height}"`;
  return svg.replace(/^<svg [^>]*?viewBox/, `<svg ${placed} style="color: ${INK}" viewBox`);
}

const page = plainPage(WIDTH, HEIGHT);
const [sheet] = pagesOfSource(SHA, [page], () => 'p0');
const source = pdfWith((one) => one.setSize(WIDTH, HEIGHT));

function withEquation(tex: string) {
  const empty = emptyDocument([sheet]);
  const asked: NewEquation = {
    ...{ id: 'e', page: sheet, tex, size: SIZE, madeAt: 0, at: boxCentre(page.box) },
    outline: setEquation(tex),
    style: { colour: INK, width: 1, opacity: 1 },
  };
  const state = done(empty, putEquation(empty, asked));
  const mark = asEquation(marksOn(state, 'p0').get('e') ?? null);
  if (!mark) throw new Error('There is no equation.');
  return { state, mark };
}

const white = (p: Picture): Picture => ({ ...p, data: p.data.map(() => 255) });
const apart = (a: Picture, b: Picture): number =>
  marksApart(changeBetween(white(a), a), changeBetween(white(b), b));

const NAMES = Object.keys(EQUATIONS) as (keyof typeof EQUATIONS)[];
const lacking = withEquation('a + \\phantom{b} = c');
const MADE = [...NAMES.map((name) => withEquation(EQUATIONS[name])), lacking];
let own: readonly Picture[];

beforeAll(() => {
  own = svgsByChromium(
    MADE.map(({ mark }) => svgByLibrary(mark)),
    { width: WIDTH, height: HEIGHT, dpi: DPI },
  );
});

const onScreen = ({ mark }: { mark: EquationMark }): Picture =>
  paintedOnScreen(drawingOf(mark), { width: WIDTH, height: HEIGHT, dpi: DPI }, {} as never);

test.each(NAMES)('%s is drawn as the library draws it, and so by others', async (name) => {
  const k = NAMES.indexOf(name);
  const bytes = await source;
  const { state } = MADE[k];
  const far: Record<string, number> = { screen: apart(onScreen(MADE[k]), own[k]) };
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

test('what compares them sees a letter that is missing', () => {
  const whole = onScreen(withEquation('a + b = c'));
  expect(apart(onScreen(lacking), own[NAMES.length])).toBeLessThan(ALIKE);
  expect(apart(whole, own[NAMES.length])).toBeGreaterThan(0.1);
});
