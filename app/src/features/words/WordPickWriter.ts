import type { Path } from '@marginalis/core/geometry';
import type { Instrument, WordPicker } from '@marginalis/core/marks';
import { pathOfQuads, quadsOf, sentenceAround, type TextRange } from '@marginalis/core/print';
import type { Hit } from '@/shell';
import type { LiveLook } from '@/stage';
import { CHOSEN, CHOSEN_OPACITY } from './chosenLook';
import { type Going, OverWords } from './OverWords';
import { asChosen, type PagePart } from './partsBetween';

/** Taps follow on each other within so long, ms. */
const TAP_TIME = 400;

/** Selects words: those it goes over; tapped twice a word, three times its sentence. A tap lets go. */
export class WordPickWriter extends OverWords<WordPicker> {
  private taps = 0;
  private tappedAt = -Infinity;

  protected own = (instrument: Instrument): WordPicker | null =>
    instrument.kind === 'word-picker' ? instrument : null;

  protected lookOf = (): LiveLook => ({ opacity: CHOSEN_OPACITY, multiplied: true });

  override start(event: PointerEvent, hit: Hit, instrument: Instrument): void {
    this.taps = event.timeStamp - this.tappedAt < TAP_TIME ? this.taps + 1 : 1;
    this.tappedAt = event.timeStamp;
    super.start(event, hit, instrument);
  }

  protected show(_: WordPicker, { print, range }: PagePart): { path: Path; colour: string } {
    return { path: pathOfQuads(quadsOf(print, range)), colour: CHOSEN };
  }

  protected done({ moved }: Going<WordPicker>, parts: readonly PagePart[]): void {
    const { taps } = this;
    if (moved) this.taps = 0;
    else if (taps < 2) return;
    const widened = ({ print, range }: PagePart): TextRange =>
      !moved && taps > 2 ? (sentenceAround(print, range.from) ?? range) : range;
    this.reader.session.words.choose(
      asChosen(parts.map((part) => ({ ...part, range: widened(part) }))),
    );
  }
}
