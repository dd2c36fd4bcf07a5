import { composedKind } from '../composed.ts';
import type { Kind } from '../kind.ts';
import type { StampMark } from './mark.ts';

/**
 * The kind of stamps, whose parts are marks of others.
 * @param others every kind that is not made of others, by its name
 */
export const stampKind = (others: Readonly<Record<string, unknown>>): Kind<StampMark> =>
  composedKind(others, {
    name: 'stamp',
    sorts: { stamp: 'Stamps' },
    words: (_, text) => ({ name: 'Stamp', text, sort: 'stamp' }),
  });
