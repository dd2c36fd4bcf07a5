import { type DocState, markChange, nextOrder, type Transaction } from '../document/index.ts';
import type { Vec } from '../geometry/index.ts';
import type { TextMark } from '../kinds/index.ts';
import type { MarkId, PageId, TextInstrument } from '../marks/index.ts';
import { type LetterStyle, type List, restyled, textOfSpans } from '../type/index.ts';

export interface NewText {
  readonly id: MarkId;
  readonly page: PageId;
  readonly instrument: TextInstrument;
  /** The upper left corner of its box, in user space, and the direction its lines run in, anticlockwise, radians. */
  readonly at: Vec;
  readonly angle: number;
  /** Of its lines, points. */
  readonly width: number;
  /** So far in the first line begins, points. */
  readonly indent?: number;
  /** Of its lines, where the instrument's boxes keep their height; that of one line when left out, points. */
  readonly height?: number;
  /** What a callout points at, in user space. */
  readonly pointsAt?: Vec;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  /** Nobody when left out or empty. */
  readonly author?: string;
}

/** How letters of an instrument look. */
const lettersOf = ({
  family,
  size,
  bold,
  italic,
  underline,
  colour,
}: TextInstrument): LetterStyle => ({ family, size, bold, italic, underline, colour });

/** Length of the barbs of a callout's arrowhead, points. */
const HEAD = 7;

/** An empty text box, as it is begun: no mark of the document yet. */
export function emptyText(state: DocState, text: NewText): TextMark {
  const { id, page, instrument, at, angle, width, indent = 0, pointsAt, madeAt, author } = text;
  const { size, leading, align, padding, background, border, colour, cell, list } = instrument;
  const height = instrument.fits ? (text.height ?? size * leading) : size * leading;
  return {
    kind: 'text',
    id,
    page,
    order: nextOrder(state, page),
    style: { colour, width: 1, opacity: 1 },
    madeAt,
    ...(author ? { author } : {}),
    at,
    angle,
    block: {
      spans: [{ text: '', style: lettersOf(instrument) }],
      width,
      align,
      leading,
      ...(indent > 0 ? { indent } : {}),
      ...(cell > 0 ? { cell } : {}),
      ...(list === 'none' ? {} : { list }),
      ...(instrument.fits ? { fit: height } : {}),
    },
    height,
    padding,
    background,
    border,
    ...(pointsAt ? { leader: { to: pointsAt, bend: null, head: HEAD } } : {}),
  };
}

/** A text box says nothing that could be seen. */
const isEmptyText = ({ block }: TextMark): boolean => textOfSpans(block.spans).trim() === '';

/**
 * Makes a text box of what has been typed: a new one where there was none, none where it says nothing any more. Null when nothing has changed.
 * @param before as the document has it; null where it has none yet
 */
export function keepText(before: TextMark | null, after: TextMark): Transaction | null {
  if (isEmptyText(after))
    return before
      ? { label: 'Remove an empty text box', changes: [markChange(before, null)] }
      : null;
  if (!before) return { label: 'Type', changes: [markChange(null, after)] };
  return before === after || isSame(before, after)
    ? null
    : { label: 'Type', changes: [markChange(before, after)] };
}

const isSame = (a: TextMark, b: TextMark): boolean => JSON.stringify(a) === JSON.stringify(b);

/** What of a text box's look can be changed at once. */
export type TextLookChange = Partial<Omit<TextInstrument, 'id' | 'kind' | 'name'>>;

const LETTERS = ['family', 'size', 'bold', 'italic', 'underline', 'colour'] as const;

/** A text box that looks otherwise, all of it; how high it is then is still to be set. */
export function relookText(mark: TextMark, change: TextLookChange): TextMark {
  const letters = Object.fromEntries(
    LETTERS.flatMap((name) => (change[name] === undefined ? [] : [[name, change[name]]])),
  ) as Partial<LetterStyle>;
  const { spans } = mark.block;
  const text = textOfSpans(spans);
  const { cell: wasCell = 0, list: wasList = 'none', fit, ...block } = mark.block;
  const { align = block.align, leading = block.leading } = change;
  const { cell = wasCell, list = wasList, fits = fit !== undefined } = change;
  return {
    ...mark,
    style: { ...mark.style, colour: change.colour ?? mark.style.colour },
    block: {
      ...block,
      spans: restyled(spans, 0, text.length, letters),
      align,
      leading,
      ...(cell > 0 ? { cell } : {}),
      ...(list === 'none' ? {} : { list }),
      ...(fits ? { fit: fit ?? mark.height } : {}),
    },
    padding: change.padding ?? mark.padding,
    background: change.background === undefined ? mark.background : change.background,
    border: change.border ?? mark.border,
  };
}

/** How a text box looks, by its first letters. */
export function lookOfText({ block, padding, background, border }: TextMark) {
  const [{ style }] = block.spans;
  const { align, leading, cell = 0, fit } = block;
  const list: List | 'none' = block.list ?? 'none';
  const fits = fit !== undefined;
  return { ...style, align, leading, cell, list, fits, padding, background, border };
}

/** Text boxes become others in one step; null when nothing changes. */
export function changeTexts(
  pairs: readonly (readonly [before: TextMark, after: TextMark])[],
  label = 'Change the text’s look',
): Transaction | null {
  const changes = pairs
    .filter(([before, after]) => !isSame(before, after))
    .map(([before, after]) => markChange(before, after));
  return changes.length > 0 ? { label, changes } : null;
}
