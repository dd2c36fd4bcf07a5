import { useMemo } from 'react';
import type { ScratchOffer } from '@marginalis/core/editing';
import { useLatelyWritten, useSettings, useSession, useSessionState } from '@/session';
import { Chip, ChipButton, ChipTag, usePageSeen } from '@/stage';
import { Ghost } from './Ghost';
import { useFolded } from './useFolded';

const WIDTH = 200;

/** What a scribble would strike out: its area as a ghost, and a chip that asks. */
export function ScratchChip({ index }: { index: number }) {
  const scratch = useSessionState((s) => s.scratch);
  const page = usePageSeen(index);
  if (!scratch || scratch.page !== page?.id) return null;
  return <StrikeChip key={scratch.stroke} index={index} scratch={scratch} />;
}

function StrikeChip({ index, scratch }: { index: number; scratch: ScratchOffer }) {
  const session = useSession();
  const page = usePageSeen(index);
  const hand = useSettings((r) => r.hand);
  const { folded, unfold, onHeld } = useFolded();
  const { marks, area } = scratch;
  const what = marks.length === 1 ? 'Remove it' : `Remove ${marks.length} marks`;
  const own = useMemo(() => new Set([...scratch.marks, scratch.stroke]), [scratch]);
  const ink = useLatelyWritten(scratch.page, own);
  const where = { index, page, ink, hand, onHeld, clearOf: area };
  if (folded)
    return (
      <ChipTag {...where} icon="remove" label={`${what}? Show what is offered`} onPress={unfold} />
    );
  return (
    <>
      <Ghost page={page} figure={{ kind: 'polygon', corners: area }} />
      <Chip {...where} width={WIDTH} label="Strike out">
        <ChipButton
          icon="remove"
          text={what}
          label={
            marks.length === 1
              ? 'Remove the mark beneath'
              : `Remove the ${marks.length} marks beneath`
          }
          onPress={session.offers.take}
        />
        <ChipButton icon="close" text="" label="Keep the ink" onPress={session.offers.dismiss} />
      </Chip>
    </>
  );
}
