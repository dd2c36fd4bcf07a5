import { type LetterStyle, type Span, textOfSpans } from './textBlock.ts';

const isSame = (a: LetterStyle, b: LetterStyle): boolean =>
  a.family === b.family &&
  a.size === b.size &&
  a.bold === b.bold &&
  a.italic === b.italic &&
  a.underline === b.underline &&
  a.colour === b.colour;

/** Spans as few as say the same; one at least, which may be empty: it keeps how letters look. */
export function joined(spans: readonly Span[]): Span[] {
  const out: Span[] = [];
  for (const span of spans) {
    const last = out[out.length - 1];
    if (last && isSame(last.style, span.style))
      out[out.length - 1] = { ...last, text: last.text + span.text };
    else if (span.text !== '') out.push(span);
  }
  return out.length > 0 ? out : spans.slice(0, 1).map(({ style }) => ({ text: '', style }));
}

/** The part of spans between two places of their text. */
export function spansBetween(spans: readonly Span[], from: number, to: number): Span[] {
  let at = 0;
  return spans.flatMap(({ text, style }) => {
    const part = text.slice(Math.max(0, from - at), Math.max(0, to - at));
    at += text.length;
    return part === '' ? [] : [{ text: part, style }];
  });
}

/** How what is typed at a place looks: like what stands before it. */
export function styleAt(spans: readonly Span[], place: number): LetterStyle {
  let at = 0;
  for (const { text, style } of spans) {
    at += text.length;
    if (at >= place && (text !== '' || spans.length === 1)) return style;
  }
  return spans[spans.length - 1].style;
}

/** Spans with other text in a place of theirs; it looks like what stands before it, or as `style` says. */
export function replaced(
  spans: readonly Span[],
  from: number,
  to: number,
  text: string,
  style: LetterStyle = styleAt(spans, from === 0 && to > 0 ? 1 : from),
): Span[] {
  const rest = spansBetween(spans, to, textOfSpans(spans).length);
  const parts = [...spansBetween(spans, 0, from), { text, style }, ...rest];
  return joined(parts.some((part) => part.text !== '') ? parts : [{ text: '', style }]);
}

/** How many units at the head and at the foot two texts have in common. */
export function sameEnds(a: string, b: string): { readonly head: number; readonly foot: number } {
  const most = Math.min(a.length, b.length);
  let head = 0;
  while (head < most && a[head] === b[head]) head++;
  let foot = 0;
  while (foot < most - head && a[a.length - 1 - foot] === b[b.length - 1 - foot]) foot++;
  return { head, foot };
}

/** Spans that say another text: what is the same at its head and its foot keeps its look. */
export function retyped(spans: readonly Span[], text: string): readonly Span[] {
  const before = textOfSpans(spans);
  if (before === text) return spans;
  const { head, foot } = sameEnds(before, text);
  return replaced(spans, head, before.length - foot, text.slice(head, text.length - foot));
}

/** Spans of which a part looks otherwise. */
export function restyled(
  spans: readonly Span[],
  from: number,
  to: number,
  change: Partial<LetterStyle>,
): Span[] {
  const length = textOfSpans(spans).length;
  if (length === 0)
    return spans.map(({ text, style }) => ({ text, style: { ...style, ...change } }));
  return joined([
    ...spansBetween(spans, 0, from),
    ...spansBetween(spans, from, to).map(({ text, style }) => ({
      text,
      style: { ...style, ...change },
    })),
    ...spansBetween(spans, to, length),
  ]);
}
