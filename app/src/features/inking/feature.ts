import { useSettings } from '@/session';
import type { Command, Reader, ReaderFeature } from '@/shell';
import { FigureWriter } from './FigureWriter';
import { HandSettings } from './HandSettings';
import { InkWriter } from './InkWriter';
import { instrumentLabel } from './InstrumentButton';
import { PenRoll } from './PenRoll';
import { RubWriter } from './RubWriter';

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'];

function commands({ session }: Reader): readonly Command[] {
  const { roll, hand: side, setHand } = useSettings.getState();
  const { hand } = session;
  const { writable } = session.store.getState();
  return [
    {
      id: 'take-by-number',
      title: 'Take an instrument',
      group: 'Instruments',
      keys: DIGITS,
      spelled: '1 … 9',
      hidden: true,
      run: (key = '1') => {
        const instrument = roll[DIGITS.indexOf(key)];
        if (instrument) hand.choose(instrument.id);
      },
    },
    ...roll.map((instrument): Command => ({
      id: `take-${instrument.id}`,
      title: `Take ${instrumentLabel(instrument)}`,
      group: 'Instruments',
      icon: instrument.kind,
      able: () => writable,
      run: () => hand.choose(instrument.id),
    })),
    {
      id: 'hand',
      title: side === 'right' ? 'Write with the left hand' : 'Write with the right hand',
      group: 'Settings',
      also: 'mirror handed',
      icon: 'hand',
      run: () => setHand(side === 'right' ? 'left' : 'right'),
    },
  ];
}

/** Writing, drawing and rubbing out, and the roll of what it is done with. */
export const inkingFeature: ReaderFeature = {
  name: 'inking',
  commands,
  Tools: PenRoll,
  Settings: HandSettings,
  instruments: [
    {
      kinds: ['pen', 'pencil', 'brush', 'highlighter', 'figure-pen'],
      writer: (reader, tools) => new FigureWriter(reader, tools, new InkWriter(reader, tools)),
    },
    { kinds: ['eraser'], writer: (reader, tools) => new RubWriter(reader, tools) },
  ],
};
