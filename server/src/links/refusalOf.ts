import { ValidationError } from 'yup';
import { CannotDraw } from '../pictures/artist.ts';
import { LinkGone, LinkStoreFull } from './linkStore.ts';
import { NotPdf, TooLarge } from './receivePdf.ts';

/** Why something could not be taken, as a status and a sentence; null for what nobody foresaw. */
export function refusalOf(e: unknown): readonly [status: number, message: string] | null {
  if (e instanceof NotPdf) return [415, 'Only a PDF can be shared by a link.'];
  if (e instanceof TooLarge)
    return [413, 'This file is too large for a link. Download it instead.'];
  if (e instanceof ValidationError) return [400, `This cannot be taken: ${e.message}.`];
  if (e instanceof LinkStoreFull)
    return [507, 'The server has no room for more links now. Download the copy instead.'];
  if (e instanceof CannotDraw)
    return [422, 'No pictures can be made of this copy. Let your guests download it instead.'];
  if (e instanceof LinkGone) return [410, 'This link was withdrawn.'];
  return null;
}
