import type { ListedNote } from '@marginalis/core/derived';
import { placeCards } from '@marginalis/core/margin';
import { useCallback, useLayoutEffect, useMemo, useState } from 'react';
import { useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useSessionState, useSettings } from '@/session';
import { useReader } from '@/shell';
import { useSight } from '@/stage';
import { Area, useReducedMotion } from '@/ui';
import { FOLDED, GAP, MEETS } from './cardMeasures';
import { crowdedPages, notesBeside } from './besidePage';
import { FoldedCard } from './FoldedCard';
import { NoteCard } from './NoteCard';
import { NoteLines } from './NoteLines';
import { notesHeld } from './notesHeld';
import { PlacedCard } from './PlacedCard';
import { useBesidePages } from './useBesidePages';

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
  const [heights, setHeights] = useState<ReadonlyMap<string, number>>(new Map());
  const { column, sheet, place: standing } = useBesidePages();
  /** So much the chosen card stands higher than its place, where the foot of the window would cut it, CSS pixels. */
  const [lift, setLift] = useState(0);
  const beside = useMemo(
    () => notesBeside(notes, document, stage, fromRight),
    // What of the sight it depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [notes, document, stage, fromRight, first, last, zoom, sight.view],
  );
  const crowded = useMemo(() => crowdedPages(beside, stage), [beside, stage]);
  const tops = useMemo(() => {
    const wanted = beside.map(({ note, place }) => ({
      at:
        note.thread.id === chosen
          ? Math.max(standing.head, place.y - MEETS - lift)
          : place.y - MEETS,
      height: heights.get(note.thread.id) ?? FOLDED,
    }));
    const at = beside.findIndex(({ note }) => note.thread.id === chosen);
    return placeCards(wanted, GAP, at < 0 ? null : at, standing.head);
  }, [beside, heights, chosen, lift, standing.head]);
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
        // Lines reach out over the pages; above and below nothing does, nor is there anything to scroll to.
        overflowY: 'clip',
      }}
    >
      <Area ref={sheet} style={{ position: 'absolute', left: 0, right: 0, top: 0 }}>
        <NoteLines
          beside={beside}
          tops={tops}
          column={standing}
          fromRight={fromRight}
          bold={[chosen, lit]}
          colours={{ bold: colors.primary, pale: colors.outline }}
        />
        {beside.map(({ note }, k) => {
          const { id } = note.thread;
          const isChosen = id === chosen;
          return (
            <PlacedCard
              key={id}
              id={id}
              top={tops[k]}
              eased={!isStill}
              above={isChosen}
              room={standing.height - 2 * GAP}
              onHeight={measure}
            >
              {isChosen ? (
                <NoteCard note={note} nameOf={nameOf} chosen onJump={onJump} onFold={fold} />
              ) : (
                <FoldedCard
                  note={note}
                  lit={id === lit}
                  brief={note.about !== null && crowded.has(note.about.page)}
                  onOpen={open}
                />
              )}
            </PlacedCard>
          );
        })}
      </Area>
    </Area>
  );
}
