import { type Matrix, thenMatrix } from '../geometry/index.ts';
import type { Fonts } from './face.ts';
import type { FaceName } from './faces.ts';
import type { GlyphRun } from './glyphRun.ts';
import { type LineStyle, setSpans, type SetText } from './setSpans.ts';

export interface TextStyle extends Partial<LineStyle> {
  readonly face: FaceName;
  /** Points. */
  readonly size: number;
}

/** From baseline to baseline where nothing else is said, of the size. */
const LEADING = 1.3;

/** Sets text of one look in lines no wider than `width` points, or one line a paragraph where that is infinite; see {@link setSpans}. */
export const setText = (text: string, style: TextStyle, width: number, fonts: Fonts): SetText =>
  setSpans(
    [{ text, face: style.face, size: style.size }],
    { leading: LEADING, align: 'start', ...style },
    width,
    fonts,
  );

/** The same text with its top left corner at a place, or carried by a map. */
export const placeText = ({ lines }: Pick<SetText, 'lines'>, place: Matrix): GlyphRun[] =>
  lines.flatMap(({ runs }) => runs.map((run) => ({ ...run, place: thenMatrix(run.place, place) })));
