import { type ListedNote, listNotes } from '@marginalis/core/derived';
import type { Page } from '@marginalis/core/document';
import {
  boxCentre,
  boxOfPoints,
  displayMatrix,
  displaySize,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { asNote } from '@marginalis/core/kinds';
import { placeInOrder } from '@marginalis/core/margin';
import { memo, useMemo } from 'react';
import { useTheme } from 'react-native-paper';
import { useSessionState } from '@/session';
import { useReader } from '@/shell';
import { usePageSeen, useSight } from '@/stage';
import { Area, FONT } from '@/ui';
import { NOTES } from './ids';
import { notesHeld } from './notesHeld';

/** What can be touched of a sign, and what is seen of it, CSS pixels. */
const TOUCH = 44;
const SEEN = 18;
/** So much of a note is in the name of its sign. */
const SAID = 80;

/** Between two signs, and between them and the edge of the page, CSS pixels. */
const GAP = 2;
const EDGE = 4;

interface Sign {
  readonly note: ListedNote;
  /** Its middle, as the page is seen, points. */
  readonly at: Vec;
}

/**
 * Where the numbers of a page's notes stand: those on words and marks in the margin nearer to them, at the height of their first line, one beneath the other; those on places there.
 */
function signsOn(notes: readonly ListedNote[], page: Page, zoom: number): Sign[] {
  const { width, height } = displaySize(page);
  const display = displayMatrix(page);
  const signs: Sign[] = [];
  const sides: { x: number; waiting: { note: ListedNote; y: number }[] }[] = [
    { x: (EDGE + SEEN / 2) / zoom, waiting: [] },
    { x: width - (EDGE + SEEN / 2) / zoom, waiting: [] },
  ];
  for (const note of notes) {
    if (!note.about) continue;
    const own = asNote(note.about.mark);
    const { box, at } = note.about;
    if (own && own.quads.length === 0) signs.push({ note, at: transform(display, own.at) });
    else {
      const quad = own?.quads[0].map((corner) => transform(display, corner));
      const y = quad ? boxCentre(boxOfPoints(quad)).y : box.minY;
      const x = quad ? quad[0].x : at.x;
      sides[x < width / 2 ? 0 : 1].waiting.push({ note, y });
    }
  }
  for (const { x, waiting } of sides) {
    const sorted = waiting.sort((a, b) => a.y - b.y);
    const heads = placeInOrder(
      sorted.map(({ y }) => ({ at: y, height: SEEN / zoom })),
      GAP / zoom,
      // Places are the middles of signs.
      { from: (EDGE + SEEN / 2) / zoom, to: height + (SEEN / 2 - EDGE) / zoom },
    );
    sorted.forEach(({ note }, k) => signs.push({ note, at: { x, y: heads[k] } }));
  }
  return signs.sort((a, b) => a.note.number - b.note.number);
}

/** The numbers of a page's notes; a tap leads to the card, a pen writes through. */
export const NoteSigns = memo(function NoteSigns({ index }: { index: number }) {
  const notes = useSessionState((s) => listNotes(s.document));
  const page = usePageSeen(index);
  const { zoom } = useSight();
  const signs = useMemo(
    () =>
      page
        ? signsOn(
            notes.filter(({ about }) => about?.page === index),
            page,
            zoom,
          )
        : [],
    [notes, page, index, zoom],
  );
  if (!page) return null;
  const { width, height } = displaySize(page);
  return signs.map(({ note, at }) => (
    <NoteSign
      key={note.thread.id}
      note={note}
      left={`${(100 * at.x) / width}%`}
      top={`${(100 * at.y) / height}%`}
    />
  ));
});

function NoteSign({ note, left, top }: { note: ListedNote; left: string; top: string }) {
  const { thread, number } = note;
  const { shell } = useReader();
  const { colors } = useTheme();
  const open = (): void => {
    notesHeld.setState({ chosen: thread.id });
    shell.openPanel('margin', NOTES);
  };
  const settled = thread.settled ? ', settled' : '';
  return (
    <Area
      data-control
      data-chip
      data-note={number}
      role="button"
      tabIndex={0}
      aria-label={`Note ${number}${settled}: ${thread.remarks[0].text.slice(0, SAID)}`}
      onClick={open}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' && e.key !== ' ') return;
        e.preventDefault();
        open();
      }}
      style={{
        position: 'absolute',
        left: `calc(${left} - ${TOUCH / 2}px)`,
        top: `calc(${top} - ${TOUCH / 2}px)`,
        width: TOUCH,
        height: TOUCH,
        display: 'flex',
        alignItems: 'center',
        justifyContent: 'center',
        cursor: 'pointer',
        zIndex: 2,
      }}
    >
      <Area
        style={{
          minWidth: SEEN,
          height: SEEN,
          boxSizing: 'border-box',
          padding: '0 4px',
          borderRadius: 3,
          border: `1px solid ${colors.primary}`,
          background: thread.settled ? colors.surface : colors.primary,
          color: thread.settled ? colors.primary : colors.onPrimary,
          font: `12px/${SEEN - 2}px ${FONT.bold}`,
          textAlign: 'center',
        }}
      >
        {number}
      </Area>
    </Area>
  );
}
