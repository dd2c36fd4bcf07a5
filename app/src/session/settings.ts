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
/** Signs that are shown first in the sheet of symbols. */
const MOST_SIGNS = 16;
/** What can stand at a bare place, and is known to have. */
const MOST_PLACED = 12;
/** Instruments of which it is known when they were used. */
const MOST_USED = 30;

interface SettingsStore extends Settings {
  /** Reads what is kept. */
  load(): Promise<void>;
  /** When what is kept has been read. */
  ready(): Promise<void>;
  /** Changes an instrument of the roll, for this and every later stroke. */
  change(id: string, part: InstrumentChange): void;
  /** Adds an instrument, or a copy of one beside it; its id. */
  add(instrument: Instrument, after?: string): string;
  move(id: string, to: number): void;
  remove(id: string): void;
  /** The roll a person starts with. */
  reset(): void;
  /** The roll as it was, after something was removed from it. */
  bringBack(roll: Roll): void;
  /** Gives an instrument an ink that is not on the palette, and keeps it there. */
  mixInk(id: string, colour: string): void;
  setHand(hand: Settings['hand']): void;
  setSettle(settle: Settings['settle']): void;
  setWidthFollows(follows: boolean): void;
  setAuthor(author: string): void;
  setFingers(fingers: Settings['fingers']): void;
  /** A pen is here, from now on known of on this device. */
  seePen(): void;
  /** What the person has been told is not told again; null tells everything anew. */
  noteTaught(id: string | null): void;
  setSearchAt(address: string): void;
  setLook(look: Settings['look']): void;
  setReading(part: Partial<Settings['reading']>): void;
  setSending(part: Partial<Settings['sending']>): void;
  /** An instrument was taken in hand. */
  noteUsed(id: string): void;
  /** A sign was put in from the sheet of symbols. */
  noteSign(sign: string): void;
  /** Something was put at a bare place of a page, by the id of its command. */
  notePlaced(id: string): void;
}

/** Whether one finger writes on this device. */
export const fingersWrite = ({ fingers, penSeen }: Settings): boolean =>
  fingers === 'write' || (fingers === 'found' && !penSeen);

/** What of the store is stored. */
function settingsIn(all: SettingsStore): Settings {
  const entries = Object.keys(FIRST_SETTINGS).map((key) => [key, all[key as keyof Settings]]);
  return Object.fromEntries(entries) as Settings;
}

let reading: Promise<void> | null = null;

/** What the person has set on this device, the pen roll first of all; kept across sessions. */
export const useSettings = create<SettingsStore>((set, get) => {
  const keep = (): void => {
    // The roll is in memory; failing to store it costs a colour next time, not a mark.
    keepSettings(settingsIn(get())).catch((e: unknown) =>
      console.warn('The pen roll could not be stored.', e),
    );
  };
  const setAndKeep = (part: Partial<Settings>): void => {
    set(part);
    keep();
  };
  const setRoll = (roll: Roll): void => setAndKeep({ roll });
  return {
    ...FIRST_SETTINGS,
    async load() {
      set(await readSettings());
    },
    ready: () => (reading ??= get().load()),
    change: (id, part) => setRoll(changeInRoll(get().roll, id, part)),
    add(instrument, after) {
      const id = crypto.randomUUID();
      setRoll(addToRoll(get().roll, instrument, id, after));
      return id;
    },
    move: (id, to) => setRoll(moveInRoll(get().roll, id, to)),
    remove: (id) => setRoll(removeFromRoll(get().roll, id)),
    reset: () => setRoll(FIRST_ROLL),
    bringBack: setRoll,
    mixInk(id, colour) {
      set({ inks: [colour, ...get().inks.filter((c) => c !== colour)].slice(0, MOST_INKS) });
      setRoll(changeInRoll(get().roll, id, { colour }));
    },
    setHand: (hand) => setAndKeep({ hand }),
    setSettle: (settle) => setAndKeep({ settle }),
    setWidthFollows: (widthFollows) => setAndKeep({ widthFollows }),
    setAuthor: (author) => setAndKeep({ author }),
    setFingers: (fingers) => setAndKeep({ fingers }),
    seePen() {
      if (!get().penSeen) setAndKeep({ penSeen: true });
    },
    noteTaught(id) {
      const { taught } = get();
      if (id === null) setAndKeep({ taught: [] });
      else if (!taught.includes(id)) setAndKeep({ taught: [...taught, id] });
    },
    setSearchAt: (searchAt) => setAndKeep({ searchAt }),
    setLook: (look) => setAndKeep({ look }),
    setReading: (part) => setAndKeep({ reading: { ...get().reading, ...part } }),
    setSending: (part) => setAndKeep({ sending: { ...get().sending, ...part } }),
    noteSign: (sign) =>
      setAndKeep({
        signs: [sign, ...get().signs.filter((one) => one !== sign)].slice(0, MOST_SIGNS),
      }),
    notePlaced: (id) =>
      setAndKeep({
        placed: [id, ...get().placed.filter((one) => one !== id)].slice(0, MOST_PLACED),
      }),
    noteUsed: (id) =>
      setAndKeep({ used: [id, ...get().used.filter((one) => one !== id)].slice(0, MOST_USED) }),
  };
});
