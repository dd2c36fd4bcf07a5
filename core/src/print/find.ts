import type { PageText, TextRange } from './print.ts';

/** How print is searched. */
export interface FindOptions {
  /** Case, accents and the shape of quotes and dashes count. */
  readonly exact?: boolean;
  /** Only where the term begins and ends with a word. */
  readonly wholeWords?: boolean;
}

/** Text as it is searched, and for each of its units the one of the print it came from. */
interface Searched {
  readonly text: string;
  readonly places: Uint32Array;
}

type Breaks = 'joined' | 'hyphened';

const known = new WeakMap<PageText, Map<string, Searched>>();

/**
 * The places where a term is printed, in reading order. White space of any kind is one space, and words that a hyphen breaks at the end of a
 * line are whole, with the hyphen or without; case and accents, and the shape of quotes and dashes, count only when asked for.
 */
export function findInPrint(print: PageText, term: string, how: FindOptions = {}): TextRange[] {
  const { exact = false, wholeWords = false } = how;
  const wanted = fold(term.trim().replace(/\s+/gu, ' '), exact);
  if (wanted === '') return [];
  const breaks: Breaks[] = /-/u.test(fold(term, false)) ? ['joined', 'hyphened'] : ['joined'];
  const found = new Map<number, TextRange>();
  for (const way of breaks)
    for (const range of placesOf(searched(print, exact, way), wanted, wholeWords))
      found.set(range.from, range);
  return [...found.values()].sort((a, b) => a.from - b.from);
}

/** Makes ready what a search needs of a text, so that the first finds it there. */
export const makeReady = (text: PageText): void => void searched(text, false, 'joined');

function placesOf({ text, places }: Searched, wanted: string, wholeWords: boolean): TextRange[] {
  const ranges: TextRange[] = [];
  for (let at = text.indexOf(wanted); at >= 0; at = text.indexOf(wanted, at + wanted.length)) {
    const end = at + wanted.length;
    if (wholeWords && !(isEdge(text, at) && isEdge(text, end))) continue;
    ranges.push({ from: places[at], to: places[end - 1] + 1 });
  }
  return ranges;
}

/** Whether a word begins or ends between the unit at `at` and the one before. */
const isEdge = (text: string, at: number): boolean =>
  !/^[\p{L}\p{N}\p{M}]{2}/u.test((text[at - 1] ?? ' ') + (text[at] ?? ' '));

function searched(print: PageText, exact: boolean, breaks: Breaks): Searched {
  const key = `${exact} ${breaks}`;
  let ways = known.get(print);
  if (!ways) known.set(print, (ways = new Map()));
  let way = ways.get(key);
  if (!way) ways.set(key, (way = prepare(print, exact, breaks)));
  return way;
}

function prepare({ text, breaks: ends }: PageText, exact: boolean, breaks: Breaks): Searched {
  /** Where breaks of words are: the hyphen, and the line feed after it. */
  const gone = ends.flatMap((to) => (breaks === 'joined' ? [to - 1, to] : [to]));
  let folded = '';
  let length = 0;
  // Room for those that become two; what became more is rare and grows it.
  let places = new Uint32Array(text.length + 16);
  let unplain = -1;
  for (let k = 0, nth = 0; k < text.length;) {
    while (gone[nth] < k) nth++;
    if (unplain < k) unplain = nextUnplain(text, k);
    // Most print is plain, and goes at once.
    const end = Math.min(unplain, gone[nth] ?? text.length);
    if (end > k) {
      const part = text.slice(k, end).replace(/\n/gu, ' ');
      folded += exact ? part : part.toLowerCase();
      if (length + part.length >= places.length) places = grown(places, part.length);
      while (k < end) places[length++] = k++;
      continue;
    }
    const code = text.codePointAt(k) ?? 0;
    const part = k === gone[nth] || code === SOFT_HYPHEN ? '' : foldOne(code, exact);
    if (length + part.length >= places.length) places = grown(places, part.length);
    for (let n = 0; n < part.length; n++) places[length++] = k;
    folded += part;
    k += code > 0xffff ? 2 : 1;
  }
  return { text: folded, places: places.slice(0, length) };
}

/** What is not ASCII, or not the same to every search but for its case: a grave accent is taken for a quote. */
const UNPLAIN = /[^\n\x20-\x5f\x61-\x7e]/gu;

/** The first such unit from one on; where the text ends if there is none. */
function nextUnplain(text: string, from: number): number {
  UNPLAIN.lastIndex = from;
  return UNPLAIN.exec(text)?.index ?? text.length;
}

function grown(places: Uint32Array, by: number): Uint32Array<ArrayBuffer> {
  const larger = new Uint32Array(2 * places.length + by);
  larger.set(places);
  return larger;
}

const SOFT_HYPHEN = 0xad;

/** What characters become, once looked up: a document has few, many times. */
const folds = { exact: new Map<number, string>(), loose: new Map<number, string>() };

function foldOne(code: number, exact: boolean): string {
  const known = exact ? folds.exact : folds.loose;
  let part = known.get(code);
  if (part === undefined) known.set(code, (part = fold(String.fromCodePoint(code), exact)));
  return part;
}

const QUOTES = /[\u2018\u2019\u201a\u201b\u2032\u00b4`]/gu;
const DOUBLE_QUOTES = /[\u201c\u201d\u201e\u201f\u2033\u00ab\u00bb]/gu;
const DASHES = /[\u2010-\u2015\u2212\u00ad]/gu;

/** What is the same to a search becomes the same. */
function fold(text: string, exact: boolean): string {
  const spaced = text.replace(/\s/gu, ' ');
  if (exact) return spaced.normalize('NFC');
  return spaced
    .replace(QUOTES, "'")
    .replace(DOUBLE_QUOTES, '"')
    .replace(DASHES, '-')
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/ß/gu, 'ss');
}
