import { moveBy, thenMatrix } from '../geometry/index.ts';
import { levelsOf } from './bidi.ts';
import type { Fonts } from './face.ts';
import { LIST_GAP, listMarkers } from './lists.ts';
import type { LetteredSpan } from './pieces.ts';
import type { List } from './textBlock.ts';
import { type LineStyle, setSpans, type SetLine, type SetText } from './setSpans.ts';

/** What marks paragraphs, and how far in their text begins, points. */
export interface ListStyle {
  readonly list: List;
  readonly hang: number;
}

/** A paragraph: which spans it is of, and what of them. */
interface Part {
  readonly spans: readonly LetteredSpan[];
  /** Of each the number it has among all. */
  readonly numbers: readonly number[];
  readonly from: number;
  readonly text: string;
}

/**
 * Sets each paragraph of spans as an item of a list: its lines begin `hang` points in, on the side where it is read from, and what marks it stands before its
 * first line. See {@link setSpans}.
 */
export function setList(
  spans: readonly LetteredSpan[],
  style: LineStyle,
  { list, hang }: ListStyle,
  width: number,
  fonts: Fonts,
): SetText {
  const markers = listMarkers(spans.map(({ text }) => text).join(''), list);
  const lines: SetLine[] = [];
  const missing = new Set<string>();
  let top = 0;
  let widest = 0;
  paragraphsOf(spans).forEach((part, k) => {
    const set = setSpans(part.spans, style, width - hang, fonts);
    const fromLeft = levelsOf(part.text, style.direction).ofParagraph(0) % 2 === 0;
    const [first, ...others] = set.lines.map((line) =>
      carried(line, fromLeft ? hang : 0, top, part),
    );
    const marker = markers[k];
    lines.push(
      marker === null
        ? first
        : beside(first, markerOf(part, marker, fonts), { fromLeft, hang, width }),
      ...others,
    );
    for (const sign of set.missing) missing.add(sign);
    top += set.height;
    widest = Math.max(widest, set.width + hang);
  });
  return { lines, width: widest, height: top, missing: [...missing] };
}

/** Spans cut at the ends of their paragraphs. */
function paragraphsOf(spans: readonly LetteredSpan[]): Part[] {
  const parts: Part[] = [];
  let part: { spans: LetteredSpan[]; numbers: number[] } = { spans: [], numbers: [] };
  let [from, at] = [0, 0];
  const close = (): void => {
    const text = part.spans.map((span) => span.text).join('');
    parts.push({ ...part, from, text });
    part = { spans: [], numbers: [] };
  };
  spans.forEach((span, number) => {
    span.text.split('\n').forEach((text, k) => {
      if (k > 0) {
        close();
        from = ++at;
      }
      part.spans.push({ ...span, text });
      part.numbers.push(number);
      at += text.length;
    });
  });
  close();
  return parts;
}

/** A line of a part in its place in the whole. */
const carried = (line: SetLine, x: number, top: number, { from, numbers }: Part): SetLine => ({
  ...line,
  baseline: line.baseline + top,
  from: line.from + from,
  to: line.to + from,
  runs: line.runs.map((run) => ({
    ...run,
    span: numbers[run.span],
    place: thenMatrix(run.place, moveBy({ x, y: -top })),
  })),
});

/** What marks a paragraph, as large as its first letter, set by itself. */
interface SetMarker extends Pick<SetLine, 'runs' | 'width'> {
  /** Between it and the text, points. */
  readonly gap: number;
}

function markerOf({ spans, numbers }: Part, marker: string, fonts: Fonts): SetMarker {
  const k = Math.max(
    0,
    spans.findIndex(({ text }) => text !== ''),
  );
  const style = { leading: 1, align: 'start', direction: 'ltr' } as const;
  const { face, size } = spans[k];
  const [{ runs, width }] = setSpans([{ face, size, text: marker }], style, Infinity, fonts).lines;
  return {
    runs: runs.map((run) => ({ ...run, span: numbers[k] })),
    width,
    gap: LIST_GAP * spans[k].size,
  };
}

/** A line with what marks its paragraph before it, on the side where it is read from. */
function beside(
  line: SetLine,
  { runs, width: wide, gap }: SetMarker,
  { fromLeft, hang, width }: { fromLeft: boolean; hang: number; width: number },
): SetLine {
  const x = fromLeft ? hang - gap - wide : width - hang + gap;
  const place = [1, 0, 0, 1, Math.round(100 * x) / 100, -line.baseline] as const;
  const placed = runs.map((run) => ({ ...run, place }));
  return { ...line, runs: fromLeft ? [...placed, ...line.runs] : [...line.runs, ...placed] };
}
