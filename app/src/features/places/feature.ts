import { type Command, late, type Reader, type ReaderFeature } from '@/shell';
import { WIDE_FROM } from '@/ui';
import { HeldPlace } from './HeldPlace';

const OTHER = 'other-document';
const OtherDocument = late(async () => (await import('./OtherDocument')).OtherDocument);

const isWide = (): boolean => window.innerWidth >= WIDE_FROM;

const commands = ({ shell, stage }: Reader): readonly Command[] => {
  const { panes } = shell;
  const hasTwo = (): boolean => isWide() && panes.store.getState().beside !== null;
  const isHeld = (): boolean => stage.getSight().held !== null;
  return [
    {
      id: 'two-places',
      title: 'Two places at once',
      group: 'View',
      also: 'split second pane window side by side beside compare',
      icon: 'beside',
      keys: ['D'],
      able: isWide,
      on: hasTwo,
      run: () =>
        hasTwo() ? panes.close() : panes.open({ document: null, place: stage.getPlace() }),
    },
    {
      id: OTHER,
      title: 'Another document beside this one',
      group: 'View',
      also: 'split second pane window two side by side compare',
      icon: 'beside',
      able: isWide,
      run: () => shell.openDialog(OTHER),
    },
    {
      id: 'other-place',
      title: 'Go on in the other place',
      group: 'View',
      also: 'pane switch focus',
      keys: ['F6'],
      able: hasTwo,
      run: () => panes.swap()?.stage.getElement()?.focus(),
    },
    {
      id: 'hold-place',
      title: 'Hold this place',
      group: 'View',
      also: 'keep flip finger between pages remember',
      icon: 'flip',
      keys: ['H'],
      on: isHeld,
      run: () => stage.hold(isHeld() ? null : stage.getPlace()),
    },
    {
      id: 'flip-place',
      title: 'Flip to the place held',
      group: 'View',
      also: 'back forth switch',
      icon: 'flip',
      keys: ['F'],
      able: isHeld,
      run: () => stage.flip(),
    },
  ];
};

/** Two places of a document, or of two, side by side; or one that is held while one reads elsewhere. */
export const placesFeature: ReaderFeature = {
  name: 'places',
  commands,
  dialogs: [{ id: OTHER, Content: OtherDocument }],
  Over: HeldPlace,
};
