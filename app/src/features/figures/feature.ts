import { usePenRoll } from '@/session';
import type { Command, Reader, ReaderFeature } from '@/shell';
import { OnPage } from './OnPage';

/** A manner of figures that is switched: how those that were read are made regular. */
function manner(part: 'upright' | 'meet', title: string): Command {
  const { settle, setSettle } = usePenRoll.getState();
  return {
    id: `settle-${part}`,
    title,
    group: 'Settings',
    also: 'shapes snap',
    on: () => settle[part],
    run: () => setSettle({ ...settle, [part]: !settle[part] }),
  };
}

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
  manner('upright', 'Straighten figures'),
  manner('meet', 'Figures meet others'),
];

/** Ink that is meant as a figure, ink that strikes others out, and the figure in hand. */
export const figuresFeature: ReaderFeature = { name: 'figures', commands, OnPage };
