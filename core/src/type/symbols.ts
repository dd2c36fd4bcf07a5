/** A sign that keyboards lack, what it is called, and the name that stands for it after a backslash. */
export interface TypedSymbol {
  readonly sign: string;
  readonly name: string;
  readonly shortcut?: string;
}

/** Signs of one kind, as they are looked for. */
export interface SymbolGroup {
  readonly name: string;
  readonly symbols: readonly TypedSymbol[];
}

/** Written as sign, name and, where there is one, the shortcut: the names that mathematicians type. */
const group = (name: string, lines: string): SymbolGroup => ({
  name,
  symbols: lines
    .trim()
    .split('\n')
    .map((line) => {
      const [sign, called, shortcut] = line.trim().split('|');
      return { sign, name: called, ...(shortcut ? { shortcut } : {}) };
    }),
});

export const SYMBOL_GROUPS: readonly SymbolGroup[] = [
  group(
    'Mathematics',
    `±|plus or minus|pm
    ∓|minus or plus|mp
    ×|times|times
    ÷|divided by|div
    ⋅|dot, times|cdot
    √|square root|sqrt
    ∛|cube root|cbrt
    ≈|about equal|approx
    ≠|not equal|neq
    ≡|identical, congruent|equiv
    ≅|congruent figures|cong
    ∼|similar|sim
    ≤|less or equal|leq
    ≥|greater or equal|geq
    ≪|much less|ll
    ≫|much greater|gg
    ∝|proportional to|propto
    ∞|infinity|infty
    ∑|sum|sum
    ∏|product|prod
    ∫|integral|int
    ∂|partial derivative|partial
    ∇|nabla, gradient|nabla
    ∀|for all|forall
    ∃|there is|exists
    ∈|element of|in
    ∉|not an element of|notin
    ∋|contains|ni
    ⊂|subset|subset
    ⊆|subset or equal|subseteq
    ⊃|superset|supset
    ∪|union|cup
    ∩|intersection|cap
    ∅|empty set|emptyset
    ∧|and|wedge
    ∨|or|vee
    ¬|not|neg
    ⊥|perpendicular|perp
    ∥|parallel|parallel
    ∠|angle|angle
    ∴|therefore|therefore
    ∵|because|because
    ℕ|natural numbers|N
    ℤ|integers|Z
    ℚ|rational numbers|Q
    ℝ|real numbers|R
    ℂ|complex numbers|C
    ½|one half|half
    ¼|one quarter|quarter
    ¾|three quarters|
    ²|squared|
    ³|cubed|
    ⁻|superscript minus|
    ₂|subscript two|`,
  ),
  group(
    'Arrows',
    `→|arrow right|to
    ←|arrow left|leftarrow
    ↑|arrow up|uparrow
    ↓|arrow down|downarrow
    ↔|arrow both ways|leftrightarrow
    ⇒|implies|implies
    ⇐|follows from|impliedby
    ⇔|if and only if|iff
    ↦|maps to|mapsto
    ↗|arrow up right|nearrow
    ↘|arrow down right|searrow`,
  ),
  group(
    'Greek',
    `α|alpha|alpha
    β|beta|beta
    γ|gamma|gamma
    δ|delta|delta
    ε|epsilon|epsilon
    ζ|zeta|zeta
    η|eta|eta
    θ|theta|theta
    ι|iota|iota
    κ|kappa|kappa
    λ|lambda|lambda
    μ|mu|mu
    ν|nu|nu
    ξ|xi|xi
    ο|omicron|omicron
    π|pi|pi
    ρ|rho|rho
    σ|sigma|sigma
    τ|tau|tau
    υ|upsilon|upsilon
    φ|phi|phi
    χ|chi|chi
    ψ|psi|psi
    ω|omega|omega
    Γ|Gamma, capital|Gamma
    Δ|Delta, capital|Delta
    Θ|Theta, capital|Theta
    Λ|Lambda, capital|Lambda
    Ξ|Xi, capital|Xi
    Π|Pi, capital|Pi
    Σ|Sigma, capital|Sigma
    Φ|Phi, capital|Phi
    Ψ|Psi, capital|Psi
    Ω|Omega, capital|Omega`,
  ),
  group(
    'Units',
    `°|degree|deg
    µ|micro|micro
    Å|ångström|angstrom
    ‰|per thousand|permil
    ′|minute, foot|prime
    ″|second, inch|
    €|euro|euro
    £|pound|pound
    ¥|yen|yen`,
  ),
  group(
    'Phonetic',
    `ə|schwa|schwa
    ɪ|near-close front vowel|
    ʊ|near-close back vowel|
    ɛ|open-mid front vowel|
    ɜ|open-mid central vowel|
    ɔ|open-mid back vowel|
    ʌ|open-mid back unrounded vowel|
    ɑ|open back vowel|
    ɒ|open back rounded vowel|
    æ|near-open front vowel|
    ø|close-mid front rounded vowel|
    œ|open-mid front rounded vowel|
    ŋ|velar nasal|
    ɲ|palatal nasal|
    ʃ|hushing sound, voiceless|
    ʒ|hushing sound, voiced|
    θ|dental fricative, voiceless|
    ð|dental fricative, voiced|
    ç|palatal fricative|
    ɣ|velar fricative|
    ʁ|uvular fricative|
    ɹ|approximant r|
    ɾ|tapped r|
    ʔ|glottal stop|
    ʎ|palatal lateral|
    ɦ|voiced h|
    ː|long|
    ˈ|stressed|
    ˌ|stressed second|`,
  ),
  group(
    'Marks of correction',
    `✓|tick|tick
    ×|cross, wrong|
    ‸|caret, insert here|
    ¶|new paragraph|para
    §|section|sec
    †|dagger|dagger
    ‡|double dagger|
    …|ellipsis|dots
    –|en dash|
    —|em dash|
    «|opening quotation mark|
    »|closing quotation mark|
    “|opening quotation mark|
    ”|closing quotation mark|
    •|bullet|bullet
    ★|star|star`,
  ),
];

