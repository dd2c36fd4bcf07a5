import { boundsOf, drawingOf } from '@marginalis/core/derived';
import { boxHeight, boxWidth, growBox } from '@marginalis/core/geometry';
import type { StampMark } from '@marginalis/core/kinds';
import { filledIn, type StampDesign } from '@marginalis/core/stamps';
import { useEffect, useState } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { stampFieldsFor, useSession } from '@/session';
import { useReader } from '@/shell';
import { DrawingSvg } from '@/stage';
import { G, Svg } from '@/ui';
import { setStamp } from './setStamp';

/** CSS pixels a point, and of a side at most. */
const SCALE = 1.1;
const WIDEST = 320;
const NOBODY = 'Your name';

/** A stamp as it would look on the page in sight, to be put there. */
export function StampButton({ design, onPress }: { design: StampDesign; onPress: () => void }) {
  const session = useSession();
  const { stage } = useReader();
  const { colors } = useTheme();
  const [stamp, setStampMark] = useState<StampMark | null>(null);
  const [fields] = useState(() => {
    const known = stampFieldsFor(session, stage.getSight().current, new Date());
    return { ...known, name: known.name || NOBODY };
  });
  const says = filledIn(design.says, fields);
  useEffect(() => {
    let wanted = true;
    const asked = { id: design.id, page: '', order: 0, madeAt: 0 };
    setStamp(design, fields, asked).then(
      (made) => {
        if (wanted) setStampMark(made);
      },
      // Its words are shown then.
      (e: unknown) => console.warn('A stamp could not be set.', e),
    );
    return () => {
      wanted = false;
    };
  }, [design, fields]);
  return (
    <Pressable
      role="button"
      accessibilityLabel={says}
      onPress={onPress}
      style={[styles.button, { borderColor: colors.outlineVariant }]}
    >
      {stamp ? <Stamp stamp={stamp} /> : <Text>{says}</Text>}
    </Pressable>
  );
}

function Stamp({ stamp }: { stamp: StampMark }) {
  const b = growBox(boundsOf(stamp), 1);
  const [width, height] = [boxWidth(b), boxHeight(b)];
  const scale = Math.min(SCALE, WIDEST / width);
  return (
    <Svg
      width={scale * width}
      height={scale * height}
      viewBox={`${b.minX} ${-b.maxY} ${width} ${height}`}
      aria-hidden
    >
      <G transform="matrix(1 0 0 -1 0 0)">
        <DrawingSvg drawing={drawingOf(stamp)} />
      </G>
    </Svg>
  );
}

const styles = StyleSheet.create({
  button: {
    minHeight: 48,
    minWidth: 48,
    padding: 8,
    borderWidth: 1,
    borderRadius: 4,
    alignItems: 'center',
    justifyContent: 'center',
    backgroundColor: '#ffffff',
  },
});
