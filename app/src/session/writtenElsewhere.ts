import { overPrint, pagesToRead } from '@marginalis/core/annotations';
import { documentOfParts, type NamedPart } from '@marginalis/core/document';
import { createJournal } from '@marginalis/core/journal';
import type { TakenUp } from '@marginalis/core/pdf';
import type { Print } from '@marginalis/core/print';
import {
  createJournalStore,
  type DeskDocument,
  findDocument,
  keepDocument,
  keepSource,
  readSource,
  sha256,
} from '@/storage';
import { PrintError, PrintReader, startWork } from '@/work';
import { changeDocument } from './desk';
import { pagesAsCame } from './pagesAsCame';
import { dropUnheld } from './unheld';

/** What came of taking up what other programs have written. */
export type TakenUpWritten =
  { readonly ok: true } | { readonly ok: false; readonly message: string };

/**
 * Makes what other programs have written on a document its marks and notes: its source becomes the file without them. Nothing has been done to the document
 * before. Where this breaks off the document is as it came, and may be asked again.
 */
export async function takeUpWritten(id: string, now: number): Promise<TakenUpWritten> {
  const document = await findDocument(id);
  // Another tab has done it, or has said otherwise.
  if (!document?.written) return { ok: true };
  const bytes = await readSource(document.source);
  if (!bytes) return { ok: false, message: 'The bytes of this document are no longer in storage.' };
  const taken = await startWork('takeUp', { bytes, now }).result;
  if (!taken.ok)
    return {
      ok: false,
      message: taken.failure.kind === 'stopped' ? 'Stopped.' : taken.failure.message,
    };
  const { source: without } = taken.value;
  const source = await sha256(without);
  const after = {
    ...document,
    source,
    size: without.length,
    cameAs: document.source,
    written: null,
  };
  const pages = pagesAsCame(after);
  const parts = await partsOf(taken.value, without, (page) => pages[Number(page)].id);
  const begun = documentOfParts(pages, [
    ...pages.map((value) => ({ part: 'page', value }) as const),
    ...parts,
  ]);
  try {
    await keepSource(source, without);
    await createJournal(createJournalStore(document.id)).begin(pages, begun);
    await keepDocument(after);
  } catch (e) {
    await dropUnheld([source]);
    return {
      ok: false,
      message:
        `There is no room in the browser’s storage. ${e instanceof Error ? e.message : ''}`.trim(),
    };
  }
  await dropUnheld([document.source]);
  return { ok: true };
}

/** What other programs have written on a document stays in its print. */
export const leaveWritten = ({ id }: DeskDocument): Promise<void> =>
  changeDocument(id, { written: null });

async function partsOf(
  taken: TakenUp,
  source: Uint8Array,
  idOf: (page: string) => string,
): Promise<NamedPart[]> {
  const prints = await printsOf(source, pagesToRead(taken.marks));
  const { marks, threads } = overPrint(taken, (page) => prints.get(page) ?? null);
  return [
    ...marks.map((mark) => ({ part: 'mark', value: { ...mark, page: idOf(mark.page) } }) as const),
    ...threads.map((value) => ({ part: 'thread', value }) as const),
    ...taken.attachments.map((value) => ({ part: 'attachment', value }) as const),
  ];
}

/** Pages whose print cannot be read are left out: what lies on them stays an area. */
async function printsOf(
  source: Uint8Array,
  pages: ReadonlySet<string>,
): Promise<ReadonlyMap<string, Print>> {
  const prints = new Map<string, Print>();
  if (pages.size === 0) return prints;
  const reader = new PrintReader(async () => source.slice());
  try {
    for (const page of pages) prints.set(page, await reader.page(Number(page)));
  } catch (e) {
    if (!(e instanceof PrintError)) throw e;
  } finally {
    reader.close();
  }
  return prints;
}
