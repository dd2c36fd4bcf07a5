import { type Attachment, type Change, changeOf, type DocState } from '../document/index.ts';

/** What brings in the attachments that a document does not have yet. */
export const missingAttachments = (
  { attachments }: DocState,
  some: readonly Attachment[],
): Change[] =>
  some
    .filter(({ id }, k) => !attachments.has(id) && some.findIndex((one) => one.id === id) === k)
    .map((one) => changeOf('attachment', null, one));
