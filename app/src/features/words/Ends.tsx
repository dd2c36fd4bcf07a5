import type { Page } from '@marginalis/core/document';
import {
  displayMatrix,
  displaySize,
  lerp,
  subtract,
  add,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { placeNear, type Quad, quadsOf } from '@marginalis/core/print';
import { type KeyboardEvent, type PointerEvent, useEffect, useRef } from 'react';
import type { WordEnd } from '@/session';
import { useReader } from '@/shell';
import { Grip } from '@/stage';
import { type PagePart, partsBetween } from './partsBetween';
import { stepped, wayOf } from './stepped';

/** What is seen of a grip, and how far it stands off from the words, CSS pixels. */
const SEEN = 11;
const OFF = 8;
/** So near the edge of the window the paper moves on beneath what is dragged, CSS pixels; by so many every so many ms. */
const EDGE = 36;
const SCROLLED = 7;
const EVERY = 16;

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
export function Ends({ index, parts, of, within, onChange }: EndsProps) {
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

interface EndProps extends Pick<EndsProps, 'index' | 'within' | 'onChange'> {
  readonly side: 'start' | 'end';
  readonly name: string;
  readonly part: PagePart;
  readonly own: WordEnd;
  readonly other: WordEnd;
}

/** A drag: from what other end, how far what is meant lies from the pointer, and where the pointer is. */
interface Drag {
  readonly other: WordEnd;
  readonly off: Vec;
  client: Vec;
  timer?: ReturnType<typeof setInterval>;
}

function End({ index, within, onChange, side, name, part, own, other }: EndProps) {
  const { session, stage } = useReader();
  const drag = useRef<Drag | null>(null);
  const now = useRef<readonly PagePart[] | null>(null);
  useEffect(() => () => clearInterval(drag.current?.timer), []);
  const { page } = part;
  const quads = quadsOf(part.print, part.range);
  const corner = cornerOf(side === 'start' ? quads[0] : quads[quads.length - 1], side);
  const seen = transform(displayMatrix(page), corner);
  const { width, height } = displaySize(page);
  const pages = (): readonly Page[] => session.store.getState().document.pages;
  const printOf = (one: Page) => (one.id === page.id ? part.print : session.print.known(one));

  const show = (to: WordEnd, from: WordEnd, done: boolean): void => {
    const next = partsBetween(pages(), printOf, from, to);
    if (next.length === 0) return;
    now.current = next;
    onChange(next, done);
  };
  const follow = (): void => {
    const { current } = drag;
    if (!current) return;
    const { x, y } = current.client;
    const at = add(stage.fromClient(x, y), current.off);
    const hit = stage.pageAt(at);
    const on = hit && !within ? hit.index : index;
    const onPage = pages()[on];
    const print = onPage && printOf(onPage);
    // It will be known when the pointer moves on.
    if (!print) return void (onPage && session.print.of(onPage).catch(() => undefined));
    const place = placeNear(print, stage.toUser(on, at));
    if (place !== null) show({ page: on, place }, current.other, false);
  };
  const scroll = (): void => {
    const { current } = drag;
    if (!current) return;
    const { y } = stage.fromClient(current.client.x, current.client.y);
    const by = y < EDGE ? SCROLLED : y > stage.getView().height - EDGE ? -SCROLLED : 0;
    if (by === 0) return;
    stage.pan(0, by);
    follow();
  };
  const begin = (e: PointerEvent<HTMLDivElement>): void => {
    e.currentTarget.setPointerCapture(e.pointerId);
    stage.locate();
    const meant = transform(stage.userToView(index), middleOf(quads, side));
    const client = { x: e.clientX, y: e.clientY };
    const off = subtract(meant, stage.fromClient(client.x, client.y));
    drag.current = { other, off, client, timer: setInterval(scroll, EVERY) };
  };
  const end = (): void => {
    clearInterval(drag.current?.timer);
    drag.current = null;
    if (now.current) onChange(now.current, true);
    now.current = null;
  };
  const onKey = (e: KeyboardEvent): void => {
    const way = wayOf(e.key);
    if (!way) return;
    e.preventDefault();
    e.stopPropagation();
    // The end of a word belongs to it, not to the next.
    const from = side === 'end' ? { ...own, place: own.place - 1 } : own;
    const to = stepped(pages(), printOf, from, way, side);
    if (to && !(within && to.page !== index)) show(to, other, true);
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
      onPointerDown={begin}
      onPointerMove={(e) => {
        if (!drag.current) return;
        drag.current.client = { x: e.clientX, y: e.clientY };
        follow();
      }}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={onKey}
    />
  );
}

/** Where a grip belongs: above the first line's beginning, beneath the last one's end. */
const cornerOf = ([headStart, , , footEnd]: Quad, side: 'start' | 'end'): Vec =>
  side === 'start' ? headStart : footEnd;

/** The place meant by a grip: half-way up its line, where no other line is nearer. */
function middleOf(quads: readonly Quad[], side: 'start' | 'end'): Vec {
  const [headStart, headEnd, footStart, footEnd] =
    side === 'start' ? quads[0] : quads[quads.length - 1];
  return side === 'start' ? lerp(headStart, footStart, 0.5) : lerp(headEnd, footEnd, 0.5);
}
