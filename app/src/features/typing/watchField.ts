import { spansBetween, textOfSpans, typeable } from '@marginalis/core/type';
import type { RefObject } from 'react';
import { copiedHtml } from './copiedHtml';
import { isInParts, selectionIn } from './field';
import { type Emphasized, pastedEmphasis } from './pastedEmphasis';
import type { Typing } from './Typing';

/**
 * Does what the browser would do otherwise than a text is kept: new lines, what is pasted and copied, and the ends of paragraphs where each is a part of the
 * page. React has no such event that tells what is about to be put in. Gives a function that ends it.
 * @param selected what was selected last, also while the field has not the focus
 */
export function watchField(
  field: HTMLElement,
  typing: Typing,
  selected: RefObject<readonly [number, number] | null>,
): () => void {
  const said = (): string => textOfSpans(typing.mark.block.spans);
  const put = (text: string, emphasized: readonly Emphasized[] = []): void => {
    const [from, to] = selectionIn(field) ?? selected.current ?? [0, 0];
    typing.put(from, to, text, emphasized);
  };
  /** Takes the end of a paragraph away, before the caret or behind it: the browser would join the parts and leave it. */
  const joins = (by: -1 | 1): boolean => {
    const [from, to] = selectionIn(field) ?? [0, 1];
    const at = by === -1 ? from - 1 : from;
    if (!isInParts(typing.mark.block) || from !== to || said()[at] !== '\n') return false;
    typing.put(at, at + 1, '');
    return true;
  };
  const before = (event: InputEvent): void => {
    const { inputType, dataTransfer } = event;
    if (inputType === 'insertParagraph' || inputType === 'insertLineBreak') put('\n');
    else if (inputType === 'insertFromPaste' || inputType === 'insertFromDrop') {
      const text = typeable(dataTransfer?.getData('text/plain') ?? '');
      put(text, pastedEmphasis(text, dataTransfer?.getData('text/html') ?? ''));
    } else if (/^delete\w+Backward$/.test(inputType)) {
      if (!joins(-1)) return;
    } else if (/^delete\w+Forward$/.test(inputType)) {
      if (!joins(1)) return;
    } else if (!/^(format|history)/.test(inputType)) return;
    event.preventDefault();
  };
  /** The parts of a page would be copied with their ends and the text's own. */
  const copy = (event: ClipboardEvent): void => {
    const range = selectionIn(field);
    if (!range || range[0] === range[1] || !event.clipboardData) return;
    const spans = spansBetween(typing.mark.block.spans, ...range);
    event.clipboardData.setData('text/plain', textOfSpans(spans));
    event.clipboardData.setData('text/html', copiedHtml(spans));
    event.preventDefault();
    if (event.type === 'cut') typing.put(...range, '');
  };
  field.addEventListener('beforeinput', before);
  field.addEventListener('copy', copy);
  field.addEventListener('cut', copy);
  return () => {
    field.removeEventListener('beforeinput', before);
    field.removeEventListener('copy', copy);
    field.removeEventListener('cut', copy);
  };
}
