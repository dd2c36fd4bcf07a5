import { type LetterStyle, lettersOf, type Span } from '@marginalis/core/type';
import { familiesOf } from './pageFaces';

/** A length on the page, points, as the field has it: it says itself how large a point is seen. */
export const onPage = (points: number): string => `calc(${points} * var(--point))`;

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
    display: 'inline-flex',
    justifyContent: 'center',
    width: onPage(cell),
  });
  return element;
}

export const letterCss = (style: LetterStyle) =>
  ({
    fontFamily: familiesOf(style),
    fontSize: onPage(style.size),
    color: style.colour,
    textDecoration: style.underline ? 'underline' : 'none',
  }) as const;

/** Shows spans in the field, in place of what it shows; each letter in a cell so wide, points, or with 0 as wide as it is. */
export function showSpans(field: HTMLElement, spans: readonly Span[], cell: number): void {
  const parts: Node[] = spans
    .filter(({ text }) => text !== '')
    .map((span) => elementOf(span, cell));
  // The browser shows no last line that is empty without this.
  if (/(^|\n)$/.test(spans[spans.length - 1].text)) parts.push(document.createElement('br'));
  field.replaceChildren(...parts);
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
    const { length } = node as Text;
    if (left <= length) return [node, left];
    left -= length;
    last = node;
  }
  return [last, last.textContent?.length ?? 0];
}
