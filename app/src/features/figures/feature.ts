import type { Command, Reader, ReaderFeature } from '@/shell';
import { FigureSettings } from './FigureSettings';
import { OnPage } from './OnPage';

const commands = ({ session }: Reader): readonly Command[] => [
  {
    id: 'take-offer',
    title: 'Take the figure that is offered',
    group: 'Marks',
    keys: ['Enter'],
    hidden: true,
    able: () => {
      const { offer, scratch } = session.store.getState();
      return offer !== null || scratch !== null;
    },
    run: () => session.offers.take(),
  },
];

/** Ink that is meant as a figure, ink that strikes others out, and the figure in hand. */
export const figuresFeature: ReaderFeature = {
  name: 'figures',
  commands,
  OnPage,
  Settings: FigureSettings,
};
