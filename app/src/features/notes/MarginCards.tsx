import type { ListedNote } from '@marginalis/core/derived';
import { placeCards } from '@marginalis/core/margin';
import { useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useSessionState, useSettings } from '@/session';
import { useReader } from '@/shell';
import { useSight } from '@/stage';
import { Area, useReducedMotion } from '@/ui';
import { type NoteBeside, notesBeside } from './besidePage';
import { FoldedCard } from './FoldedCard';
import { NoteCard } from './NoteCard';
import { light, notesHeld } from './notesHeld';

/** Between two cards, CSS pixels; how high a card is before it has been measured; where its line meets it. */
const GAP = 8;
const USUAL = 64;
const MEETS = 20;
/** How long cards take to make room for each other, ms. */
const MAKING_ROOM = 180;
/** Lines reach from here over the pages: beyond any window, CSS pixels. */
const FAR = 6000;

interface MarginCardsProps {
  readonly notes: readonly ListedNote[];
  readonly nameOf: (page: number) => string;
  readonly onJump: (note: ListedNote) => void;
}

/**
 * Cards beside the page, each at the height of what it is about, in order, none over another; the chosen one is open and level with its place. A hairline leads from
 * the place to the card. What scrolls with the page is moved as a whole: only another zoom, other cards and other heights place them anew.
 */
export function MarginCards({ notes, nameOf, onJump }: MarginCardsProps) {
  const { stage } = useReader();
  const { colors } = useTheme();
  const isStill = useReducedMotion();
  const document = useSessionState((s) => s.document);
  const fromRight = useSettings((s) => s.hand) === 'right';
  const { chosen, lit } = useStore(notesHeld);
  const sight = useSight();
  const { first, last, zoom } = sight;
  const column = useRef<HTMLDivElement>(null);
  const sheet = useRef<HTMLDivElement>(null);
  /** So much the cards are moved beyond the pages, CSS pixels. */
  const slip = useRef(0);
  const [heights, setHeights] = useState<ReadonlyMap<string, number>>(new Map());
  /**
   * How far the column stands from the corner of the first page, how wide it is, and how far below that corner it begins when the pages are at their head, CSS
   * pixels.
   */
  const [corner, setCorner] = useState({ x: 0, width: 0, head: 0 });
  /** So much the chosen card stands higher than its place, where the foot of the window would cut it, CSS pixels. */
  const [lift, setLift] = useState(0);
  const beside = useMemo(
    () => notesBeside(notes, document, stage, fromRight),
    // What of the sight it depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [notes, document, stage, fromRight, first, last, zoom, sight.view],
  );
  const tops = useMemo(() => {
    const wanted = beside.map(({ note, place }) => ({
      at:
        note.thread.id === chosen ? Math.max(corner.head, place.y - MEETS - lift) : place.y - MEETS,
      height: heights.get(note.thread.id) ?? USUAL,
    }));
    const at = beside.findIndex(({ note }) => note.thread.id === chosen);
    return placeCards(wanted, GAP, at < 0 ? null : at, corner.head);
  }, [beside, heights, chosen, lift, corner.head]);
  const chosenAt = beside.find(({ note }) => note.thread.id === chosen)?.place.y;
  const chosenHeight = chosen === null ? undefined : heights.get(chosen);
  useLayoutEffect(() => {
    const { current } = column;
    if (!current || chosenAt === undefined || chosenHeight === undefined) return setLift(0);
    const rect = current.getBoundingClientRect();
    const head = stage.fromClient(rect.left, rect.top).y - stage.cornerOf(0)[1];
    const over = chosenAt - MEETS + chosenHeight - (head + rect.height);
    setLift(Math.max(0, Math.min(over, chosenAt - MEETS - head)));
    // As the window is when it is chosen: it stays there while the page is moved.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosen, chosenHeight]);

  useLayoutEffect(() => {
    // Both may have been moved by something that opened elsewhere.
    let at = stage.cornerOf(0)[1];
    const follow = (): void => {
      const { current } = column;
      if (!current || !sheet.current) return;
      const rect = current.getBoundingClientRect();
      const { x, y } = stage.fromClient(rect.left, rect.top);
      const [left, top] = stage.cornerOf(0);
      // Where cards run over what scrolls with the page they are brought nearer by themselves.
      if (top !== at) slip.current = 0;
      at = top;
      sheet.current.style.transform = `translateY(${top - y + slip.current}px)`;
      const camera = stage.getCamera();
      const next = {
        x: Math.round(x - left),
        width: current.offsetWidth,
        head: Math.round(y - top - camera.y * camera.zoom),
      };
      setCorner((before) =>
        before.x === next.x && before.width === next.width && before.head === next.head
          ? before
          : next,
      );
    };
    stage.locate();
    follow();
    const resized = new ResizeObserver(() => {
      stage.locate();
      follow();
    });
    if (column.current) resized.observe(column.current);
    const ended = stage.subscribe(follow);
    const onWheel = (e: WheelEvent): void => {
      const { current } = column;
      if (!current) return;
      e.preventDefault();
      const [, before] = stage.cornerOf(0);
      stage.pan(0, -e.deltaY);
      // The pages are at their end: what is out of sight still comes.
      if (stage.cornerOf(0)[1] !== before) return;
      slip.current += slipBy(current, -e.deltaY);
      follow();
    };
    const held = column.current;
    held?.addEventListener('wheel', onWheel, { passive: false });
    return () => {
      held?.removeEventListener('wheel', onWheel);
      resized.disconnect();
      ended();
    };
  }, [stage, beside]);

  const measure = useCallback((id: string, height: number): void => {
    setHeights((before) => (before.get(id) === height ? before : new Map(before).set(id, height)));
  }, []);
  const open = useCallback(({ thread }: ListedNote): void => {
    notesHeld.setState({ chosen: thread.id });
  }, []);
  const fold = useCallback((): void => notesHeld.setState({ chosen: null }), []);

  return (
    <Area
      ref={column}
      role="group"
      aria-label="Notes beside the page"
      style={{
        position: 'relative',
        flex: 1,
        minHeight: 0,
        // Lines reach out over the pages; above and below nothing does.
        clipPath: fromRight ? `inset(0 0 0 -${FAR}px)` : `inset(0 -${FAR}px 0 0)`,
      }}
    >
      <Area ref={sheet} style={{ position: 'absolute', left: 0, right: 0, top: 0 }}>
        <Lines
          beside={beside}
          tops={tops}
          corner={corner.x}
          width={corner.width}
          fromRight={fromRight}
          bold={[chosen, lit]}
          colours={{ bold: colors.primary, pale: colors.outline }}
        />
        {beside.map(({ note }, k) => {
          const { id } = note.thread;
          const isChosen = id === chosen;
          return (
            <Measured
              key={id}
              id={id}
              top={tops[k]}
              eased={!isStill}
              above={isChosen}
              onHeight={measure}
            >
              {isChosen ? (
                <NoteCard note={note} nameOf={nameOf} chosen onJump={onJump} onFold={fold} />
              ) : (
                <FoldedCard note={note} lit={id === lit} onOpen={open} />
              )}
            </Measured>
          );
        })}
      </Area>
    </Area>
  );
}

/** How far cards are moved beyond the pages: until the last one's foot, or the first one's head, is in the column. */
function slipBy(column: HTMLElement, by: number): number {
  const { top, bottom } = column.getBoundingClientRect();
  const cards = [...column.querySelectorAll('[data-card]')].map((card) =>
    card.getBoundingClientRect(),
  );
  const head = Math.min(...cards.map((card) => card.top));
  const foot = Math.max(...cards.map((card) => card.bottom));
  return Math.max(Math.min(0, bottom - foot - GAP), Math.min(Math.max(0, top - head + GAP), by));
}

/** A card where it stands; tells how high it is. */
function Measured(props: {
  id: string;
  top: number;
  eased: boolean;
  above: boolean;
  onHeight: (id: string, height: number) => void;
  children: React.ReactNode;
}) {
  const { id, top, eased, above, onHeight, children } = props;
  const element = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    const { current } = element;
    if (!current) return undefined;
    const tell = (): void => onHeight(id, current.offsetHeight);
    tell();
    const resized = new ResizeObserver(tell);
    resized.observe(current);
    return () => resized.disconnect();
  }, [id, onHeight]);
  return (
    <Area
      ref={element}
      data-card={id}
      onPointerEnter={() => light(id, true)}
      onPointerLeave={() => light(id, false)}
      style={{
        position: 'absolute',
        left: 0,
        right: 0,
        top: 0,
        transform: `translateY(${top}px)`,
        transition: eased ? `transform ${MAKING_ROOM}ms ease-out` : undefined,
        zIndex: above ? 2 : 1,
      }}
    >
      {children}
    </Area>
  );
}

