import { type Instrument, isMarking, isPicking } from './instrument.ts';

/** What of a roll is shown where there is no room for all of it. */
export interface RollInSight {
  /** What writes, in the roll's order: what was used last. */
  readonly writing: readonly Instrument[];
  /** Out of sight, one tap away. */
  readonly rest: readonly Instrument[];
  /** The eraser and the picker used last, which are always in sight; null where the roll has none. */
  readonly eraser: Instrument | null;
  readonly picker: Instrument | null;
}

/** Instruments, the last used first, then those that are not among `used`. */
export function byUse<I extends Instrument>(all: readonly I[], used: readonly string[]): I[] {
  const rank = ({ id }: I): number => (used.includes(id) ? used.indexOf(id) : used.length);
  return [...all].sort((a, b) => rank(a) - rank(b));
}

/**
 * Chooses what of a roll has one of `room` places for what writes; where not all fit, one of them is for the way to the
 * rest. `used` are ids, the last used first.
 */
export function rollInSight(
  roll: readonly Instrument[],
  used: readonly string[],
  room: number,
): RollInSight {
  const lastOf = (is: (kind: Instrument['kind']) => boolean): Instrument | null =>
    byUse(
      roll.filter((i) => is(i.kind)),
      used,
    )[0] ?? null;
  const all = roll.filter(({ kind }) => isMarking(kind));
  const [eraser, picker] = [lastOf((kind) => kind === 'eraser'), lastOf(isPicking)];
  const others = roll.filter((i) => !isMarking(i.kind) && i !== eraser && i !== picker);
  const fit = all.length + Math.min(1, others.length) <= room ? all.length : Math.max(1, room - 1);
  const shown = new Set(byUse(all, used).slice(0, fit));
  return {
    writing: all.filter((i) => shown.has(i)),
    rest: [...all.filter((i) => !shown.has(i)), ...others],
    eraser,
    picker,
  };
}
