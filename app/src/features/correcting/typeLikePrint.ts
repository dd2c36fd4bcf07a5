import { lineWith, looksLike } from '@marginalis/core/editing';
import { INSTRUMENTS, type TextInstrument } from '@marginalis/core/marks';
import { quadsOf } from '@marginalis/core/print';
import { type ChosenPart, useSettings } from '@/session';
import type { Reader } from '@/shell';
import { printLook } from './printLook';

/** What the instrument is called that types so. */
const NAME = 'Like the print';

/** Takes what types text in hand, with the face, the size and the colour of printed words. */
export async function typeLikePrint(
  { session }: Pick<Reader, 'session'>,
  { page: id, print, range }: ChosenPart,
): Promise<void> {
  const page = session.store.getState().document.pages.find((one) => one.id === id);
  const line = lineWith(print, range.from);
  const [quad] = quadsOf(print, range);
  if (!page || !line || !quad) return;
  const seen = await printLook(page, quad, line.size);
  if (typeof seen === 'string') return session.notices.tell(seen);
  const { printed, colours } = seen;
  if (!printed) return session.notices.tell('How these words are printed cannot be told.');
  const { isGuess: _, ...look } = looksLike(printed.font, printed.flags, printed.weight);
  const asPrinted = {
    ...look,
    size: Math.round(10 * line.size) / 10,
    ...(colours ? { colour: colours.ink } : {}),
  };
  // An instrument of its own: those that are there stay as they are.
  const { roll, add, change } = useSettings.getState();
  const held = roll.find(({ kind, name }) => kind === 'text-box' && name === NAME);
  const plain = INSTRUMENTS.find(({ kind }) => kind === 'text-box');
  if (held) change(held.id, asPrinted);
  else if (!plain) return;
  session.hand.choose(held?.id ?? add({ ...plain, ...asPrinted, name: NAME } as TextInstrument));
}
