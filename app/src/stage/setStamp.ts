import type { StampMark } from '@marginalis/core/kinds';
import {
  filledIn,
  makeStamp,
  type NewStamp,
  type StampDesign,
  type StampFields,
  wordsOfStamp,
} from '@marginalis/core/stamps';
import { pageFonts } from './pageFonts';

/** A stamp as it would be put on a page, its middle at 0, 0; null where it would say nothing. Rejects when its face cannot be loaded. */
export async function setStamp(
  design: StampDesign,
  fields: StampFields,
  asked: Omit<NewStamp, 'text' | 'width' | 'newId'>,
): Promise<StampMark | null> {
  const text = filledIn(design.says, fields);
  if (text === '') return null;
  const { width } = await pageFonts.settle(wordsOfStamp(design, text));
  return makeStamp(design, { ...asked, text, width, newId: () => crypto.randomUUID() });
}
