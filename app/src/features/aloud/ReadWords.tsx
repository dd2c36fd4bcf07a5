import { quadsOf, type TextRange } from '@marginalis/core/print';
import { useEffect } from 'react';
import { useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useSession } from '@/session';
import { useReader } from '@/shell';
import { QuadsOnPage, type ShownQuads, usePageSeen } from '@/stage';

/** The sentence that is read, and the word being said in it, kept in sight. */
export function ReadWords({ index }: { index: number }) {
  const { aloud } = useSession();
  const { stage } = useReader();
  const { colors } = useTheme();
  const page = usePageSeen(index);
  const at = useStore(aloud.store, (s) => (s.at?.page === index ? s.at : null));
  const part = at && (at.word ?? at.sentence);
  useEffect(() => {
    if (!at || !part) return;
    const [first] = quadsOf(at.print, part);
    if (first) stage.keepInSight(index, first);
  }, [stage, index, at, part]);
  if (!page || !at) return null;
  const shown = (key: string, range: TextRange, fill: string, opacity: number): ShownQuads => ({
    key,
    quads: quadsOf(at.print, range),
    fill,
    opacity,
  });
  return (
    <QuadsOnPage
      page={page}
      testID="being-read"
      shown={[
        shown('sentence', at.sentence, colors.secondary, 0.12),
        ...(at.word ? [shown('word', at.word, colors.primary, 0.3)] : []),
      ]}
    />
  );
}
