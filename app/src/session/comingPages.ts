import { type DocState, emptyDocument, pagesOfSource, REFUSALS } from '@marginalis/core/document';
import { createJournal } from '@marginalis/core/journal';
import { createJournalStore, type DeskDocument, keepSource, sha256 } from '@/storage';
import { startWork } from '@/work';
import { noRoom } from './noRoom';
import { pagesAsCame } from './pagesAsCame';
import { holdPassword, passwordFor } from './passwords';
import { dropUnheld } from './unheld';
import { unlockDocument } from './unlocking';

/** What a file is refused for whose password is missing, or another one. */
const LOCKS: ReadonlySet<string> = new Set(['locked', 'wrong-password']);

/** A document whose pages can be put among those of another, or why there is none. */
export type Coming =
  | {
      readonly ok: true;
      readonly title: string;
      readonly document: DocState;
      /** Lets go of what was kept for it, where none of its pages was taken. */
      readonly drop: () => Promise<void>;
    }
  | {
      readonly ok: false;
      readonly message: string;
      /** It is locked, and its password was not given, or is another one. */
      readonly isLocked?: boolean;
    };

/** The pages of a file, which is kept; nothing else of it is laid on the desk. What others have written on it is part of its print. */
export async function pagesOfFile(file: File, password?: string): Promise<Coming> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const looked = await startWork('inspect', { bytes, password }).result;
  if (!looked.ok) {
    const { failure } = looked;
    if (failure.kind === 'stopped') return { ok: false, message: 'Stopped.' };
    if (failure.kind === 'refused' && LOCKS.has(failure.reason))
      return { ok: false, isLocked: true, message: failure.message };
    return { ok: false, message: `“${file.name}”: ${failure.message}` };
  }
  const source = await sha256(bytes);
  try {
    await keepSource(source, bytes);
  } catch (e) {
    return { ok: false, message: noRoom(file.name, e) };
  }
  if (password !== undefined) holdPassword(source, password);
  const pages = pagesOfSource(source, looked.value.pages, String);
  return {
    ok: true,
    title: looked.value.title ?? file.name,
    document: emptyDocument(pages),
    drop: () => dropUnheld([source]),
  };
}

/** The pages of a document that lies on the desk, as they are by now. */
export async function pagesOfDocument(asked: DeskDocument, password?: string): Promise<Coming> {
  let desk = asked;
  if (desk.locked && passwordFor(desk.source) === undefined) {
    if (password === undefined) return { ok: false, isLocked: true, message: REFUSALS.locked };
    const unlocked = await unlockDocument(desk, password);
    if (!unlocked.ok) return { ok: false, isLocked: true, message: unlocked.message };
    desk = unlocked.document;
  }
  const journal = createJournal(createJournalStore(desk.id));
  const { state } = await journal.open(pagesAsCame(desk));
  return { ok: true, title: desk.title, document: state, drop: () => Promise.resolve() };
}
