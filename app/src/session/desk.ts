import { documentOfParts, type NamedPart } from '@marginalis/core/document';
import { createJournal } from '@marginalis/core/journal';
import {
  createJournalStore,
  type DeskDocument,
  dropDocument,
  dropJournal,
  dropPlace,
  findDocument,
  holdsSource,
  keepDocument,
  keepSource,
  readShelf,
  sha256,
} from '@/storage';
import { startWork } from '@/work';
import { ifUnused } from './inUse';
import { lookAt } from './lookAt';
import { noRoom } from './noRoom';
import { pagesAsCame } from './pagesAsCame';
import { isReturned, type Returned, sentFrom } from './returned';
import { dropUnheld } from './unheld';

/** What came of opening a file; `already` when it lies on the desk. */
export type Added =
  | {
      readonly ok: true;
      readonly document: DeskDocument;
      readonly already: boolean;
      /** It is a living copy that has been marked further elsewhere, sent from the document. */
      readonly returned?: ReturnedCopy;
    }
  | { readonly ok: false; readonly message: string };

/** A living copy that has come back, and how it is laid down as a document of its own where it was sent from one that is here. */
export interface ReturnedCopy extends Returned {
  readonly layDown: (() => Promise<Added>) | null;
}

const titleOfFile = (fileName: string): string =>
  fileName.replace(/\.pdf$/i, '').trim() || 'Untitled';

/** Under this key what lies on the desk is remembered; who changes it from elsewhere says so. */
export const DESK_KEY = 'desk';

/** Documents lying on the desk, the last worked on first. */
export async function deskDocuments(): Promise<{ documents: DeskDocument[]; unreadable: number }> {
  const { documents, unreadable } = await readShelf();
  return {
    documents: documents.filter((d) => !d.removed).sort((a, b) => b.workedAt - a.workedAt),
    unreadable,
  };
}

/** Lays a file on the desk. The same bytes are never kept twice; `asSecond` lays down a blank document of them beside the first. */
export async function addDocument(
  fileName: string,
  bytes: Uint8Array,
  now: number,
  asSecond = false,
): Promise<Added> {
  const source = await sha256(bytes);
  const alike = (await readShelf()).documents.filter(
    (d) => !d.isPart && (d.source === source || d.cameAs === source),
  );
  // The one that lies here, not one that was taken off.
  const known = alike.find((d) => !d.removed) ?? alike[0];
  if (known && !asSecond) {
    try {
      // Opening the file again heals a source the browser has lost.
      if (known.source === source && !(await holdsSource(source))) await keepSource(source, bytes);
    } catch (e) {
      return { ok: false, message: noRoom(fileName, e) };
    }
    const document = { ...known, removed: false, workedAt: now };
    await keepDocument(document);
    return { ok: true, document, already: !known.removed };
  }
  const blank: DeskDocument = {
    id: crypto.randomUUID(),
    title: titleOfFile(fileName),
    fileName,
    source,
    sources: [],
    marked: null,
    count: null,
    isPart: false,
    copyOf: null,
    cameAs: null,
    written: null,
    size: bytes.length,
    pages: [],
    scanned: false,
    signed: false,
    locked: false,
    rescued: false,
    addedAt: now,
    workedAt: now,
    removed: false,
    picture: null,
  };
  const looked = await lookAt(blank, bytes);
  if (!looked.ok) return looked;
  const living = looked.living ? await layLivingCopy(fileName, bytes, now) : null;
  if (living) return living;
  if (known)
    looked.document = { ...looked.document, title: nextTitle(looked.document.title, alike) };
  try {
    await keepSource(source, bytes);
    await keepDocument(looked.document);
    askToStay();
  } catch (e) {
    await dropUnheld([source]);
    return { ok: false, message: noRoom(fileName, e) };
  }
  return { ok: true, document: looked.document, already: false };
}

