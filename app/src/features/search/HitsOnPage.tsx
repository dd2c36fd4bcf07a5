import { displayMatrix, displaySize, transform } from '@marginalis/core/geometry';
import { aroundQuad, type Print, quadsOf } from '@marginalis/core/print';
import { useEffect, useState } from 'react';
import { useTheme } from 'react-native-paper';
import Svg, { Polygon } from 'react-native-svg';
import { StyleSheet } from 'react-native';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { useSession, useSessionState } from '@/session';
import { Area } from '@/ui';

/** More hits than this of one page are not drawn: a page full of frames says nothing. */
const MOST_DRAWN = 400;

/** The hits of a search, framed where they are printed. */
export function HitsOnPage({ index }: { index: number }) {
  const { search, print: source } = useSession();
  const { colors } = useTheme();
  const page = useSessionState((s) => s.document.pages[index]);
  const hits = useStore(
    search.store,
    useShallow((s) => s.hits.filter((hit) => hit.page === page?.id).slice(0, MOST_DRAWN)),
  );
  const at = useStore(search.store, (s) => s.at);
  const [print, setPrint] = useState<Print | null>(null);
  const wanted = hits.length > 0;
  useEffect(() => {
    if (!wanted || !page) return undefined;
    let isGone = false;
    source.of(page).then(
      (read) => isGone || setPrint(read),
      // The search itself says what cannot be read.
      () => undefined,
    );
    return () => {
      isGone = true;
    };
  }, [source, page, wanted]);
  if (!page || !print || !wanted) return null;
  const matrix = displayMatrix(page);
  const { width, height } = displaySize(page);
  return (
    <Area style={styles.over} aria-hidden data-testid="hits-on-page">
      <Svg width="100%" height="100%" viewBox={`0 0 ${width} ${height}`}>
        {hits.flatMap((hit) =>
          quadsOf(print, hit).map((quad, k) => (
            <Polygon
              key={`${hit.from} ${k}`}
              points={aroundQuad(quad)
                .map((p) => transform(matrix, p))
                .map(({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}`)
                .join(' ')}
              fill={hit === at ? colors.primary : colors.secondary}
              fillOpacity={hit === at ? 0.28 : 0.1}
              stroke={hit === at ? colors.primary : colors.secondary}
              strokeWidth={hit === at ? 2 : 1.2}
              vectorEffect="non-scaling-stroke"
            />
          )),
        )}
      </Svg>
    </Area>
  );
}

const styles = StyleSheet.create({
  over: { position: 'absolute', inset: 0, pointerEvents: 'none' },
});
