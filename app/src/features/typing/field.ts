import {
  hangOf,
  type LetterStyle,
  lettersOf,
  type Span,
  spansBetween,
  type TextBlock,
  textOfSpans,
} from '@marginalis/core/type';
import { familiesOf } from '@/stage';

/** A length on the page, points, as the field has it: it says itself how large a point is seen. */
export const onPage = (points: number): string => `calc(${points} * var(--point))`;
/** The same of letters, which may be smaller than they are meant. */
const asLetters = (points: number): string => `calc(${points} * var(--point) * var(--shrunk, 1))`;

/** What each paragraph of a list is shown with. */
const MARKERS = { bullets: '"•"', numbers: 'decimal' } as const;

/** Letters that stand in cells have one each. */
function elementOf({ text, style }: Span, cell: number): HTMLElement {
  const element = document.createElement('span');
  if (cell > 0) element.replaceChildren(...lettersOf(text).map((letter) => inCell(letter, cell)));
  else element.textContent = text;
  Object.assign(element.style, letterCss(style));
  return element;
}

function inCell(letter: string, cell: number): Node {
  if (letter === '\n') return document.createTextNode(letter);
  const element = document.createElement('span');
  element.textContent = letter;
  Object.assign(element.style, {
    // No flexible box: a space would be nothing in one, and go with the next letter.
    display: 'inline-block',
    textAlign: 'center',
    textIndent: 0,
    whiteSpace: 'pre',
    width: onPage(cell),
  });
  return element;
}

export const letterCss = (style: LetterStyle) =>
  ({
    fontFamily: familiesOf(style),
    fontSize: asLetters(style.size),
    color: style.colour,
    textDecoration: style.underline ? 'underline' : 'none',
  }) as const;

/** A longer text is laid out paragraph by paragraph, characters: the browser need not lay all of it out anew for each letter. */
const LONG = 2_000;

/** Whether each paragraph of a text has a part of the page of its own while it is typed. */
export const isInParts = ({ spans, list, cell, indent = 0 }: TextBlock): boolean =>
  list !== undefined ||
  (cell === undefined &&
    indent === 0 &&
    spans.reduce((sum, { text }) => sum + text.length, 0) > LONG);

/** Shows a text in the field, in place of what it shows: letters in cells, paragraphs of lists as such. */
export function showText(field: HTMLElement, block: TextBlock): void {
  const { spans, cell = 0 } = block;
  const shown = (some: readonly Span[]): Node[] =>
    some.filter(({ text }) => text !== '').map((span) => elementOf(span, cell));
  const inParts = isInParts(block);
  const parts = inParts
    ? paragraphsOf(spans).map((some) => itemOf(shown(some), block))
    : shown(spans);
  // The browser shows no last line that is empty without this.
  if (/(^|\n)$/.test(spans[spans.length - 1].text)) {
    const last = document.createElement('br');
    if (inParts) parts[parts.length - 1].appendChild(last);
    else parts.push(last);
  }
  field.replaceChildren(...parts);
}

/** Spans of each paragraph, with the end of its line. */
function paragraphsOf(spans: readonly Span[]): Span[][] {
  const text = textOfSpans(spans);
  let from = 0;
  return text.split('\n').map((said, k, all) => {
    const to = from + said.length + (k < all.length - 1 ? 1 : 0);
    const part = spansBetween(spans, from, to);
    from = to;
    return part;
  });
}

function itemOf(nodes: readonly Node[], block: TextBlock): Node {
  const { list } = block;
  const item = document.createElement('span');
  item.replaceChildren(...nodes);
  const isBlank = (item.textContent ?? '').trim() === '';
  Object.assign(item.style, {
    display: 'block',
    unicodeBidi: 'plaintext',
    marginInlineStart: asLetters(hangOf(block)),
    ...(list && !isBlank ? { display: 'list-item', listStyle: `outside ${MARKERS[list]}` } : {}),
  });
  return item;
}

/** What the field says. */
export const saidIn = (field: HTMLElement): string => field.textContent ?? '';

/** The place in the text of a point of the field's content. */
function placeOf(field: HTMLElement, node: Node, offset: number): number {
  if (node instanceof Text) {
    // By their lengths: a long text is not put together for each letter.
    const walker = document.createTreeWalker(field, NodeFilter.SHOW_TEXT);
    let place = offset;
    for (let text = walker.nextNode(); text && text !== node; text = walker.nextNode())
      place += (text as Text).length;
    return place;
  }
  const range = document.createRange();
  range.setStart(field, 0);
  range.setEnd(node, offset);
  return range.toString().length;
}

/** What is selected in the field, in places of its text; null while the caret is elsewhere. */
export function selectionIn(field: HTMLElement): readonly [from: number, to: number] | null {
  const selection = document.getSelection();
  if (!selection || selection.rangeCount === 0) return null;
  const range = selection.getRangeAt(0);
  if (!field.contains(range.commonAncestorContainer)) return null;
  return [
    placeOf(field, range.startContainer, range.startOffset),
    placeOf(field, range.endContainer, range.endOffset),
  ];
}

/** Selects from one place of the text to another; the caret stands at the end. */
export function select(field: HTMLElement, from: number, to: number): void {
  const [start, end] = [pointOf(field, from), pointOf(field, to)];
  document.getSelection()?.setBaseAndExtent(start[0], start[1], end[0], end[1]);
}

function pointOf(field: HTMLElement, place: number): readonly [Node, number] {
  const walker = document.createTreeWalker(field, NodeFilter.SHOW_TEXT);
  let left = place;
  let last: Node = field.firstChild ?? field;
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const { length, data } = node as Text;
    // What follows the end of an item's last line is the next item.
    const isNext = left === length && data.endsWith('\n') && itemAfter(field, node) !== null;
    if (left <= length && !isNext) return [node, left];
    left -= length;
    last = node;
    const item = isNext ? itemAfter(field, node) : null;
    if (item?.textContent === '') return [item, 0];
  }
  return [last, last.textContent?.length ?? 0];
}

/** The item of a list after that of a node; null in other texts, and in the last one. */
function itemAfter(field: HTMLElement, node: Node): Element | null {
  const item = [...field.children].find((child) => child.contains(node));
  const isItem = item instanceof HTMLElement && item.style.marginInlineStart !== '';
  return isItem ? item.nextElementSibling : null;
}
