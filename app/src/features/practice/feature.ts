import type { Reader, ReaderFeature } from '@/shell';
import { practise } from './practiceHand';

/** Width of the recorded frame, points, and how much of the window it takes. */
const FRAME = 420;
const SHARE = 0.8;

/** Lets a simulated stylus write with the instrument in hand, for those who have none at hand. */
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

export const practiceFeature: ReaderFeature = {
  name: 'practice',
  commands: (reader) => [
    {
      id: 'practise',
      title: 'Practice hand',
      group: 'Instruments',
      also: 'simulated stylus try demo',
      icon: 'pen',
      able: () => reader.session.store.getState().writable,
      run: () => write(reader),
    },
  ],
};
