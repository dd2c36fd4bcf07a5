import { areaAsSeen, type Vec } from '@marginalis/core/geometry';
import { type Quad, quadsOf } from '@marginalis/core/print';
import { wordAt } from '@/session';
import {
  areaWriter,
  type Hit,
  type InstrumentWriter,
  type Reader,
  type WritingTools,
} from '@/shell';
import { layBars } from './layBars';

/** Lays a bar over the area that is dragged, or over the word that is tapped. */
export const redactWriter = (reader: Reader, tools: WritingTools): InstrumentWriter =>
  areaWriter(reader, tools, ({ hit, to }) => void layAt(reader, hit, to));

async function layAt(
  { session, stage }: Reader,
  { index, user }: Hit,
  to: Vec | null,
): Promise<void> {
  const page = session.store.getState().document.pages[index];
  try {
    const word = to ? null : await wordAt(session, page, user);
    const quads = to
      ? [quadOf(areaAsSeen(stage.pages[index], [user, to]))]
      : word && quadsOf(word.print, word.range);
    const trouble = quads && (await layBars(session, [{ page, pieces: [quads] }]));
    if (trouble !== null) session.notices.tell(trouble);
  } catch (e) {
    session.notices.tell(e instanceof Error ? e.message : String(e));
  }
}

/** An area's corners, from the upper left one clockwise, as those of words are told. */
const quadOf = ([a, b, c, d]: readonly [Vec, Vec, Vec, Vec]): Quad => [a, b, d, c];
