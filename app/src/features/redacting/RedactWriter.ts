import { areaAsSeen, type Vec } from '@marginalis/core/geometry';
import { placeNear, type Quad, quadsOf, wordAround } from '@marginalis/core/print';
import { AreaDrag, type Hit, type InstrumentWriter, type Reader, type WritingTools } from '@/shell';
import { layBars } from './layBars';

/** Farther from any word than this, points, none is meant. */
const WORD_REACH = 4;

/** Lays a bar over the area that is dragged, or over the word that is tapped. */
export class RedactWriter implements InstrumentWriter {
  readonly bare = true;
  private readonly drag: AreaDrag;

  constructor(
    private readonly reader: Reader,
    tools: WritingTools,
  ) {
    this.drag = new AreaDrag(reader, tools);
  }

  start(_event: PointerEvent, hit: Hit): void {
    this.drag.start(hit);
  }

  move(event: PointerEvent): void {
    this.drag.move(event);
  }

  end(event: PointerEvent): void {
    const dragged = this.drag.end(event);
    if (dragged) void this.lay(dragged.hit, dragged.to);
  }

  cancel(): void {
    this.drag.cancel();
  }

  fit(): void {
    this.drag.fit();
  }

  private async lay({ index, user }: Hit, to: Vec | null): Promise<void> {
    const { session, stage } = this.reader;
    const page = session.store.getState().document.pages[index];
    try {
      const quads = to
        ? [quadOf(areaAsSeen(stage.pages[index], [user, to]))]
        : await this.wordAt(index, user);
      const trouble = quads.length > 0 ? await layBars(session, [{ page, pieces: [quads] }]) : null;
      if (trouble !== null) session.notices.tell(trouble);
    } catch (e) {
      session.notices.tell(e instanceof Error ? e.message : String(e));
    }
  }

  private async wordAt(index: number, at: Vec): Promise<Quad[]> {
    const { session } = this.reader;
    const page = session.store.getState().document.pages[index];
    const print = session.print.known(page) ?? (await session.print.of(page));
    const place = placeNear(print, at, WORD_REACH);
    const range = place === null ? null : wordAround(print, place);
    return range ? quadsOf(print, range) : [];
  }
}

/** An area's corners, from the upper left one clockwise, as those of words are told. */
const quadOf = ([a, b, c, d]: readonly [Vec, Vec, Vec, Vec]): Quad => [a, b, d, c];