const NAMED: ReadonlyMap<string, string> = new Map(
  SYMBOL_GROUPS.flatMap(({ symbols }) =>
    symbols.flatMap(({ sign, shortcut }): [string, string][] =>
      shortcut ? [[shortcut, sign]] : [],
    ),
  ),
);

/** What stands for a sign by itself, as it is drawn with the keys there are; the longer first. */
const DRAWN: readonly (readonly [keys: string, sign: string])[] = [
  ['<->', '↔'],
  ['<=>', '⇔'],
  ['->', '→'],
  ['<-', '←'],
  ['=>', '⇒'],
  ['<=', '≤'],
  ['>=', '≥'],
  ['!=', '≠'],
  ['+-', '±'],
  ['...', '…'],
];

/** A stretch of a text that stands for a sign. */
export interface Shortcut {
  readonly from: number;
  readonly to: number;
  readonly sign: string;
}

/**
 * The shortcut that has just been finished before a caret: the last stroke of an arrow, or what follows the name after a backslash; that itself stays. Null where
 * there is none. What begins a longer one (`<=` before `>`) waits for a space.
 */
export function shortcutBefore(text: string, caret: number): Shortcut | null {
  const typed = text.slice(Math.max(0, caret - 24), caret);
  const named = /\\([A-Za-z]+)[^A-Za-z]$/u.exec(typed);
  const sign = named && NAMED.get(named[1]);
  if (named && sign) {
    const to = caret - 1;
    return { from: to - named[1].length - 1, to, sign };
  }
  const isSpace = /\s$/.test(typed);
  const drawn = isSpace ? typed.slice(0, -1) : typed;
  const found = DRAWN.find(([keys]) => drawn.endsWith(keys));
  if (!found) return null;
  const [keys, becomes] = found;
  const isBegun = DRAWN.some(([other]) => other !== keys && other.startsWith(keys));
  if (isBegun !== isSpace) return null;
  const to = caret - (isSpace ? 1 : 0);
  return { from: to - keys.length, to, sign: becomes };
}
