import { type LetterStyle, textOfSpans } from '@marginalis/core/type';
import type { Typing } from './Typing';

/** What letters can be besides their face, size and ink. */
export type Manner = 'bold' | 'italic' | 'underline';

type Selected = readonly [from: number, to: number] | null;

/** Whether the letters that are selected are so, or those that are typed next. */
export const areTurned = (typing: Typing, manner: Manner, selected: Selected): boolean =>
  lookOfLetters(typing, selected)[manner];

/** Gives letters another look: those that are selected, or those that are typed next where none are. */
export function lookLetters(
  typing: Typing,
  change: Partial<LetterStyle>,
  selected: Selected,
): void {
  const [from, to] = selected ?? [0, 0];
  if (to > from || textOfSpans(typing.mark.block.spans) === '') typing.restyle(from, to, change);
  else typing.lookNext(from, change);
}

/** How the letters look that are selected, the first of them, or those that are typed next. */
export function lookOfLetters(typing: Typing, selected: Selected): LetterStyle {
  const [from, to] = selected ?? [0, 0];
  return typing.lookAt(to > from ? from + 1 : from);
}

/** Turns letters bold, slanted or underlined, or back: those that are selected, or those that are typed next where none are. */
export const turnLetters = (typing: Typing, manner: Manner, selected: Selected): void =>
  lookLetters(typing, { [manner]: !areTurned(typing, manner, selected) }, selected);
