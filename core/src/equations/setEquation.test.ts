import fc from 'fast-check';
import { type EquationOutline, outlineBox, outlineShape, piecePath } from './index.ts';
import { IDENTITY, pathBounds, uniteBoxes } from '../geometry/index.ts';
import { EQUATION_PARTS, partShown } from './parts.ts';
import { EquationRefusal } from './refusal.ts';
import { setEquation } from './setEquation.ts';

/** The refusal of what cannot be set. */
function refusalOf(tex: string): EquationRefusal {
  try {
    setEquation(tex);
  } catch (e) {
    if (e instanceof EquationRefusal) return e;
    throw e;
  }
  throw new Error(`“${tex}” was set.`);
}

const drawnBox = ({ pieces }: EquationOutline) =>
  pieces.map((piece) => pathBounds(piecePath(piece, IDENTITY))).reduce(uniteBoxes);

test('an equation is set as outlines from the left end of its baseline, within its box', () => {
  const set = setEquation('\\frac{-b \\pm \\sqrt{b^2-4ac}}{2a}');
  expect(set.width).toBeGreaterThan(6);
  expect(set.ascent).toBeGreaterThan(1);
  expect(set.descent).toBeGreaterThan(0.5);
  const [box, drawn] = [outlineBox(set), drawnBox(set)];
  expect(drawn.minX).toBeGreaterThan(box.minX - 0.1);
  expect(drawn.maxX).toBeLessThan(box.maxX + 0.1);
  expect(drawn.maxY).toBeLessThan(box.maxY + 0.1);
  expect(drawn.minY).toBeGreaterThan(box.minY - 0.1);
  // The fraction bar lies on the axis, a quarter of an em above the baseline: the drawing is the right way up.
  expect(setEquation('a^2').ascent).toBeGreaterThan(setEquation('a_2').ascent);
});

test('what is set can be stored and read again', () => {
  for (const tex of [
    'x^2',
    '\\color{red}x',
    '\\left(\\begin{matrix}1\\\\2\\\\3\\\\4\\\\5\\end{matrix}\\right)',
  ]) {
    const set = setEquation(tex);
    const stored: unknown = JSON.parse(JSON.stringify(set));
    expect(outlineShape.validateSync(stored, { strict: true })).toEqual(set);
  }
});

test('every part of the sheet can be set', () => {
  for (const { parts } of EQUATION_PARTS)
    for (const part of parts) expect(setEquation(partShown(part)).pieces.length).toBeGreaterThan(0);
});

test.each([
  ['\\frac{a', 'A { is not closed: a } is missing.', '{'],
  ['x^2^3', 'There are two exponents here: put what belongs together in { }.', '^'],
  ['\\frac{a+\\fo{b}}{c}', 'There is no command \\fo.', '\\fo'],
  ['\\begin{matrix} 1', '\\begin{matrix} has no \\end after it.', '\\begin'],
  ['a}b', 'This } closes nothing: a { is missing before it.', '}'],
  ['(a) + \\left( x', 'A \\left has no \\right after it.', '\\left'],
  ['a & b', '& means something in rows and columns only.', '&'],
  ['\\color{nix}x', 'There is no colour called “nix”.', 'nix'],
  ['a + \\text{日本}', 'No face that equations are set in has “日本”.', '日本'],
  ['x\\tag{1}', 'A number by “\\tag” has no place here: write it beside the equation.', '\\tag'],
])('what is wrong with %s is said, and where', (tex, message, wrong) => {
  const refusal = refusalOf(tex);
  expect(refusal.message).toBe(message);
  expect(tex.slice(refusal.place?.from, refusal.place?.to)).toBe(wrong);
});

test('commands that stand for themselves are told, and what one equation defines no other knows', () => {
  expect(refusalOf('\\def\\a{\\a\\a}\\a').message).toMatch(/calls itself for ever/);
  expect(refusalOf(`${'{'.repeat(1900)}x${'}'.repeat(1900)}`).message).toMatch(/deep|large|long/);
  expect(refusalOf('\\rule{99999em}{1em}').message).toMatch(/too large/);
  expect(refusalOf('\\hspace{99999999em}x').message).toMatch(/too large/);
  expect(setEquation('\\newcommand{\\half}{\\frac12}\\half').pieces).toHaveLength(1);
  expect(refusalOf('\\half').message).toBe('There is no command \\half.');
});

test('nothing leads out of an equation', () => {
  for (const tex of [
    '\\href{https://example.org}{x}',
    '\\require{html} x',
    '\\class{a}{x}',
    '\\includegraphics{a.png}',
    '\\input{a.tex}',
  ])
    expect(refusalOf(tex).message).toMatch(/^There is no command/);
});

test('a rule keeps its thickness, a frame stays empty inside, and what is stretched is cut off', () => {
  const framed = setEquation('\\boxed{\\phantom{xxx}}');
  expect(framed.pieces).toHaveLength(1);
  expect(framed.pieces[0].verbs).toBe('MLLLZMLLLZ');
  const tall = setEquation(`\\left(\\begin{matrix}${'1\\\\'.repeat(8)}\\end{matrix}\\right)`);
  const drawn = drawnBox(tall);
  expect(drawn.maxY).toBeLessThan(tall.ascent + 0.1);
  expect(-drawn.minY).toBeLessThan(tall.descent + 0.1);
});

test('whatever is typed is set, or refused in a sentence', () => {
  const token = fc.constantFrom(
    ...['a', '1', '{', '}', '^', '_', '&', '\\\\', '\\frac', '\\sqrt', '\\left(', '\\right)', '$'],
    ...['\\begin{cases}', '\\end{cases}', '\\text{', '\\ce{', ' ', '#', '%', '~', '\\', 'é', '\\,'],
  );
  fc.assert(
    fc.property(fc.array(token, { maxLength: 14 }), (tokens) => {
      try {
        outlineShape.validateSync(setEquation(tokens.join('')), { strict: true });
      } catch (e) {
        if (!(e instanceof EquationRefusal)) throw e;
        expect(e.message).toMatch(/\w.*[.?]$/s);
      }
    }),
    { numRuns: 150 },
  );
});
