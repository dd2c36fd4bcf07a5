import { documentOfParts, REFUSALS } from '@marginalis/core/document';
import { createJournal } from '@marginalis/core/journal';
import {
  createJournalStore,
  type DeskDocument,
  dropJournal,
  keepDocument,
  keepSource,
  readSource,
  sha256,
} from '@/storage';
import { startWork } from '@/work';
import type { Added } from './desk';
import { lookAt } from './lookAt';
import { noRoom } from './noRoom';
import { pagesAsCame } from './pagesAsCame';
import { holdPassword } from './passwords';
import { isReturned } from './returned';
import { takeInWhenOpened } from './takingIn';
import { dropUnheld } from './unheld';

/** Opens a locked document with its password; a sentence when it does not fit. */
export async function unlockDocument(document: DeskDocument, password: string): Promise<Added> {
  const bytes = await readSource(document.source);
  if (!bytes) return { ok: false, message: 'The bytes of this document are no longer in storage.' };
  const looked = await lookAt(document, bytes, password);
  if (!looked.ok) return looked;
  if (looked.document.pages.length === 0) return { ok: false, message: REFUSALS['wrong-password'] };
  holdPassword(document.source, password);
  // A picture of a locked page would show what the lock hides.
  const kept = { ...looked.document, title: document.title, locked: true, picture: null };
  const isNew = document.pages.length === 0;
  try {
    const living = isNew && looked.living ? await takeApart(kept, bytes, password) : null;
    if (living) return { ok: true, document: living, already: true };
    await keepDocument(kept);
  } catch (e) {
    return { ok: false, message: noRoom(document.title, e) };
  }
  return { ok: true, document: kept, already: true };
}

/** Makes a locked living copy, where it lies, its source with every mark as it was; locked as it came. Null where it cannot be taken apart. */
async function takeApart(
  document: DeskDocument,
  bytes: Uint8Array,
  password: string,
): Promise<DeskDocument | null> {
  const opened = await startWork('openLiving', { bytes, now: Date.now(), password }).result;
  if (!opened.ok || !opened.value) return null;
  const { source: within, parts, elsewhere } = opened.value;
  const source = await sha256(within);
  const kept = {
    ...document,
    ...{ source, size: within.length, cameAs: document.source, written: null },
  };
  try {
    await keepSource(source, within);
    const journal = createJournal(createJournalStore(document.id));
    const pages = pagesAsCame(kept);
    await journal.begin(pages, documentOfParts(pages, parts));
    await keepDocument(kept);
  } catch (e) {
    await dropJournal(document.id);
    await dropUnheld([source]);
    throw e;
  }
  holdPassword(source, password);
  if (isReturned(elsewhere)) {
    const sent = parts.flatMap((one) => (one.part === 'page' ? [one.value] : []));
    takeInWhenOpened(document.id, { elsewhere, pages: sent });
  }
  await dropUnheld([document.source]);
  return kept;
}
