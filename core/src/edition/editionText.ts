import { type Box, boxCentre, IDENTITY, type Matrix, type PageBox } from '../geometry/index.ts';
import type { Print } from '../print/index.ts';
import { alignTokens } from './alignTokens.ts';
import { fitMost, type Pair } from './similarity.ts';
import { type Token, tokensOf } from './tokens.ts';

/** A page of an edition, with what is printed on it. */
export interface EditionPage extends PageBox {
  readonly print: Print;
}

/** A word of the edition before, and where it is now. */
export interface FoundWord {
  readonly box: Box;
  /** The line of its page that it stands on. */
  readonly line: number;
  /** It says little of where it is: a number, which may be anywhere's. */
  readonly weak: boolean;
  /** Null where it is not found. */
  readonly now: { readonly page: number; readonly word: number; readonly box: Box } | null;
}

/** What has become of a page. */
export interface PageFate {
  /** The page it is now, from 0; null where none is like it. */
  readonly to: number | null;
  /** From its user space to that of the page it is now. */
  readonly map: Matrix;
  /** Of what was compared the share that is as `map` says, 0–1. */
  readonly share: number;
  /** By what it was told. */
  readonly by: 'words' | 'picture';
}

/** Print that has not moved lies no farther off, points. */
const STILL = 1.5;
/** Pages of fewer words are told by their pictures. */
const FEW = 4;

/** What the words of an edition have become in another one, page by page. */
export class EditionText {
  /** By page and word of the print; undefined for what is no word. */
  readonly words: readonly (readonly (FoundWord | undefined)[])[];
  readonly fates: readonly PageFate[];
  /** Tokens by page and word, and where each is among the tokens of the other edition. */
  private readonly before: readonly Token[];
  private readonly after: readonly Token[];
  private readonly to: Int32Array;
  private readonly tokenAt: ReadonlyMap<string, number>;
  private readonly now: readonly EditionPage[];

  constructor(was: readonly EditionPage[], is: readonly EditionPage[]) {
    this.now = is;
    this.before = tokensOf(was.map(({ print }) => print));
    this.after = tokensOf(is.map(({ print }) => print));
    this.to = alignTokens(this.before, this.after);
    this.tokenAt = new Map(
      this.before.flatMap(({ page, words }, k) => words.map((word) => [`${page} ${word}`, k])),
    );
    const words = was.map(({ print }) => new Array<FoundWord | undefined>(print.words.length));
    this.before.forEach((token, k) => {
      const other = this.to[k] < 0 ? null : this.after[this.to[k]];
      token.words.forEach((word, n) => {
        const { box, line } = was[token.page].print.words[word];
        const there = other && other.words[Math.min(n, other.words.length - 1)];
        // A word that a line's end breaks in one edition alone lies nowhere as a whole.
        const isWhole = other?.words.length === token.words.length;
        const now =
          other && there !== null && isWhole
            ? { page: other.page, word: there, box: is[other.page].print.words[there].box }
            : null;
        words[token.page][word] = { box, line, weak: !/\p{L}/u.test(token.text), now };
      });
    });
    this.words = words;
    this.fates = words.map(fateOf);
  }

  /** Whether so many words of a page are known that it is told by them. */
  hasWords(page: number): boolean {
    return this.words[page].filter(Boolean).length >= FEW;
  }

  /** Of words of a page, from 0, where they are now: their tokens there, in order; and how many there were. */
  tokensNow(
    page: number,
    words: readonly number[],
  ): { readonly at: number[]; readonly of: number } {
    const tokens = new Set(words.flatMap((word) => this.tokenAt.get(`${page} ${word}`) ?? []));
    const at = [...tokens].flatMap((k) => (this.to[k] < 0 ? [] : [this.to[k]]));
    return { at: at.sort((a, b) => a - b), of: tokens.size };
  }

  /** The tokens between the one before and the one after words of a page that are not found; null where these are no neighbours any more. */
  gapNow(page: number, words: readonly number[]): number[] | null {
    const tokens = words.flatMap((word) => this.tokenAt.get(`${page} ${word}`) ?? []);
    if (tokens.length === 0) return null;
    const [first, last] = [Math.min(...tokens), Math.max(...tokens)];
    const [before, after] = [this.to[first - 1] ?? -1, this.to[last + 1] ?? -1];
    const most = 2 * (last - first + 1) + 2;
    if (before < 0 || after < 0 || after <= before + 1 || after - before - 1 > most) return null;
    return Array.from({ length: after - before - 1 }, (_, k) => before + 1 + k);
  }

  /** A token of the edition as it is now. */
  tokenNow = (k: number): Token => this.after[k];

  pageNow = (page: number): EditionPage => this.now[page];
}

/** Where most of the words of a page are now, and how they lie there. */
function fateOf(words: readonly (FoundWord | undefined)[]): PageFate {
  const counts = new Map<number, number>();
  for (const word of words)
    if (word?.now) counts.set(word.now.page, (counts.get(word.now.page) ?? 0) + 1);
  const [best] = [...counts].sort(([, a], [, b]) => b - a);
  if (!best) return { to: null, map: IDENTITY, share: 0, by: 'words' };
  const [to] = best;
  const pairs = words.flatMap((word): Pair[] =>
    word?.now?.page === to ? [{ was: boxCentre(word.box), is: boxCentre(word.now.box) }] : [],
  );
  const fit = fitMost(pairs, STILL);
  const known = words.filter(Boolean).length;
  return { to, map: fit?.map ?? IDENTITY, share: (fit?.agreeing.length ?? 0) / known, by: 'words' };
}
