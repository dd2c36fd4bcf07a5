import { displayMatrix, displaySize, type PageBox, transform } from '@marginalis/core/geometry';
import { leaderPoints, leaderWidth, type TextMark } from '@marginalis/core/kinds';

/** The line of a callout while it is typed: the mark itself is not shown then. */
export function LeaderLine({ mark, page }: { mark: TextMark; page: PageBox }) {
  const points = leaderPoints(mark);
  if (!points) return null;
  const { width, height } = displaySize(page);
  const display = displayMatrix(page);
  const seen = points.map((point) => transform(display, point));
  return (
    <svg
      aria-hidden
      viewBox={`0 0 ${width} ${height}`}
      style={{
        position: 'absolute',
        inset: 0,
        width: '100%',
        height: '100%',
        pointerEvents: 'none',
      }}
    >
      <polyline
        points={seen.map(({ x, y }) => `${x},${y}`).join(' ')}
        fill="none"
        stroke={mark.style.colour}
        strokeWidth={leaderWidth(mark)}
      />
    </svg>
  );
}
