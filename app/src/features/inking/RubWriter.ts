import { type Rubbing, startRubbing } from '@marginalis/core/editing';
import type { Vec } from '@marginalis/core/geometry';
import { type Eraser, type Instrument, instrumentWidth } from '@marginalis/core/marks';
import {
  type Hit,
  type InstrumentWriter,
  type Reader,
  samplesOf,
  type WritingTools,
} from '@/shell';

interface Going {
  readonly page: number;
  readonly instrument: Eraser;
  readonly rubbing: Rubbing;
  last: Vec;
}

/** Rubs out what it passes over, shown as it goes and done when it is lifted. */
export class RubWriter implements InstrumentWriter {
  private going: Going | null = null;

  constructor(
    private readonly reader: Reader,
    private readonly tools: WritingTools,
  ) {}

  start(event: PointerEvent, { index, pageId, user }: Hit, instrument: Instrument): void {
    const { session } = this.reader;
    session.inHand.pick([]);
    if (instrument.kind !== 'eraser') return;
    const { document } = session.store.getState();
    const radius = instrumentWidth(instrument) / 2;
    const rubbing = startRubbing(document, pageId, radius, instrument);
    this.going = { page: index, instrument, rubbing, last: user };
    this.move(event);
  }

  move(event: PointerEvent): void {
    const { going } = this;
    const { session } = this.reader;
    if (!going) return;
    const places = samplesOf(event).map((e) => this.tools.userAt(going.page, e));
    const changes = going.rubbing.along([going.last, ...places]);
    if (changes.length > 0) {
      if (going.instrument.takes === 'whole')
        session.inHand.doom(new Set(going.rubbing.becomes.keys()));
      else session.inHand.preview(changes);
    }
    going.last = places[places.length - 1];
    this.tools.showRing(event, going.instrument);
  }

  end(): void {
    this.cancel(true);
  }

  cancel(keep: boolean): void {
    const { session } = this.reader;
    const { going } = this;
    this.going = null;
    if (!going) return;
    if (keep) session.dispatch(going.rubbing.done());
    session.inHand.preview(null);
    session.inHand.doom(new Set());
  }
}
