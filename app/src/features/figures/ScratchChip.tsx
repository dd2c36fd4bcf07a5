import { useSession, useSessionState } from '@/session';
import { Chip, ChipButton } from '@/stage';
import { Ghost } from './Ghost';

const WIDTH = 200;

/** What a scribble would strike out: its area as a ghost, and a chip that asks. */
export function ScratchChip({ index }: { index: number }) {
  const session = useSession();
  const scratch = useSessionState((s) => s.scratch);
  const page = useSessionState((s) => s.document.pages[index]);
  if (!scratch || scratch.page !== page?.id) return null;
  const { marks, area } = scratch;
  const what = marks.length === 1 ? 'Remove it' : `Remove ${marks.length} marks`;
  return (
    <>
      <Ghost page={page} figure={{ kind: 'polygon', corners: area }} meets={[]} />
      <Chip index={index} page={page} clearOf={area} width={WIDTH} label="Strike out">
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
