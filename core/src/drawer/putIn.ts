import type { Attachment, DocState } from '../document/index.ts';
import { copyMarks } from '../editing/index.ts';
import type { MarkId } from '../marks/index.ts';
import type { DrawerItem } from './item.ts';

export type NewItem = Pick<
  DrawerItem,
  'id' | 'name' | 'folder' | 'sort' | 'dated' | 'order' | 'madeAt' | 'preview'
>;

/** Marks of a document as a thing of the drawer, with what they show; null where none of them can be taken along. */
export function putIn(
  state: DocState,
  ids: Iterable<MarkId>,
  asked: NewItem,
): { readonly item: DrawerItem; readonly attachments: readonly Attachment[] } | null {
  const clip = copyMarks(state, ids);
  if (!clip) return null;
  const { box, rotate, userUnit } = clip.page;
  const item: DrawerItem = {
    ...asked,
    page: { box, rotate, userUnit },
    marks: clip.marks,
    attachments: clip.attachments.map(({ id }) => id),
    uses: 0,
    usedAt: 0,
  };
  return { item, attachments: clip.attachments };
}
