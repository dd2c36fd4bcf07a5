import type { Path } from '@marginalis/core/geometry';
import { markArea } from '@marginalis/core/editing';
import { areaBetween, kindFor, type Strip, stripsOf, type WordsMark } from '@marginalis/core/kinds';
import {
  type Instrument,
  instrumentStyle,
  type PageId,
  type WordMarker,
} from '@marginalis/core/marks';
import { useSettings } from '@/session';
import type { LiveLook } from '@/stage';
import { markParts } from './markParts';
import { type Going, OverWords } from './OverWords';
import { asChosen, type PagePart } from './partsBetween';

/** What is said once on this device. */
const BY_AREA = 'by-area';

/** Marks the words that a contact goes over, or the one it taps; where no words can be read, an area. */
export class WordWriter extends OverWords<WordMarker> {
  protected own = (instrument: Instrument): WordMarker | null =>
    instrument.kind === 'word-marker' ? instrument : null;

  protected lookOf = ({ opacity, manner }: WordMarker): LiveLook => ({
    opacity,
    multiplied: manner === 'highlight',
  });

  protected show(marker: WordMarker, part: PagePart): { path: Path; colour: string } | null {
    const strips = stripsOf(part.print, part.range);
    return strips.length > 0 ? drawnAs(markOf(marker, part.page.id, strips), marker) : null;
  }

  protected override showArea(going: Going<WordMarker>): { path: Path; colour: string } | null {
    const { instrument, from } = going;
    const page = this.reader.stage.pages[from.page];
    return drawnAs(markOf(instrument, page.id, [this.areaOf(going)]), instrument);
  }

  /** Marks the area it went over, and says so the first time. */
  protected override wordless(going: Going<WordMarker>): void {
    if (!going.moved) return super.wordless(going);
    const { session, stage } = this.reader;
    session.dispatch(
      markArea(session.store.getState().document, {
        id: crypto.randomUUID(),
        page: stage.pages[going.from.page].id,
        marker: going.instrument,
        area: this.areaOf(going),
        madeAt: Date.now(),
        author: useSettings.getState().author,
      }),
    );
    // Not after what else is being told: it is about what has just been done.
    if (useSettings.getState().taught.includes(BY_AREA)) return;
    session.notices.tell('No words can be read on this page: it is marked by area.');
    session.hints.know(BY_AREA);
  }

  private areaOf({ instrument, from, here }: Going<WordMarker>): Strip {
    const { stage } = this.reader;
    const to = stage.toUser(from.page, here);
    return areaBetween(stage.pages[from.page], from.at, to, instrument.manner);
  }

  protected done({ instrument }: Going<WordMarker>, parts: readonly PagePart[]): void {
    markParts(this.reader.session, instrument, asChosen(parts));
  }
}

/** What will be marked, before it is. */
function markOf(marker: WordMarker, page: PageId, strips: readonly Strip[]): WordsMark {
  const { manner } = marker;
  const style = instrumentStyle(marker);
  return {
    ...{ kind: 'words', id: '', page, order: 0, madeAt: 0, before: '', after: '' },
    ...{ style, manner, strips },
  };
}

function drawnAs(mark: WordsMark, { colour }: WordMarker): { path: Path; colour: string } | null {
  const [item] = kindFor(mark).draw(mark);
  return item?.is === 'fill' ? { path: item.path, colour } : null;
}
