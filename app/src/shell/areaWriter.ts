import { AreaDrag, type Dragged } from './AreaDrag';
import type { Reader } from './feature';
import type { InstrumentWriter, WritingTools } from './writing';

/** What writes with an instrument that taps places and drags areas: `done` is told each. */
export function areaWriter(
  reader: Reader,
  tools: WritingTools,
  done: (dragged: Dragged) => void,
): InstrumentWriter {
  const drag = new AreaDrag(reader, tools);
  return {
    bare: true,
    start: (_, hit) => drag.start(hit),
    move: (event) => drag.move(event),
    end(event) {
      const dragged = drag.end(event);
      if (dragged) done(dragged);
    },
    cancel: () => drag.cancel(),
    fit: () => drag.fit(),
  };
}
