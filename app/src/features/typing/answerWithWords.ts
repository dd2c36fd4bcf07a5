import { displayMatrix, transform, type Vec } from '@marginalis/core/geometry';
import { answerLineAt, textOf } from '@marginalis/core/print';
import { typeable } from '@marginalis/core/type';
import { typingInstrument } from '@/session';
import { answersOn, type Reader } from '@/shell';
import { textAt, textOnLine } from './beginText';
import { typeInSight } from './stepText';
import { beginTyping, typingHeld } from './typingHeld';

/** A tap beside a line for an answer means it, points. */
const LINE_REACH = 10;
/** Letters of what is asked for that are shown. */
const SHOWN = 30;

/**
 * Puts the printed words that are selected onto a line for an answer, or wherever it is tapped: who cannot type can answer with what is printed. Selected by the
 * keyboard they go onto the first free line in sight.
 */
export function answerWithWords(reader: Reader): void {
  const { session, stage } = reader;
  const { parts, typed } = session.words.store.getState();
  const text = parts.map(({ print, range }) => textOf(print, range)).join(' ');
  if (text === '') return;
  session.words.choose([]);
  if (typed) return void answerInSight(reader, text);
  const short = text.length > SHOWN ? `${text.slice(0, SHOWN - 1)}…` : text;
  session.hand.await({
    text: `Tap where “${short}” goes.`,
    act(page, { clientX, clientY }) {
      const index = Number(page.getAttribute('data-page')) - 1;
      if (!stage.pages[index]) return;
      stage.locate();
      void answerAt(reader, index, stage.toUser(index, stage.fromClient(clientX, clientY)), text);
    },
  });
}

async function answerAt(reader: Reader, index: number, user: Vec, text: string): Promise<void> {
  const lines = await answersOn(reader, index);
  const at = transform(displayMatrix(reader.stage.pages[index]), user);
  const line = answerLineAt(lines, at, LINE_REACH);
  const instrument = { ...typingInstrument(reader.session), leads: false };
  const mark = line
    ? textOnLine(reader, index, instrument, lines, line)
    : textAt(reader, index, instrument, user, null);
  const typing = beginTyping(reader.session, mark, null);
  typing.put(0, 0, typeable(text));
  typing.finish();
}

async function answerInSight(reader: Reader, text: string): Promise<void> {
  await typeInSight(reader);
  const { typing } = typingHeld.getState();
  typing?.put(0, 0, typeable(text));
  typing?.finish();
}
