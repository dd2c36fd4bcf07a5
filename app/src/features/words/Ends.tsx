import type { Page } from '@marginalis/core/document';
import { displayMatrix, displaySize, lerp, transform, type Vec } from '@marginalis/core/geometry';
import { type Quad, quadsOf } from '@marginalis/core/print';
import type { KeyboardEvent } from 'react';
import type { WordEnd } from '@/session';
import { useReader } from '@/shell';
import { Grip } from '@/stage';
import { dragEnd } from './dragEnd';
import { type PagePart, partsBetween } from './partsBetween';
import { stepped, wayOf } from './stepped';

/** What is seen of a grip, and how far it stands off from the words, CSS pixels. */
const SEEN = 11;
const OFF = 8;
interface EndsProps {
  /** The page these stand on, from 0. */
  readonly index: number;
  /** All words, page by page. */
  readonly parts: readonly PagePart[];
  /** What they are the ends of. */
  readonly of: string;
  /** Only on pages there already are; others are not gone over. */
  readonly within?: boolean;
  /** `done` when the end is let go. */
  readonly onChange: (parts: readonly PagePart[], done: boolean) => void;
}

/** Grips at both ends of words, by which they become more or fewer: with the pointer, or with the arrow keys. */
export function Ends({ index, parts, of, within = false, onChange }: EndsProps) {
  const [first, last] = [parts[0], parts[parts.length - 1]];
  const start = { page: first.index, place: first.range.from };
  const end = { page: last.index, place: last.range.to };
  const common = { index, within, onChange };
  return (
    <>
      {first.index === index && (
        <End
          {...common}
          side="start"
          name={`Start of ${of}`}
          part={first}
          own={start}
          other={end}
        />
      )}
      {last.index === index && (
        <End {...common} side="end" name={`End of ${of}`} part={last} own={end} other={start} />
      )}
    </>
  );
}

interface EndProps extends Pick<EndsProps, 'index' | 'onChange'> {
  readonly within: boolean;
  readonly side: 'start' | 'end';
  readonly name: string;
  readonly part: PagePart;
  readonly own: WordEnd;
  readonly other: WordEnd;
}

function End({ index, within, onChange, side, name, part, own, other }: EndProps) {
  const reader = useReader();
  const { session } = reader;
  const { page } = part;
  const quads = quadsOf(part.print, part.range);
  const quad = side === 'start' ? quads[0] : quads[quads.length - 1];
  const seen = transform(displayMatrix(page), cornerOf(quad, side));
  const { width, height } = displaySize(page);
  const printOf = (one: Page) => (one.id === page.id ? part.print : session.print.known(one));

  const onKey = (e: KeyboardEvent): void => {
    const way = wayOf(e.key);
    if (!way) return;
    e.preventDefault();
    e.stopPropagation();
    const { pages } = session.store.getState().document;
    // The end of a word belongs to it, not to the next.
    const from = side === 'end' ? { ...own, place: own.place - 1 } : own;
    const to = stepped(pages, printOf, from, way, side);
    if (!to || (within && to.page !== index)) return;
    onChange(partsBetween(pages, printOf, to, other), true);
  };
  const sign = side === 'start' ? '-' : '+';
  return (
    <Grip
      id={side}
      name={name}
      left={`(${(100 * seen.x) / width}% ${sign} ${OFF / 2}px)`}
      top={`(${(100 * seen.y) / height}% ${sign} ${OFF}px)`}
      seen={SEEN}
      round
      filled
      cursor="ew-resize"
      zIndex={3}
      onPointerDown={(e) =>
        dragEnd(reader, e.nativeEvent, {
          index,
          meant: middleOf(quad, side),
          other,
          within,
          printOf,
          onChange,
        })
      }
      onKeyDown={onKey}
    />
  );
}

/** Where a grip belongs: above the first line's beginning, beneath the last one's end. */
const cornerOf = ([headStart, , , footEnd]: Quad, side: 'start' | 'end'): Vec =>
  side === 'start' ? headStart : footEnd;

/** The place meant by a grip: half-way up its line, where no other line is nearer. */
const middleOf = ([headStart, headEnd, footStart, footEnd]: Quad, side: 'start' | 'end'): Vec =>
  side === 'start' ? lerp(headStart, footStart, 0.5) : lerp(headEnd, footEnd, 0.5);
