import { displayMatrix, displaySize, invertMatrix, transform } from '@marginalis/core/geometry';
import { cornersOfBox } from '@marginalis/core/kinds';
import { typeable } from '@marginalis/core/type';
import { typingInstrument } from '@/session';
import type { Pasted, Reader } from '@/shell';
import { textAt } from './beginText';
import { pastedEmphasis } from './pastedEmphasis';
import { beginTyping } from './typingHeld';

/** A box of pasted text has this share of the page's width. */
const WIDE = 0.6;

/** Makes a text a box in the middle of what is in sight, to go on with. */
export function pasteText(reader: Reader, given: Pick<Pasted, 'text' | 'html'>): void {
  const { session, stage } = reader;
  const { width, height } = stage.getView();
  const { current } = stage.getSight();
  const hit = stage.pageAt({ x: width / 2, y: height / 2 });
  const index = hit?.index ?? current;
  const page = stage.pages[index];
  const display = displayMatrix(page);
  const size = displaySize(page);
  const middle = hit ? transform(display, hit.user).y : size.height / 3;
  const back = invertMatrix(display);
  const [from, to] = [
    { x: ((1 - WIDE) / 2) * size.width, y: middle },
    { x: ((1 + WIDE) / 2) * size.width, y: middle },
  ].map((p) => transform(back, p));
  const instrument = { ...typingInstrument(reader.session), leads: false };
  const typing = beginTyping(session, textAt(reader, index, instrument, from, to), null);
  const text = typeable(given.text);
  typing.put(0, 0, text, pastedEmphasis(text, given.html));
  stage.keepInSight(index, cornersOfBox(typing.mark));
}

/** Asks the browser for what there is to be pasted. */
export async function pasteAsked(reader: Reader): Promise<void> {
  const { notices } = reader.session;
  let text: string;
  try {
    text = await navigator.clipboard.readText();
  } catch {
    return notices.tell('The browser does not give what was copied. Use the keys for pasting.');
  }
  if (text.trim() === '') return notices.tell('No text has been copied.');
  return pasteText(reader, { text, html: '' });
}
