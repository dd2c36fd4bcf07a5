import {
  addToRoll,
  changeInRoll,
  FIRST_ROLL,
  type Instrument,
  type InstrumentChange,
  moveInRoll,
  removeFromRoll,
  type Roll,
} from '@marginalis/core/marks';
import { create } from 'zustand';
import { FIRST_SETTINGS, keepSettings, readSettings, type Settings } from '@/storage';

/** Own inks kept, the newest first. */
const MOST_INKS = 12;

interface PenRoll extends Settings {
  load(): Promise<void>;
  /** Changes an instrument of the roll, for this and every later stroke. */
  change(id: string, part: InstrumentChange): void;
  /** Adds an instrument, or a copy of one beside it; its id. */
  add(instrument: Instrument, after?: string): string;
  move(id: string, to: number): void;
  remove(id: string): void;
  /** The roll a person starts with. */
  reset(): void;
  /** Gives an instrument an ink that is not on the palette, and keeps it there. */
  mixInk(id: string, colour: string): void;
  setHand(hand: Settings['hand']): void;
  setSettle(settle: Settings['settle']): void;
  setWidthFollows(follows: boolean): void;
  setAuthor(author: string): void;
}

/** The person's instruments, kept across sessions. */
export const usePenRoll = create<PenRoll>((set, get) => {
  const keep = (): void => {
    const { roll, hand, inks, settle, widthFollows, author } = get();
    // The roll is in memory; failing to store it costs a colour next time, not a mark.
    keepSettings({ roll, hand, inks, settle, widthFollows, author }).catch((e: unknown) =>
      console.warn('The pen roll could not be stored.', e),
    );
  };
  const setRoll = (roll: Roll): void => {
    set({ roll });
    keep();
  };
  return {
    ...FIRST_SETTINGS,
    async load() {
      set(await readSettings());
    },
    change: (id, part) => setRoll(changeInRoll(get().roll, id, part)),
    add(instrument, after) {
      const id = crypto.randomUUID();
      setRoll(addToRoll(get().roll, instrument, id, after));
      return id;
    },
    move: (id, to) => setRoll(moveInRoll(get().roll, id, to)),
    remove: (id) => setRoll(removeFromRoll(get().roll, id)),
    reset: () => setRoll(FIRST_ROLL),
    mixInk(id, colour) {
      set({ inks: [colour, ...get().inks.filter((c) => c !== colour)].slice(0, MOST_INKS) });
      setRoll(changeInRoll(get().roll, id, { colour }));
    },
    setHand(hand) {
      set({ hand });
      keep();
    },
    setSettle(settle) {
      set({ settle });
      keep();
    },
    setWidthFollows(widthFollows) {
      set({ widthFollows });
      keep();
    },
    setAuthor(author) {
      set({ author });
      keep();
    },
  };
});
