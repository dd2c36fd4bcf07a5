import { FigureInHand } from './FigureInHand';
import { ScratchChip } from './ScratchChip';
import { TidyChip } from './TidyChip';

/** What of figures stands on a page. */
export function OnPage({ index }: { index: number }) {
  return (
    <>
      <TidyChip index={index} />
      <ScratchChip index={index} />
      <FigureInHand index={index} />
    </>
  );
}
