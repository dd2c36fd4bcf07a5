import { displayMatrix, displaySize, transform } from '@marginalis/core/geometry';
import { aroundQuad, quadsOf, type TextRange } from '@marginalis/core/print';
import { useEffect } from 'react';
import { StyleSheet } from 'react-native';
import { useTheme } from 'react-native-paper';
import Svg, { Polygon } from 'react-native-svg';
import { useStore } from 'zustand';
import { useSession, useSessionState } from '@/session';
import { useReader } from '@/shell';
import { blendOn, useSight } from '@/stage';
import { Area } from '@/ui';

/** The sentence that is read, and the word being said in it, kept in sight. */
export function ReadWords({ index }: { index: number }) {
  const { aloud } = useSession();
  const { stage } = useReader();
  const { colors } = useTheme();
  const { look } = useSight();
  const page = useSessionState((s) => s.document.pages[index]);
  const at = useStore(aloud.store, (s) => (s.at?.page === index ? s.at : null));
  const part = at && (at.word ?? at.sentence);
  useEffect(() => {
    if (!at || !part) return;
    const [first] = quadsOf(at.print, part);
    if (first) stage.keepInSight(index, first);
  }, [stage, index, at, part]);
  if (!page || !at) return null;
  const matrix = displayMatrix(page);
  const { width, height } = displaySize(page);
  const quads = (range: TextRange, colour: string, opacity: number) =>
    quadsOf(at.print, range).map((quad, k) => (
      <Polygon
        key={`${range.from} ${k}`}
        points={aroundQuad(quad)
          .map((p) => transform(matrix, p))
          .map(({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}`)
          .join(' ')}
        fill={colour}
        fillOpacity={opacity}
      />
    ));
  return (
    <Area
      style={{ ...styles.over, mixBlendMode: blendOn(look) }}
      aria-hidden
      data-testid="being-read"
    >
      <Svg width="100%" height="100%" viewBox={`0 0 ${width} ${height}`}>
        {quads(at.sentence, colors.secondary, 0.12)}
        {at.word && quads(at.word, colors.primary, 0.3)}
      </Svg>
    </Area>
  );
}

const styles = StyleSheet.create({
  over: { position: 'absolute', inset: 0, pointerEvents: 'none' },
});
