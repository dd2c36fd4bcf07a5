/** A piece of TeX for who does not know it. */
export interface EquationPart {
  /** What it is called; said to those who do not see it. */
  readonly name: string;
  /** The TeX, with a `#` at each place that is to be filled in. */
  readonly tex: string;
  /** What is shown for it, where boxes in its places say too little. */
  readonly shown?: string;
}

export interface PartGroup {
  readonly name: string;
  readonly parts: readonly EquationPart[];
}

const parts = (
  ...all: readonly (readonly [name: string, tex: string, shown?: string])[]
): EquationPart[] => all.map(([name, tex, shown]) => ({ name, tex, ...(shown ? { shown } : {}) }));

/** What equations of school and of the first years after it are made of. */
export const EQUATION_PARTS: readonly PartGroup[] = [
  {
    name: 'Fractions and powers',
    parts: parts(
      ['Fraction', '\\frac{#}{#}'],
      ['Power', '^{#}'],
      ['Index', '_{#}'],
      ['Index and power', '_{#}^{#}'],
      ['Square root', '\\sqrt{#}'],
      ['Root', '\\sqrt[#]{#}'],
      ['Absolute value', '\\left|#\\right|'],
      ['Logarithm', '\\log_{#}'],
      ['Sine', '\\sin'],
      ['Cosine', '\\cos'],
      ['Tangent', '\\tan'],
    ),
  },
  {
    name: 'Sums and limits',
    parts: parts(
      ['Sum', '\\sum_{#}^{#}'],
      ['Product', '\\prod_{#}^{#}'],
      ['Limit', '\\lim_{#\\to#}'],
      ['Integral', '\\int #\\,dx'],
      ['Integral with limits', '\\int_{#}^{#} #\\,dx'],
      ['Derivative', '\\frac{d#}{dx}'],
      ['Partial derivative', '\\frac{\\partial#}{\\partial x}'],
      ['Evaluated between', '\\left[#\\right]_{#}^{#}'],
    ),
  },
  {
    name: 'Brackets',
    parts: parts(
      ['Round brackets', '\\left(#\\right)'],
      ['Square brackets', '\\left[#\\right]'],
      ['Set', '\\left\\{#\\right\\}'],
      ['Cases', '\\begin{cases} # & # \\\\ # & # \\end{cases}'],
      ['Column vector', '\\begin{pmatrix} # \\\\ # \\\\ # \\end{pmatrix}'],
      ['Matrix', '\\begin{pmatrix} # & # \\\\ # & # \\end{pmatrix}'],
      ['Determinant', '\\begin{vmatrix} # & # \\\\ # & # \\end{vmatrix}'],
      ['Lines of working', '\\begin{aligned} # &= # \\\\ &= # \\end{aligned}'],
      ['Binomial coefficient', '\\binom{#}{#}'],
    ),
  },
  {
    name: 'Signs',
    parts: parts(
      ['Times', '\\cdot '],
      ['Times, as a cross', '\\times '],
      ['Divided by', '\\div '],
      ['Plus or minus', '\\pm '],
      ['Not equal', '\\neq '],
      ['Less or equal', '\\leq '],
      ['Greater or equal', '\\geq '],
      ['About', '\\approx '],
      ['Proportional to', '\\sim '],
      ['Infinity', '\\infty '],
      ['Goes to', '\\to '],
      ['Implies', '\\Rightarrow '],
      ['Equivalent', '\\Leftrightarrow '],
      ['Element of', '\\in '],
      ['Not an element of', '\\notin '],
      ['Subset of', '\\subset '],
      ['Union', '\\cup '],
      ['Intersection', '\\cap '],
      ['Empty set', '\\varnothing '],
      ['For all', '\\forall '],
      ['There is', '\\exists '],
      ['Angle', '\\angle '],
      ['At right angles', '\\perp '],
      ['Parallel', '\\parallel '],
      ['Degree', '^{\\circ}'],
    ),
  },
  {
    name: 'Greek',
    parts: parts(
      ...[
        ...['alpha', 'beta', 'gamma', 'delta', 'varepsilon', 'eta', 'vartheta', 'lambda', 'mu'],
        ...['nu', 'pi', 'rho', 'sigma', 'tau', 'varphi', 'chi', 'psi', 'omega'],
        ...['Gamma', 'Delta', 'Theta', 'Lambda', 'Pi', 'Sigma', 'Phi', 'Psi', 'Omega'],
      ].map((letter) => [letter.replace('var', ''), `\\${letter} `] as const),
    ),
  },
  {
    name: 'Letters',
    parts: parts(
      ['Vector', '\\vec{#}'],
      ['From point to point', '\\overrightarrow{#}'],
      ['Length of a side', '\\overline{#}'],
      ['Hat', '\\hat{#}'],
      ['Dot', '\\dot{#}'],
      ['Natural numbers', '\\mathbb{N}'],
      ['Integers', '\\mathbb{Z}'],
      ['Rational numbers', '\\mathbb{Q}'],
      ['Real numbers', '\\mathbb{R}'],
      ['Complex numbers', '\\mathbb{C}'],
      ['Bold', '\\mathbf{#}', '\\mathbf{a}'],
      ['Words', '\\text{#}', '\\text{abc}'],
      ['Unit', '\\,\\mathrm{#}', '\\mathrm{m/s}'],
      ['Struck out', '\\cancel{#}'],
      ['Framed', '\\boxed{#}'],
    ),
  },
  {
    name: 'Chemistry',
    parts: parts(
      ['Formula', '\\ce{#}', '\\ce{H2O}'],
      ['Reaction', '\\ce{# -> #}', '\\ce{A -> B}'],
      ['Equilibrium', '\\ce{# <=> #}', '\\ce{A <=> B}'],
      ['Reaction with a condition', '\\ce{# ->[#] #}', '\\ce{A ->[c] B}'],
      ['Ion', '\\ce{#^{#}}', '\\ce{SO4^{2-}}'],
      ['Isotope', '\\ce{^{#}_{#}#}', '\\ce{^{14}_{6}C}'],
    ),
  },
];

/** Text with what of it is selected, in units of the text. */
export interface TexDraft {
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

/** A draft with a part in place of what is selected, which comes into its first place; then the next place to be filled in is selected. */
export function insertPart({ text, from, to }: TexDraft, { tex }: EquationPart): TexDraft {
  const [head, ...rest] = tex.split('#');
  const before = text.slice(0, from) + head;
  if (rest.length === 0)
    return { text: before + text.slice(to), from: before.length, to: before.length };
  const chosen = text.slice(from, to);
  const filled = before + chosen;
  // Where something was selected its place is filled: the next one is wanted, or what follows the part.
  const at = filled.length + (chosen === '' ? 0 : rest[0].length);
  return { text: filled + rest.join('') + text.slice(to), from: at, to: at };
}

/** A part as it is shown: with boxes where something is to be filled in. */
export function partShown({ tex, shown }: EquationPart): string {
  const boxed = shown ?? tex.replaceAll('#', '\\square ');
  // What belongs to a letter is shown on one.
  return /^[_^]/.test(boxed) ? `x${boxed}` : boxed;
}
