import { type ListedNote, listNotes, remarkInWords, signPlace } from '@marginalis/core/derived';
import type { Page } from '@marginalis/core/document';
import { displayMatrix, displaySize, transform } from '@marginalis/core/geometry';
import { placeSigns } from '@marginalis/core/margin';
import { memo, useMemo } from 'react';
import { useTheme } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';
import { useReader } from '@/shell';
import { spotStyle, usePageSeen, useSight } from '@/stage';
import { Area, FONT } from '@/ui';
import { light, notesHeld, showNote } from './notesHeld';
import { useStore } from 'zustand';

/** What is seen of a sign, between two, and between them and the edge of the page, CSS pixels. */
const SEEN = 18;
const GAP = 2;
const EDGE = 4;
/** So much of a note is in the name of its sign. */
const SAID = 80;

/** The numbers of a page's notes; a tap leads to the card, a pen writes through. */
export const NoteSigns = memo(function NoteSigns({ index }: { index: number }) {
  const session = useSession();
  const notes = useSessionState((s) => listNotes(s.document));
  const page = usePageSeen(index);
  const { zoom } = useSight();
  const here = useMemo(() => notes.filter(({ about }) => about?.page === index), [notes, index]);
  if (!page || here.length === 0) return null;
  const { width, height } = displaySize(page);
  const own = session.store.getState().document.pages[index];
  return placed(here, own, page, zoom).map(({ note, x, y }) => (
    <NoteSign
      key={note.thread.id}
      note={note}
      left={`${(100 * x) / width}%`}
      top={`${(100 * y) / height}%`}
    />
  ));
});

/** The middles of the signs of notes on a page, as it is seen here, points; `own` is the page as the document has it. */
function placed(notes: readonly ListedNote[], own: Page, page: Page, zoom: number) {
  const display = displayMatrix(page);
  const wanted = notes.flatMap((note) => {
    if (!note.about) return [];
    const { at, inMargin } = signPlace(note.about, own);
    return [{ note, at: transform(display, at), inMargin }];
  });
  const room = { height: SEEN / zoom, gap: GAP / zoom, edge: EDGE / zoom };
  return placeSigns(wanted, displaySize(page), room).map(({ at, side }, k) => {
    const off = side === 'left' ? SEEN / 2 : side === 'right' ? -SEEN / 2 : 0;
    return { note: wanted[k].note, x: at.x + off / zoom, y: at.y };
  });
}

function NoteSign({ note, left, top }: { note: ListedNote; left: string; top: string }) {
  const { thread, number } = note;
  const reader = useReader();
  const { colors } = useTheme();
  const isLit = useStore(notesHeld, ({ lit }) => lit === thread.id);
  const open = (): void => showNote(reader, thread.id);
  const settled = thread.settled ? ', settled' : '';
  return (
    <Area
      data-control
      data-chip
      data-note={number}
      role="button"
      tabIndex={0}
      aria-label={`Note ${number}${settled}: ${remarkInWords(thread.remarks[0]).slice(0, SAID)}`}
      onClick={open}
      onPointerEnter={() => light(thread.id, true)}
      onPointerLeave={() => light(thread.id, false)}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' && e.key !== ' ') return;
        e.preventDefault();
        open();
      }}
      style={{ ...spotStyle(left, top), cursor: 'pointer', zIndex: 2 }}
    >
      <Area
        style={{
          minWidth: SEEN,
          height: SEEN,
          boxSizing: 'border-box',
          padding: '0 4px',
          borderRadius: 3,
          border: `1px solid ${colors.primary}`,
          boxShadow: isLit
            ? `0 0 0 2px ${colors.primaryContainer}, 0 0 0 3px ${colors.primary}`
            : undefined,
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
