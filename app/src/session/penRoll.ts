import type { Instrument } from '@marginalis/core/marks';
import { create } from 'zustand';
import { FIRST_SETTINGS, keepSettings, readSettings, type Settings } from '@/storage';

interface PenRoll extends Settings {
  /** Id of the instrument in hand. */
  readonly current: string;
  load(): Promise<void>;
  choose(id: string): void;
  /** Changes an instrument of the roll, for this and every later stroke. */
  change(
    id: string,
    part: Partial<Pick<Instrument, 'colour' | 'widthMm' | 'steadiness' | 'tidy'>>,
  ): void;
  setHand(hand: Settings['hand']): void;
}

/** The person's instruments, kept across sessions. */
export const usePenRoll = create<PenRoll>((set, get) => {
  const keep = (): void => {
    const { roll, hand } = get();
    // The roll is in memory; failing to store it costs a colour next time, not a mark.
    keepSettings({ roll, hand }).catch((e: unknown) =>
      console.warn('The pen roll could not be stored.', e),
    );
  };
  return {
    ...FIRST_SETTINGS,
    current: FIRST_SETTINGS.roll[0].id,
    async load() {
      const settings = await readSettings();
      const { current } = get();
      const held = settings.roll.some((i) => i.id === current) ? current : settings.roll[0].id;
      set({ ...settings, current: held });
    },
    choose: (id) => set({ current: id }),
    change(id, part) {
      set({ roll: get().roll.map((i) => (i.id === id ? { ...i, ...part } : i)) });
      keep();
    },
    setHand(hand) {
      set({ hand });
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
  (FIRST_SETTINGS.roll.at(-1) as Instrument);
