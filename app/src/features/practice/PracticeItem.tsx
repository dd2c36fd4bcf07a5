import { Menu } from 'react-native-paper';
import { useStage } from '@/stage';
import { paperIcon } from '@/ui';
import { practise } from './practiceHand';

/** Width of the recorded frame, points, and how much of the window it takes. */
const FRAME = 420;
const SHARE = 0.8;

/** Lets a simulated stylus write with the instrument in hand, for those who have none at hand. */
export function PracticeItem({ close }: { close: () => void }) {
  const { controller } = useStage();
  const write = () => {
    close();
    const target = controller.getElement();
    if (!target) return;
    const r = target.getBoundingClientRect();
    const { zoom } = controller.getCamera();
    const scale = Math.min(zoom, (SHARE * r.width) / FRAME);
    const place = {
      x: r.left + (r.width - FRAME * scale) / 2,
      y: r.top + r.height * 0.35,
      scale,
    };
    void practise(target, place);
  };
  return <Menu.Item leadingIcon={paperIcon('pen')} title="Practice hand" onPress={write} />;
}
