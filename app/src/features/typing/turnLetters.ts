import { styleAt, textOfSpans } from '@marginalis/core/type';
import type { Typing } from './Typing';

/** What letters can be besides their face, size and ink. */
export type Manner = 'bold' | 'italic' | 'underline';

/** Turns letters bold, slanted or underlined, or back: those that are selected, or all of them where none are. */
export function turnLetters(
  typing: Typing,
  manner: Manner,
  selected: readonly [from: number, to: number] | null,
): void {
  const { spans } = typing.mark.block;
  const all = [0, textOfSpans(spans).length] as const;
  const [from, to] = selected && selected[1] > selected[0] ? selected : all;
  typing.restyle(from, to, { [manner]: !styleAt(spans, from + 1)[manner] });
}
