import { type Instrument, type InstrumentChange, writes } from './instrument.ts';

/** A row of instruments, in the person's order. */
export type Roll = readonly Instrument[];

/** More would no longer be at hand. */
export const MOST_INSTRUMENTS = 20;

/** Adds an instrument, or a copy of one, under a new id after the one called `after` (at the end without). */
export function addToRoll(roll: Roll, instrument: Instrument, id: string, after?: string): Roll {
  if (roll.length >= MOST_INSTRUMENTS) return roll;
  const at = roll.findIndex((i) => i.id === after);
  const place = at < 0 ? roll.length : at + 1;
  return [...roll.slice(0, place), { ...instrument, id }, ...roll.slice(place)];
}

/** Moves an instrument to place `to` (from 0) of the roll. */
export function moveInRoll(roll: Roll, id: string, to: number): Roll {
  const moved = roll.find((i) => i.id === id);
  if (!moved) return roll;
  const rest = roll.filter((i) => i.id !== id);
  const place = Math.min(rest.length, Math.max(0, to));
  return [...rest.slice(0, place), moved, ...rest.slice(place)];
}

/** Whether anything of a roll writes. */
export const canWriteWith = (roll: Roll): boolean => roll.some(writes);

/** Takes an instrument out; the last one that writes stays. */
export function removeFromRoll(roll: Roll, id: string): Roll {
  const rest = roll.filter((i) => i.id !== id);
  return canWriteWith(rest) ? rest : roll;
}

/** The roll with an instrument changed. */
export const changeInRoll = (roll: Roll, id: string, change: InstrumentChange): Roll =>
  roll.map((i) => (i.id === id ? ({ ...i, ...change, id, kind: i.kind } as Instrument) : i));
