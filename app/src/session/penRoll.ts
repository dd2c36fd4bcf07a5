import {
  addToRoll,
  changeInRoll,
  FIRST_ROLL,
  type Instrument,
  moveInRoll,
  removeFromRoll,
  type Roll,
} from '@marginalis/core/marks';
import { create } from 'zustand';
import { FIRST_SETTINGS, keepSettings, readSettings, type Settings } from '@/storage';

/** What of an instrument a person can change. */
export type InstrumentPart = Partial<Omit<Instrument, 'id' | 'kind'>>;

/** Own inks kept, the newest first. */
const MOST_INKS = 12;

interface PenRoll extends Settings {
  /** Id of the instrument in hand. */
  readonly current: string;
  /** Id of the instrument whose ink is about to be picked from a page. */
  readonly pickingFor: string | null;
  load(): Promise<void>;
  choose(id: string): void;
  /** Changes an instrument of the roll, for this and every later stroke. */
  change(id: string, part: InstrumentPart): void;
  /** Adds an instrument, or a copy of one beside it, and takes it in hand. */
  add(instrument: Instrument, after?: string): void;
  move(id: string, to: number): void;
  remove(id: string): void;
  /** The roll a person starts with. */
  reset(): void;
  /** Gives an instrument an ink that is not on the palette, and keeps it there. */
  mixInk(id: string, colour: string): void;
  /** The next touch of a page gives its colour to the instrument; null calls it off. */
  pickFor(id: string | null): void;
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
  const setRoll = (roll: Roll, current = get().current): void => {
    set({ roll, current: roll.some((i) => i.id === current) ? current : roll[0].id });
    keep();
  };
  return {
    ...FIRST_SETTINGS,
    current: FIRST_SETTINGS.roll[0].id,
    pickingFor: null,
    async load() {
      const settings = await readSettings();
      const { current } = get();
      const held = settings.roll.some((i) => i.id === current) ? current : settings.roll[0].id;
      set({ ...settings, current: held });
    },
    choose: (id) => set({ current: id }),
    change: (id, part) => setRoll(changeInRoll(get().roll, id, part)),
    add(instrument, after) {
      const id = crypto.randomUUID();
      const roll = addToRoll(get().roll, instrument, id, after);
      setRoll(roll, id);
    },
    move: (id, to) => setRoll(moveInRoll(get().roll, id, to)),
    remove: (id) => setRoll(removeFromRoll(get().roll, id)),
    reset: () => setRoll(FIRST_ROLL),
    mixInk(id, colour) {
      set({ inks: [colour, ...get().inks.filter((c) => c !== colour)].slice(0, MOST_INKS) });
      setRoll(changeInRoll(get().roll, id, { colour }));
    },
    pickFor: (id) => set({ pickingFor: id }),
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

export const instrumentInHand = (): Instrument => {
  const { roll, current } = usePenRoll.getState();
  return roll.find((i) => i.id === current) ?? roll[0];
};

/** The eraser of the roll, for a stylus turned round. */
export const eraserOfRoll = (): Instrument =>
  usePenRoll.getState().roll.find((i) => i.kind === 'eraser') ??
  (FIRST_ROLL.find((i) => i.kind === 'eraser') as Instrument);
