import { marksAt, printedLineAt } from '@marginalis/core/editing';
import { asCorrection } from '@marginalis/core/kinds';
import type { Hit, InstrumentWriter, Reader } from '@/shell';
import { askForLine } from './askForLine';

const NO_LINE = 'There is no line of print here.';

/** Asks what the printed line that is tapped is to say. */
export class CorrectWriter implements InstrumentWriter {
  readonly bare = true;
  private hit: Hit | null = null;

  constructor(private readonly reader: Reader) {}

  start(_event: PointerEvent, hit: Hit): void {
    this.hit = hit;
  }

  move(): void {
    // A line is tapped, not gone over.
  }

  end(): void {
    const { hit } = this;
    this.hit = null;
    if (hit) void this.ask(hit);
  }

  cancel(): void {
    this.hit = null;
  }

  private async ask({ index, pageId, user }: Hit): Promise<void> {
    const { session } = this.reader;
    try {
      const { document } = session.store.getState();
      const page = document.pages[index];
      const print = await session.print.of(page);
      // What stands there instead may have another place.
      const there = marksAt(document, pageId, user, 0).map(asCorrection).find(Boolean);
      const [, , foot] = there?.quad ?? [];
      const head = there?.quad[0];
      const at = foot && head ? { x: foot.x + 1, y: (foot.y + head.y) / 2 } : user;
      const line = printedLineAt(print, at);
      if (!line) return session.notices.tell(NO_LINE);
      await askForLine(this.reader, page, print, line);
    } catch (e) {
      session.notices.tell(e instanceof Error ? e.message : String(e));
    }
  }
}
