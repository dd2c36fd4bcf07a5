import { type Command, late, type Reader, type ReaderFeature } from '@/shell';

const HAPPENED = 'happened';

const HappenedPanel = late<{ onGone: () => void }>(
  async () => (await import('./HappenedPanel')).HappenedPanel,
);

const commands = ({ shell }: Reader): readonly Command[] => [
  {
    id: HAPPENED,
    title: 'What happened here',
    group: 'Document',
    also: 'history who wrote changed settled when authors log',
    icon: 'list',
    on: () => shell.isOpen(HAPPENED),
    run: () => shell.togglePanel('margin', HAPPENED),
  },
];

/** Who wrote, changed and settled what, and when. */
export const happenedFeature: ReaderFeature = {
  name: 'happened',
  commands,
  panels: [
    {
      id: HAPPENED,
      title: 'What happened here',
      side: 'margin',
      beneath: true,
      Content: HappenedPanel,
    },
  ],
};
