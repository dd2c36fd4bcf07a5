import { boundsOf } from '@marginalis/core/derived';
import { findMark } from '@marginalis/core/document';
import { displayMatrix, displaySize, growBox, transformBox } from '@marginalis/core/geometry';
import { useEffect, useRef } from 'react';
import { useTheme } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';
import { usePageSeen } from '@/stage';
import { Area, useReducedMotion } from '@/ui';

const ROOM = 8;
const TIME = 1600;

/** A frame around the mark that was gone to, for a moment. */
export function Pulse({ index }: { index: number }) {
  const session = useSession();
  const pointed = useSessionState((s) => s.pointed);
  const page = usePageSeen(index);
  const mark = useSessionState((s) => (pointed ? findMark(s.document, pointed.id) : null));
  const frame = useRef<HTMLDivElement>(null);
  const still = useReducedMotion();
  const { colors } = useTheme();
  const isHere = mark !== null && mark.page === page?.id;
  useEffect(() => {
    if (!isHere || !pointed) return undefined;
    const end = setTimeout(() => session.inHand.point(null), TIME);
    if (!still)
      frame.current?.animate?.(
        [
          { opacity: 0, transform: 'scale(1.25)' },
          { opacity: 1, transform: 'scale(1)' },
          { opacity: 0.35 },
          { opacity: 1 },
          { opacity: 0 },
        ],
        { duration: TIME, fill: 'forwards' },
      );
    return () => clearTimeout(end);
  }, [isHere, pointed, session, still]);
  if (!isHere || !mark || !page) return null;
  const { width, height } = displaySize(page);
  const b = growBox(transformBox(displayMatrix(page), boundsOf(mark)), ROOM);
  return (
    <Area
      ref={frame}
      data-testid="pulse"
      aria-hidden
      style={{
        position: 'absolute',
        left: `${(100 * b.minX) / width}%`,
        top: `${(100 * b.minY) / height}%`,
        width: `${(100 * (b.maxX - b.minX)) / width}%`,
        height: `${(100 * (b.maxY - b.minY)) / height}%`,
        border: `2px solid ${colors.primary}`,
        borderRadius: 4,
        boxSizing: 'border-box',
        pointerEvents: 'none',
      }}
    />
  );
}
