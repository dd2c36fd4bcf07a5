import type { NoteBeside } from './besidePage';
import { GAP, MEETS } from './cardMeasures';
import type { ColumnPlace } from './useBesidePages';

/** Hairlines from the edge of the page to the cards; of a note that is chosen or lit from its place. */
export function NoteLines(props: {
  beside: readonly NoteBeside[];
  tops: readonly number[];
  column: ColumnPlace;
  fromRight: boolean;
  bold: readonly (string | null)[];
  colours: { readonly bold: string; readonly pale: string };
}) {
  const { beside, tops, column, fromRight, bold, colours } = props;
  const end = fromRight ? 0 : column.width;
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
        const at = place.x - column.x;
        const side = edge - column.x;
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
