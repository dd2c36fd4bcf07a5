import { type Box, uniteBoxes } from '../geometry/index.ts';
import { paragraphsOf, type Told } from './paragraphs.ts';
import { textOf } from './quote.ts';
import type { RawPrint } from './rawPrint.ts';
import { readPrint } from './readPrint.ts';
import type { TaggedPage, TaggedPart } from './tagged.ts';

/** Tags that hold less of a page's characters than this do not say what it says. */
const ENOUGH = 0.5;

/** Types whose content goes on in the text around it (ISO 32000-1, 14.8.4.4, and those that ISO 32000-2 adds). */
const IN_TEXT = new Set(
  'Span Quote Reference BibEntry Code Link Annot Em Strong Sub Ruby RB RT RP Warichu WT WP Lbl LBody NonStruct'.split(
    ' ',
  ),
);
const HEADING = /^H([1-6]?)$/u;

/**
 * A page as its file's tags tell it: headings, paragraphs, lists, and what is said in place of pictures, in the tags' order; what they leave out comes last. Where
 * there are no tags, or they leave out most, it is told as it is printed.
 */
export function toldOf(page: TaggedPage): Told[] {
  const { raw, parts } = page;
  const teller = new Teller(page);
  const told = teller.of(parts);
  const rest = teller.rest();
  if (rest.length > (1 - ENOUGH) * raw.codes.length)
    return [...paragraphsOf(readPrint(raw)), ...told.filter(({ is }) => is === 'picture')];
  return rest.length === 0 ? told : [...told, ...paragraphsOf(readPrint(charactersOf(raw, rest)))];
}

/** Tells the parts of a page, each marked content once. */
class Teller {
  private readonly raw: RawPrint;
  /** The characters of each marked content that has not been told yet. */
  private readonly left = new Map<number, number[]>();

  constructor({ raw, marked }: TaggedPage) {
    this.raw = raw;
    marked.forEach((number, character) => {
      const characters = this.left.get(number);
      if (characters) characters.push(character);
      else this.left.set(number, [character]);
    });
  }

  /** Characters that no part has told. */
  rest(): number[] {
    return [...this.left.values()].flat().sort((a, b) => a - b);
  }

  of(holds: TaggedPart['holds']): Told[] {
    const told: Told[] = [];
    let numbers: number[] = [];
    const endText = (): void => {
      const said = this.said(numbers);
      if (said) told.push({ is: 'paragraph', ...said });
      numbers = [];
    };
    for (const one of holds) {
      if (typeof one === 'number') numbers.push(one);
      else if (isInText(one)) numbers.push(...numbersIn(one));
      else {
        endText();
        told.push(...this.part(one));
      }
    }
    endText();
    return told;
  }

  private part(part: TaggedPart): Told[] {
    const { type, alternative, holds } = part;
    if (alternative !== '') {
      for (const number of numbersIn(part)) this.left.delete(number);
      return [{ is: 'picture', text: alternative }];
    }
    if (type === 'L') return this.list(holds);
    const [heading, level = ''] = HEADING.exec(type) ?? [];
    if (heading === undefined) return this.of(holds);
    const said = this.said(numbersIn(part));
    return said ? [{ is: 'heading', ...said, level: Number(level) }] : [];
  }

  /** A list; what it holds beside its items, such as a caption, stands before it, and a list under an item within that. */
  private list(holds: TaggedPart['holds']): Told[] {
    const items: Told[][] = [];
    const before: Told[] = [];
    for (const one of holds) {
      const isItem = typeof one !== 'number' && one.type === 'LI';
      const told = isItem ? this.item(one) : this.of([one]);
      if (isItem) items.push(told);
      else (items[items.length - 1] ?? before).push(...told);
    }
    const said = items.filter((item) => item.length > 0);
    return said.length === 0 ? before : [...before, { is: 'list', items: said }];
  }

  /** An item begins with its label: a number, a bullet. */
  private item({ holds }: TaggedPart): Told[] {
    const isLabel = (one: number | TaggedPart): one is TaggedPart =>
      typeof one !== 'number' && one.type === 'Lbl';
    const label = this.said(holds.filter(isLabel).flatMap(numbersIn));
    const told = this.of(holds.filter((one) => !isLabel(one)));
    if (!label) return told;
    const [first, ...more] = told;
    if (first?.is !== 'paragraph') return [{ is: 'paragraph', ...label }, ...told];
    const text = `${label.text} ${first.text}`;
    return [{ is: 'paragraph', text, box: uniteBoxes(label.box, first.box) }, ...more];
  }

  /** What some marked content says, and where; null where it says nothing. None of it is told again. */
  private said(numbers: readonly number[]): { readonly text: string; readonly box: Box } | null {
    const characters = numbers.flatMap((number) => {
      const own = this.left.get(number) ?? [];
      this.left.delete(number);
      return own;
    });
    if (characters.length === 0) return null;
    const print = readPrint(charactersOf(this.raw, characters));
    if (print.lines.length === 0) return null;
    const text = textOf(print, { from: 0, to: print.text.length });
    return { text, box: print.lines.map((line) => line.box).reduce(uniteBoxes) };
  }
}

/** Whether all of a part goes on in the text around it. */
const isInText = ({ type, alternative, holds }: TaggedPart): boolean =>
  IN_TEXT.has(type) &&
  alternative === '' &&
  holds.every((one) => typeof one === 'number' || isInText(one));

const numbersIn = ({ holds }: TaggedPart): number[] =>
  holds.flatMap((one) => (typeof one === 'number' ? one : numbersIn(one)));

/** Some of the characters of a page, by their numbers. */
function charactersOf(raw: RawPrint, characters: readonly number[]): RawPrint {
  const own = (all: Float32Array, each: number): Float32Array =>
    Float32Array.from({ length: each * characters.length }, (_, k) => {
      const character = characters[Math.floor(k / each)];
      return all[each * character + (k % each)];
    });
  const numbers = (all: Uint32Array): Uint32Array =>
    Uint32Array.from(characters, (character) => all[character]);
  return {
    codes: numbers(raw.codes),
    origins: own(raw.origins, 2),
    boxes: own(raw.boxes, 4),
    sizes: own(raw.sizes, 1),
    faces: numbers(raw.faces),
    angles: own(raw.angles, 1),
  };
}