/** Hairlines from the edge of the page to the cards; of a note that is chosen or lit from its place. */
function Lines(props: {
  beside: readonly NoteBeside[];
  tops: readonly number[];
  /** How far the column stands from the corner of the first page, and how wide it is. */
  corner: number;
  width: number;
  fromRight: boolean;
  bold: readonly (string | null)[];
  colours: { readonly bold: string; readonly pale: string };
}) {
  const { beside, tops, corner, width, fromRight, bold, colours } = props;
  const end = fromRight ? 0 : width;
  return (
    <svg
      aria-hidden
      style={{
        position: 'absolute',
        left: 0,
        top: 0,
        width: 1,
        height: 1,
        overflow: 'visible',
        pointerEvents: 'none',
      }}
    >
      {beside.map(({ note, place, edge }, k) => {
        const isBold = bold.includes(note.thread.id);
        const at = place.x - corner;
        const side = edge - corner;
        // A page that is wider than the window ends where that does.
        const turn = fromRight ? Math.min(side, -GAP) : Math.max(side, end + GAP);
        const from = isBold ? `M${at} ${place.y}L${turn} ${place.y}` : `M${turn} ${place.y}`;
        return (
          <path
            key={note.thread.id}
            d={`${from}L${end} ${tops[k] + MEETS}`}
            fill="none"
            stroke={isBold ? colours.bold : colours.pale}
            strokeWidth={isBold ? 1.25 : 0.75}
          />
        );
      })}
    </svg>
  );
}
