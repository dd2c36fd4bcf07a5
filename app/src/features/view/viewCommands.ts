import type { Command, Reader } from '@/shell';
import type { StageView } from '@/stage';

/** How pages are arranged and turned, each a switch of its own. */
export function viewCommands({ stage }: Reader): readonly Command[] {
  const view = (): StageView => stage.getSight().view;
  const change = (part: Partial<StageView>): void => stage.setView({ ...view(), ...part });
  const isFacing = (): boolean => view().across === 2;
  return [
    {
      id: 'facing-pages',
      title: 'Two facing pages',
      group: 'View',
      also: 'spread book double side by side',
      icon: 'facing',
      keys: ['Shift+D'],
      on: isFacing,
      run: () => change({ across: isFacing() ? 1 : 2 }),
    },
    {
      id: 'cover-alone',
      title: 'First page by itself, as a cover',
      group: 'View',
      also: 'facing spread book',
      icon: 'facing',
      able: isFacing,
      on: () => view().cover,
      run: () => change({ cover: !view().cover }),
    },
    {
      id: 'page-by-page',
      title: 'One page at a time',
      group: 'View',
      also: 'single sideways swipe leaf continuous scroll',
      icon: 'pageByPage',
      keys: ['Shift+P'],
      on: () => view().flow === 'sideways',
      run: () => change({ flow: view().flow === 'sideways' ? 'down' : 'sideways' }),
    },
    {
      id: 'turn-for-reading',
      title: 'Turn the pages for reading',
      group: 'View',
      also: 'rotate 90 degrees clockwise landscape',
      icon: 'turn',
      keys: ['Shift+R'],
      run: () => change({ turn: ((view().turn + 90) % 360) as StageView['turn'] }),
    },
    {
      id: 'full-screen',
      title: 'Full screen',
      group: 'View',
      also: 'fullscreen whole hide browser',
      icon: 'fitPage',
      keys: ['Shift+F'],
      able: () => document.fullscreenEnabled,
      on: () => document.fullscreenElement !== null,
      run: () =>
        void (document.fullscreenElement
          ? document.exitFullscreen()
          : document.documentElement.requestFullscreen()),
    },
  ];
}
