import { string } from 'yup';
import { composedKind } from '../composed.ts';
import type { Kind } from '../kind.ts';
import type { SignatureMark } from './mark.ts';

/** Letters that a name may have. */
const LONGEST_NAME = 200;

/**
 * The kind of signatures, whose parts are marks of others.
 * @param others every kind that is not made of others, by its name
 */
export const signatureKind = (others: Readonly<Record<string, unknown>>): Kind<SignatureMark> =>
  composedKind(others, {
    name: 'signature',
    sorts: { signature: 'Signatures' },
    more: { of: string().strict().defined().max(LONGEST_NAME) },
    words: ({ of }, text) => ({
      name: 'Signature',
      text: [of, text].filter(Boolean).join(', '),
      sort: 'signature',
    }),
  });
