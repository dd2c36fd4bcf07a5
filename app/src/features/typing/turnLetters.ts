import { textOfSpans } from '@marginalis/core/type';
import type { Typing } from './Typing';

/** What letters can be besides their face, size and ink. */
export type Manner = 'bold' | 'italic' | 'underline';

type Selected = readonly [from: number, to: number] | null;

/** Whether the letters that are selected are so, or those that are typed next. */
export function areTurned(typing: Typing, manner: Manner, selected: Selected): boolean {
  const [from, to] = selected ?? [0, 0];
  return typing.lookAt(to > from ? from + 1 : from)[manner];
}

/** Turns letters bold, slanted or underlined, or back: those that are selected, or those that are typed next where none are. */
export function turnLetters(typing: Typing, manner: Manner, selected: Selected): void {
  const [from, to] = selected ?? [0, 0];
  const change = { [manner]: !areTurned(typing, manner, selected) };
  if (to > from || textOfSpans(typing.mark.block.spans) === '') typing.restyle(from, to, change);
  else typing.lookNext(from, change);
}
