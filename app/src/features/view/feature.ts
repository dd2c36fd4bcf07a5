import { usePenRoll } from '@/session';
import type { Command, Reader, ReaderFeature } from '@/shell';
import { ForeEdge } from './ForeEdge';
import { Place, STEP } from './Zoom';

/** CSS pixels an arrow key moves the paper. */
const ARROW = 60;

const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [0, ARROW],
  ArrowDown: [0, -ARROW],
  ArrowLeft: [ARROW, 0],
  ArrowRight: [-ARROW, 0],
};

function commands({ stage }: Reader): readonly Command[] {
  const zoom = (by: number) => () => stage.zoomTo(stage.getCamera().zoom * by);
  const page = (to: () => number) => () => stage.goToPage(to());
  const current = (): number => stage.getSight().current;
  const { hand, setHand } = usePenRoll.getState();
  return [
    {
      id: 'fit-width',
      title: 'Fit width',
      group: 'View',
      icon: 'fitWidth',
      keys: ['Mod+0'],
      run: () => stage.setFit('width'),
    },
    {
      id: 'fit-page',
      title: 'Fit page',
      group: 'View',
      icon: 'fitPage',
      keys: ['Mod+9'],
      run: () => stage.setFit('page'),
    },
    {
      id: 'zoom-in',
      title: 'Zoom in',
      group: 'View',
      also: 'larger',
      icon: 'plus',
      keys: ['Mod++', 'Mod+='],
      spelled: 'Ctrl +',
      run: zoom(STEP),
    },
    {
      id: 'zoom-out',
      title: 'Zoom out',
      group: 'View',
      also: 'smaller',
      icon: 'minus',
      keys: ['Mod+-'],
      run: zoom(1 / STEP),
    },
    {
      id: 'next-page',
      title: 'Next page',
      group: 'View',
      keys: ['PageDown'],
      run: page(() => current() + 1),
    },
    {
      id: 'page-before',
      title: 'Page before',
      group: 'View',
      keys: ['PageUp'],
      run: page(() => current() - 1),
    },
    { id: 'first-page', title: 'First page', group: 'View', keys: ['Home'], run: page(() => 0) },
    {
      id: 'last-page',
      title: 'Last page',
      group: 'View',
      keys: ['End'],
      run: page(() => stage.pages.length - 1),
    },
    {
      id: 'move-paper',
      title: 'Move the paper, nothing picked',
      group: 'View',
      keys: Object.keys(WAYS),
      spelled: 'Arrows',
      hidden: true,
      run: (key = 'ArrowDown') => stage.pan(...WAYS[key]),
    },
    {
      id: 'drag-paper',
      title: 'Move the paper with the mouse',
      group: 'View',
      // The stage itself sees to it: the key is held.
      keys: ['Space'],
      spelled: 'Space and drag',
      hidden: true,
      able: () => false,
      run: () => undefined,
    },
    {
      id: 'hand',
      title: hand === 'right' ? 'Write with the left hand' : 'Write with the right hand',
      group: 'Settings',
      also: 'mirror handed',
      icon: 'hand',
      run: () => setHand(hand === 'right' ? 'left' : 'right'),
    },
  ];
}

/** Where in the document one is, and how large it is seen. */
export const viewFeature: ReaderFeature = { name: 'view', commands, InBar: Place, Edge: ForeEdge };