/** Lays a living copy on the desk: its source as a document of its own, with every mark as it was. Null where it cannot be taken apart. */
async function layLivingCopy(
  fileName: string,
  bytes: Uint8Array,
  now: number,
): Promise<Added | null> {
  const opened = await startWork('openLiving', { bytes, now }).result;
  if (!opened.ok || !opened.value) return null;
  const { source, parts, elsewhere } = opened.value;
  const returned = isReturned(elsewhere)
    ? { elsewhere, pages: parts.flatMap((one) => (one.part === 'page' ? [one.value] : [])) }
    : null;
  if (!returned) return layParts(fileName, source, parts, now);
  // The source itself, or what it was before another program wrote all of it anew.
  const shown = returned.pages.flatMap(({ shows }) => ('source' in shows ? [shows.source] : []));
  const sources = new Set([await sha256(source), ...shown]);
  const { documents } = await readShelf();
  const alike = documents.filter((d) => sources.has(d.source) && !d.removed);
  const document = await sentFrom(alike, parts);
  const layDown = () => layParts(fileName, source, parts, now);
  if (document) return { ok: true, document, already: true, returned: { ...returned, layDown } };
  const laid = await layDown();
  return laid.ok ? { ...laid, returned: { ...returned, layDown: null } } : laid;
}

/** Lays a source on the desk with the parts of a document on it. */
async function layParts(
  fileName: string,
  source: Uint8Array,
  parts: readonly NamedPart[],
  now: number,
): Promise<Added> {
  const added = await addDocument(fileName, source, now, true);
  if (!added.ok) return added;
  // What others have written in the source was left in the print when it was marked.
  if (added.document.written) await changeDocument(added.document.id, { written: null });
  const pages = pagesAsCame(added.document);
  try {
    const journal = createJournal(createJournalStore(added.document.id));
    await journal.begin(pages, documentOfParts(pages, parts));
    return added;
  } catch (e) {
    await changeDocument(added.document.id, { removed: true });
    return { ok: false, message: noRoom(fileName, e) };
  }
}

/** “Title (2)”, or the first number that is free. */
function nextTitle(title: string, alike: readonly DeskDocument[]): string {
  let n = 2;
  while (alike.some((d) => d.title === `${title} (${n})`)) n++;
  return `${title} (${n})`;
}

/** Asks the browser not to clear what is stored when it runs short; it may refuse, and nothing depends on it. */
function askToStay(): void {
  navigator.storage?.persist?.().catch(() => undefined);
}

export async function renameDocument(id: string, title: string): Promise<void> {
  if (title.trim()) await changeDocument(id, { title: title.trim() });
}

/** Takes a document off the desk; it can be put back until it is dropped. */
export async function removeDocument(id: string): Promise<void> {
  await changeDocument(id, { removed: true });
}

export async function putBack(id: string): Promise<void> {
  await changeDocument(id, { removed: false });
}

/** Drops what was removed, its marks and bytes included; not what a tab has open or still offers to put back. */
export async function dropRemoved(): Promise<void> {
  for (const { id, removed } of (await readShelf()).documents)
    if (removed)
      await ifUnused(id, async () => {
        // Put back, or dropped, by another tab in the meantime?
        const document = await findDocument(id);
        if (!document?.removed) return;
        await dropDocument(id);
        await dropJournal(id);
        await dropPlace(id);
        await dropUnheld([document.source, ...document.sources]);
      });
}

/** Has a document hold sources that a step of it refers to, for as long as it is there. */
export async function holdSources(id: string, sources: readonly string[]): Promise<void> {
  if (sources.length === 0) return;
  const document = await findDocument(id);
  if (!document) return;
  const more = sources.filter((s) => s !== document.source && !document.sources.includes(s));
  if (more.length > 0) await keepDocument({ ...document, sources: [...document.sources, ...more] });
}

/** Changes of entries wait for one another: each reads what the one before has written. */
let changing: Promise<void> = Promise.resolve();

/** Changes what the desk knows of a document, if it is still there. */
export function changeDocument(id: string, part: Partial<DeskDocument>): Promise<void> {
  const change = changing.then(async () => {
    const document = await findDocument(id);
    if (document) await keepDocument({ ...document, ...part });
  });
  // What storage refuses to one must not stop the next.
  changing = change.catch(() => undefined);
  return change;
}

export const noteWorkedOn = (id: string, now: number): Promise<void> =>
  changeDocument(id, { workedAt: now });
