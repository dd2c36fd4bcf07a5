import { quadsOf } from '@marginalis/core/print';
import { useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { usePagePrint, useSession } from '@/session';
import { QuadsOnPage, type ShownQuads, usePageSeen } from '@/stage';

/** More hits than this of one page are not drawn: a page full of frames says nothing. */
const MOST_DRAWN = 400;

/** The hits of a search, framed where they are printed. */
export function HitsOnPage({ index }: { index: number }) {
  const { search } = useSession();
  const { colors } = useTheme();
  const page = usePageSeen(index);
  const hits = useStore(
    search.store,
    useShallow((s) => s.hits.filter((hit) => hit.page === page?.id).slice(0, MOST_DRAWN)),
  );
  const at = useStore(search.store, (s) => s.at);
  const print = usePagePrint(page, hits.length > 0);
  if (!page || !print) return null;
  const shown = hits.map((hit): ShownQuads => {
    const isHere = hit === at;
    return {
      key: String(hit.from),
      quads: quadsOf(print, hit),
      fill: isHere ? colors.primary : colors.secondary,
      opacity: isHere ? 0.28 : 0.1,
      frame: isHere ? 2 : 1.2,
    };
  });
  return <QuadsOnPage page={page} shown={shown} testID="hits-on-page" />;
}
