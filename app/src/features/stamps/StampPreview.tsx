import { boundsOf, drawingOf } from '@marginalis/core/derived';
import { boxHeight, boxWidth, growBox } from '@marginalis/core/geometry';
import type { StampMark } from '@marginalis/core/kinds';
import { filledIn, type StampDesign } from '@marginalis/core/stamps';
import { useEffect, useState } from 'react';
import { Text } from 'react-native-paper';
import { stampFieldsFor, useSession } from '@/session';
import { useReader } from '@/shell';
import { DrawingSvg, setStamp } from '@/stage';
import { G, Svg } from '@/ui';

/** CSS pixels a point, and of a side at most. */
const SCALE = 1.1;
const WIDEST = 320;
const NOBODY = 'Your name';

/** A stamp as it would look on the page in sight. Its words while its face is still to come. */
export function StampPreview({ design, number }: { design: StampDesign; number?: number }) {
  const [stamp, setStampMark] = useState<StampMark | null>(null);
  const fields = useStampFields(number);
  const { says, form, colour, size } = design;
  useEffect(() => {
    let wanted = true;
    const asked = { id: 'preview', page: '', order: 0, madeAt: 0 };
    setStamp({ id: '', says, form, colour, size }, fields, asked).then(
      (made) => {
        if (wanted) setStampMark(made);
      },
      // Its words are shown then.
      (e: unknown) => console.warn('A stamp could not be set.', e),
    );
    return () => {
      wanted = false;
    };
  }, [says, form, colour, size, fields]);
  return stamp ? <Stamp stamp={stamp} /> : <Text>{filledIn(says, fields)}</Text>;
}

/** What is filled in on the page in sight, as far as it is known. */
export function useStampFields(number?: number) {
  const session = useSession();
  const { stage } = useReader();
  const [fields] = useState(() => {
    const known = stampFieldsFor(session, stage.getSight().current, new Date());
    return { ...known, name: known.name || NOBODY, number: String(number ?? 1) };
  });
  return fields;
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
