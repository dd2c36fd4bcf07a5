import { REMARK_WIDTH, writtenIn } from '@marginalis/core/derived';
import type { Remark } from '@marginalis/core/document';
import { PAPER } from '@/shell';
import { DrawingSvg } from '@/stage';
import { Area, G, Svg } from '@/ui';

/** What is written in a remark, as wide as there is room, on paper of its own. */
export function WrittenInk(props: {
  ink: NonNullable<Remark['ink']>;
  label: string;
  /** No more of it is shown, from its head, CSS pixels; all without. */
  most?: number;
}) {
  const { ink, label, most } = props;
  const written = writtenIn({ ink });
  if (!written) return null;
  const { drawing, height } = written;
  return (
    <Area
      role="img"
      aria-label={label}
      style={{ background: PAPER, borderRadius: 4, maxHeight: most, overflow: 'hidden' }}
    >
      <Svg width="100%" viewBox={`0 0 ${REMARK_WIDTH} ${height}`}>
        <G transform="scale(1 -1)">
          <DrawingSvg drawing={drawing} />
        </G>
      </Svg>
    </Area>
  );
}
