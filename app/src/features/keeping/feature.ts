import { late, type ReaderFeature, UNKEPT } from '@/shell';
import { DeskPicture } from './DeskPicture';
import { Notices } from './Notices';
import { Saving } from './Saving';

const UnkeptSheet = late(async () => (await import('./UnkeptSheet')).UnkeptSheet);

/** What is kept and what is not, said where it must be seen. */
export const keepingFeature: ReaderFeature = {
  name: 'keeping',
  Status: Saving,
  Notices,
  Over: DeskPicture,
  dialogs: [{ id: UNKEPT, Content: UnkeptSheet }],
};
