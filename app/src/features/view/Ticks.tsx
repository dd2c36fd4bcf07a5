import { farOf, ownBookmarks } from '@marginalis/core/guide';
import { type CSSProperties, memo, useMemo } from 'react';
import { useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { useSession, useSessionState } from '@/session';
import { Area } from '@/ui';
import { placesOfHits, placesOfMarks } from './foreEdgePlaces';

/** What lies where along the fore-edge: marks, hits of a search, bookmarks. */
export const Ticks = memo(function Ticks() {
  const { search } = useSession();
  const { colors } = useTheme();
  // Told only when it differs: writing on must not cost more because the strip shows it.
  const marked = useSessionState(useShallow((s) => placesOfMarks(s.document)));
  const pages = useSessionState((s) => s.document.pages);
  const bookmarks = useSessionState((s) => s.document.bookmarks);
  const hits = useStore(search.store, (s) => s.hits);
  const found = useMemo(() => placesOfHits(pages, hits), [pages, hits]);
  const flags = useMemo(
    () => ownBookmarks({ pages, bookmarks }).map((one) => farOf(pages, one) ?? 0),
    [pages, bookmarks],
  );
  const tickOf = (name: string, looks: CSSProperties) =>
    function tickAt(place: number, key: number) {
      const told = { [`data-${name}`]: Math.floor(place) + 1 };
      const top = `${(100 * place) / pages.length}%`;
      return (
        <Area key={`${name} ${key}`} {...told} style={{ position: 'absolute', top, ...looks }} />
      );
    };
  return (
    <>
      {marked.map(tickOf('marked', { right: 4, width: 10, height: 2, background: colors.primary }))}
      {flags.map(
        tickOf('flag', {
          left: 2,
          marginTop: -4,
          borderTop: '4px solid transparent',
          borderBottom: '4px solid transparent',
          borderLeft: `9px solid ${colors.primary}`,
        }),
      )}
      {found.map(
        tickOf('hit', {
          left: 3,
          width: 9,
          height: 5,
          marginTop: -2,
          boxSizing: 'border-box',
          border: `1.5px solid ${colors.secondary}`,
          borderRadius: 2,
        }),
      )}
    </>
  );
});
