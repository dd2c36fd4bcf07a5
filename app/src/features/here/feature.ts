import type { ReaderFeature } from '@/shell';
import { HereChip } from './HereChip';
import { HoldHere } from './HoldHere';

/** What can stand at a bare place of a page: asked by holding it, or with the right button of a mouse. */
export const hereFeature: ReaderFeature = {
  name: 'here',
  OnPage: HereChip,
  Over: HoldHere,
};
