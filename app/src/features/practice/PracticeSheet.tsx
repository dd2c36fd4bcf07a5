import { addPaper } from '@marginalis/core/editing';
import { usualRuling } from '@marginalis/core/paper';
import { Text } from 'react-native-paper';
import { type Reader, useReader } from '@/shell';
import { Action, paperIcon, Sheet } from '@/ui';
import { practise } from './practiceHand';

/** Width of the recorded frame, points, and how much of the window it takes. */
const FRAME = 420;
const SHARE = 0.8;
/** The page comes to rest first, ms. */
const RESTED = 400;

/** Lets the simulated stylus write with the instrument in hand, where the window is. */
function write({ stage }: Reader): void {
  const target = stage.getElement();
  if (!target) return;
  const r = target.getBoundingClientRect();
  const { zoom } = stage.getCamera();
  const scale = Math.min(zoom, (SHARE * r.width) / FRAME);
  const place = {
    x: r.left + (r.width - FRAME * scale) / 2,
    y: r.top + r.height * 0.35,
    scale,
  };
  void practise(target, place);
}

/** Puts an empty page after the one in sight, and writes there. */
function writeOnNewSheet(reader: Reader): void {
  const { session, stage } = reader;
  const { document } = session.store.getState();
  const after = document.pages[stage.getSight().current];
  const id = crypto.randomUUID();
  if (session.dispatch(addPaper(document, after?.id ?? null, usualRuling('blank'), id)))
    stage.goToAdded(id, () => setTimeout(() => write(reader), RESTED));
}

/** Says what the practice hand is for, before it writes anything. */
export function PracticeSheet({ onClose }: { onClose: () => void }) {
  const reader = useReader();
  return (
    <Sheet title="Practice hand" open onClose={onClose}>
      <Text>
        For seeing what an instrument does without a pen: five recorded strokes are written with the
        instrument in hand, on a sheet of their own after this page. Undo takes them and the sheet
        away again.
      </Text>
      <Action
        mode="contained"
        icon={paperIcon('pen')}
        onPress={() => {
          onClose();
          writeOnNewSheet(reader);
        }}
      >
        Write on a new sheet
      </Action>
    </Sheet>
  );
}
