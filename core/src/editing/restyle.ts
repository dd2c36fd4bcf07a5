import type { Dash } from '../figures/index.ts';
import { type DocState, findMark, type Transaction } from '../document/index.ts';
import {
  type Fill,
  type InkMark,
  type Mark,
  type MarkId,
  type MarkStyle,
  without,
} from '../marks/index.ts';
import { changeable } from './carry.ts';

/** What of marks can be changed after the fact; what a mark does not have is left. */
export interface Restyle {
  readonly style?: Partial<MarkStyle>;
  /** 0–100; of ink. */
  readonly steadiness?: number;
  /** Of figures. */
  readonly dash?: Dash;
  /** Of closed figures; null empties them. */
  readonly fill?: Fill | null;
  /** Nobody when empty. */
  readonly author?: string;
}

/** Gives marks another look, whatever they are; null when nothing changes. */
export function restyleMarks(
  state: DocState,
  ids: Iterable<MarkId>,
  restyle: Restyle,
): Transaction | null {
  const changes = changeable(state, ids).flatMap((before) => {
    const after = restyled(before, restyle);
    return JSON.stringify(lookOf(after)) === JSON.stringify(lookOf(before))
      ? []
      : [{ id: before.id, before, after }];
  });
  return changes.length === 0 ? null : { label: 'Change the look', changes };
}

function restyled(mark: Mark, { style, steadiness, dash, fill, author }: Restyle): Mark {
  const { author: was, ...rest } = mark;
  const name = author ?? was;
  const base = {
    ...rest,
    ...(name ? { author: name } : {}),
    style: { ...mark.style, ...style },
  } as Mark;
  if (base.kind === 'ink')
    return steadiness === undefined ? base : { ...base, ink: { ...base.ink, steadiness } };
  // The inside keeps to the outline's ink.
  const inside = fill === undefined ? base.fill : fill;
  const colour = style?.colour;
  return {
    ...base,
    dash: dash ?? base.dash,
    fill: inside && colour ? { ...inside, colour } : inside,
  };
}

const lookOf = (mark: Mark): unknown[] => [
  mark.style,
  mark.author,
  mark.kind === 'ink' ? mark.ink.steadiness : [mark.dash, mark.fill],
];

/** Locks marks, so that they are seen but not changed, or unlocks them; null when they are so already. */
export function lockMarks(
  state: DocState,
  ids: Iterable<MarkId>,
  lock: boolean,
): Transaction | null {
  const changes = [...new Set(ids)].flatMap((id) => {
    const before = findMark(state, id);
    if (!before || Boolean(before.locked) === lock) return [];
    const after: Mark = lock ? { ...before, locked: true } : without(before, 'locked');
    return [{ id, before, after }];
  });
  return changes.length === 0 ? null : { label: lock ? 'Lock' : 'Unlock', changes };
}

/**
 * Gives ink that is written another steadiness; what is seen is derived anew from its samples. Marks that are no
 * ink, are locked, or have it already, are left; null when nothing changes.
 */
export function steadyInk(
  state: DocState,
  ids: Iterable<MarkId>,
  steadiness: number,
): Transaction | null {
  const changes = changeable(state, ids).flatMap((before) => {
    if (before.kind !== 'ink' || before.ink.steadiness === steadiness) return [];
    const after: InkMark = { ...before, ink: { ...before.ink, steadiness } };
    return [{ id: before.id, before, after }];
  });
  return changes.length === 0 ? null : { label: 'Change steadiness', changes };
}
