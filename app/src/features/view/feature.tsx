import { useSettings } from '@/session';
import type { Command, Reader, ReaderFeature } from '@/shell';
import { ColumnTap } from './ColumnTap';
import { fillWithColumn } from './fillWithColumn';
import { ForeEdge } from './ForeEdge';
import { KeptPlace } from './KeptPlace';
import { viewCommands } from './viewCommands';
import { Place, STEP } from './Zoom';

/** CSS pixels an arrow key moves the paper. */
const ARROW = 60;

const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [0, ARROW],
  ArrowDown: [0, -ARROW],
  ArrowLeft: [ARROW, 0],
  ArrowRight: [-ARROW, 0],
};

/** Other looks of paper, each on until it is taken again. */
const LOOKS = [
  { look: 'night', title: 'Night paper', icon: 'night', keys: ['N'] },
  { look: 'sepia', title: 'Sepia paper', icon: 'sepia', keys: [] },
] as const;

function commands(reader: Reader): readonly Command[] {
  const { stage } = reader;
  const zoom = (by: number) => () => stage.zoomTo(stage.getCamera().zoom * by);
  const page = (to: () => number) => () => stage.goToPage(to());
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
      id: 'fit-column',
      title: 'Fit column',
      group: 'View',
      also: 'zoom text two taps',
      icon: 'fitWidth',
      keys: ['Mod+8'],
      run: () => {
        const { width, height } = stage.getView();
        const hit = stage.pageAt({ x: width / 3, y: height / 2 });
        if (hit) void fillWithColumn(reader, hit.index, hit.user);
      },
    },
    {
      id: 'fit-page',
      title: 'Fit page',
      group: 'View',
      icon: 'fitPage',
      keys: ['Mod+9'],
      run: () => stage.setFit('page'),
    },
    ...viewCommands(reader),
    ...LOOKS.map(({ look, title, icon, keys }) => ({
      id: `paper-${look}`,
      title,
      group: 'View' as const,
      also: 'paper dark inverted tint colour eyes',
      icon,
      keys,
      on: () => useSettings.getState().look === look,
      run: () => {
        const { look: now, setLook } = useSettings.getState();
        setLook(now === look ? 'plain' : look);
      },
    })),
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
      run: () => stage.goSpreads(1),
    },
    {
      id: 'page-before',
      title: 'Page before',
      group: 'View',
      keys: ['PageUp'],
      run: () => stage.goSpreads(-1),
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
      id: 'back-to-place',
      title: 'Back to where I was',
      group: 'View',
      also: 'return jump',
      icon: 'undo',
      keys: ['Alt+ArrowLeft', 'Mod+['],
      whileTyping: ['Mod+['],
      able: () => stage.getSight().before !== null,
      run: () => stage.step('back'),
    },
    {
      id: 'forward-to-place',
      title: 'Forward to where I was',
      group: 'View',
      also: 'return again',
      icon: 'redo',
      keys: ['Alt+ArrowRight', 'Mod+]'],
      whileTyping: ['Mod+]'],
      able: () => stage.getSight().after !== null,
      run: () => stage.step('forward'),
    },
    {
      id: 'move-paper',
      title: 'Move the paper, nothing picked',
      group: 'View',
      keys: Object.keys(WAYS),
      spelled: 'Arrows',
      hidden: true,
      run: (key = 'ArrowDown') => stage.scroll(...WAYS[key]),
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
  ];
}

function OverPages() {
  return (
    <>
      <KeptPlace />
      <ColumnTap />
    </>
  );
}

/** Where in the document one is, and how large it is seen. */
export const viewFeature: ReaderFeature = {
  name: 'view',
  commands,
  InBar: Place,
  Edge: ForeEdge,
  Over: OverPages,
};
