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
      /** Which file it is, of several. */
      readonly name?: string;
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

/** Pages that are being read, which may need a password. */
export interface Reading {
  /** Goes on where a file was locked when it is called again with its password. */
  read(password?: string): Promise<Coming>;
  /** Lets go of what was kept so far: it is not wanted any more. */
  drop(): Promise<void>;
}

/**
 * The pages of several files, one after the other.
 * @param onRead files that have been read, of all
 */
export function pagesOfFiles(
  files: readonly File[],
  onRead: (read: number, of: number) => void,
): Reading {
  const done: Extract<Coming, { ok: true }>[] = [];
  const drop = async (): Promise<void> => {
    for (const one of done.splice(0)) await one.drop();
  };
  const read = async (password?: string): Promise<Coming> => {
    let given = password;
    while (done.length < files.length) {
      const file = files[done.length];
      const coming = await pagesOfFile(file, given);
      given = undefined;
      if (coming.ok) onRead(done.push(coming), files.length);
      else {
        if (!coming.isLocked) await drop();
        return { ...coming, name: file.name };
      }
    }
    if (done.length === 1) return done[0];
    const pages = done.flatMap(({ document }, k) =>
      document.pages.map((page) => ({ ...page, id: `${k} ${page.id}` })),
    );
    return {
      ok: true,
      title: `${done.length} files`,
      document: emptyDocument(pages.map((page, order) => ({ ...page, order }))),
      drop,
    };
  };
  return { read, drop };
}

/** The pages of a document that lies on the desk, as they are by now. */
export const pagesOfDocument = (desk: DeskDocument): Reading => ({
  read: (password) => readDocument(desk, password),
  drop: () => Promise.resolve(),
});

async function readDocument(asked: DeskDocument, password?: string): Promise<Coming> {
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
