import type { Path } from '@marginalis/core/geometry';
import { kindFor, type Mark, stripsOf, type WordsMark } from '@marginalis/core/kinds';
import { type Instrument, instrumentStyle, type WordMarker } from '@marginalis/core/marks';
import type { LiveLook } from '@/stage';
import { markParts } from './markParts';
import { type Going, OverWords } from './OverWords';
import { asChosen, type PagePart } from './partsBetween';

/** Marks the words that a contact goes over, or the one it taps. */
export class WordWriter extends OverWords<WordMarker> {
  protected own = (instrument: Instrument): WordMarker | null =>
    instrument.kind === 'word-marker' ? instrument : null;

  protected lookOf = ({ opacity, manner }: WordMarker): LiveLook => ({
    opacity,
    multiplied: manner === 'highlight',
  });

  protected show(marker: WordMarker, part: PagePart): { path: Path; colour: string } | null {
    const mark = asMark(marker, part);
    const [item] = mark ? kindFor(mark).draw(mark) : [];
    return item?.is === 'fill' ? { path: item.path, colour: marker.colour } : null;
  }

  protected done({ instrument }: Going<WordMarker>, parts: readonly PagePart[]): void {
    markParts(this.reader.session, instrument, asChosen(parts));
  }
}

/** What will be marked, before it is. */
function asMark(marker: WordMarker, { page, print, range }: PagePart): Mark | null {
  const strips = stripsOf(print, range);
  const { manner } = marker;
  const style = instrumentStyle(marker);
  const base = { id: '', page: page.id, order: 0, madeAt: 0, before: '', after: '' };
  const mark: WordsMark = { kind: 'words', ...base, style, manner, strips };
  return strips.length > 0 ? mark : null;
}
