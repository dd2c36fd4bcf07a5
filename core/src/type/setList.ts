import { moveBy, thenMatrix } from '../geometry/index.ts';
import { levelsOf } from './bidi.ts';
import type { Fonts } from './face.ts';
import { LIST_GAP, listMarkers } from './lists.ts';
import type { LetteredSpan } from './pieces.ts';
import type { List } from './textBlock.ts';
import { type LineStyle, setSpans, type SetLine, type SetText } from './setSpans.ts';

/** A part of spans: which they are, and what of them. */
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
  { list, hang }: { readonly list: Exclude<List, 'none'>; readonly hang: number },
  width: number,
  fonts: Fonts,
): SetText {
  const parts = paragraphsOf(spans);
  const markers = listMarkers(spans.map(({ text }) => text).join(''), list);
  const lines: SetLine[] = [];
  const missing = new Set<string>();
  let top = 0;
  let widest = 0;
  parts.forEach((part, k) => {
    const set = setSpans(part.spans, style, width - hang, fonts);
    const fromLeft = levelsOf(part.text, style.direction).ofParagraph(0) % 2 === 0;
    const aside = fromLeft ? hang : 0;
    set.lines.forEach((line, n) => {
      const own = carried(line, aside, top, part);
      const marker = n === 0 ? markers[k] : null;
      lines.push(marker === null ? own : marked(own, marker, part, fromLeft, width, hang, fonts));
    });
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

/** A line with what marks its paragraph before it. */
function marked(
  line: SetLine,
  marker: string,
  { spans, numbers }: Part,
  fromLeft: boolean,
  width: number,
  hang: number,
  fonts: Fonts,
): SetLine {
  const said = spans.findIndex(({ text }) => text !== '');
  const span = spans[Math.max(0, said)];
  const [set] = setSpans(
    [{ ...span, text: marker }],
    { leading: 1, align: 'start', direction: 'ltr' },
    Infinity,
    fonts,
  ).lines;
  const gap = LIST_GAP * span.size;
  const x = fromLeft ? hang - gap - set.width : width - hang + gap;
  const runs = set.runs.map((run) => ({
    ...run,
    span: numbers[Math.max(0, said)],
    place: [1, 0, 0, 1, Math.round(100 * x) / 100, -line.baseline] as const,
  }));
  return { ...line, runs: fromLeft ? [...runs, ...line.runs] : [...line.runs, ...runs] };
}
