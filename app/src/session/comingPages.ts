import { type DocState, emptyDocument, pagesOfSource } from '@marginalis/core/document';
import { createJournal } from '@marginalis/core/journal';
import { createJournalStore, type DeskDocument, keepSource, sha256 } from '@/storage';
import { startWork } from '@/work';
import { noRoom } from './noRoom';
import { pagesAsCame } from './pagesAsCame';
import { dropUnheld } from './unheld';

/** A document whose pages can be put among those of another, or why there is none. */
export type Coming =
  | {
      readonly ok: true;
      readonly title: string;
      readonly document: DocState;
      /** Lets go of what was kept for it, where none of its pages was taken. */
      readonly drop: () => Promise<void>;
    }
  | { readonly ok: false; readonly message: string };

/** The pages of a file, which is kept; nothing else of it is laid on the desk. What others have written on it is part of its print. */
export async function pagesOfFile(file: File): Promise<Coming> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const looked = await startWork('inspect', { bytes }).result;
  if (!looked.ok) {
    const { failure } = looked;
    if (failure.kind === 'stopped') return { ok: false, message: 'Stopped.' };
    const isLocked = failure.kind === 'refused' && failure.reason === 'locked';
    return {
      ok: false,
      message: isLocked
        ? `“${file.name}” is locked. Open it from the desk with its password, and add its pages from there.`
        : `“${file.name}”: ${failure.message}`,
    };
  }
  const source = await sha256(bytes);
  try {
    await keepSource(source, bytes);
  } catch (e) {
    return { ok: false, message: noRoom(file.name, e) };
  }
  const pages = pagesOfSource(source, looked.value.pages, String);
  return {
    ok: true,
    title: looked.value.title ?? file.name,
    document: emptyDocument(pages),
    drop: () => dropUnheld([source]),
  };
}

/** The pages of a document that lies on the desk, as they are by now. */
export async function pagesOfDocument(desk: DeskDocument): Promise<Coming> {
  const journal = createJournal(createJournalStore(desk.id));
  const { state } = await journal.open(pagesAsCame(desk));
  return { ok: true, title: desk.title, document: state, drop: () => Promise.resolve() };
}
