import type { NotesAt } from '@marginalis/core/copy';
import { leadingSource, plainDocument, sourcesOfPages } from '@marginalis/core/document';
import type { Source } from '@marginalis/core/pdf';
import { BYTES_GONE, type DocumentSession, passwordFor } from '@/session';
import { readSource } from '@/storage';
import { faceAddresses, type Jobs, ownFaces } from '@/work';
import { notesFor } from './notesFor';
import type { CopyOfPart } from './copyOfPart';

/** What is asked of the worker that makes a copy; of pages whose layer is given the marks are not there. */
export type AskOfCopy = Jobs['fixedCopy']['ask'];

/** Where notes stand that are in the copy. */
export const notesAtOf = (notes: CopyOfPart['notes']): NotesAt =>
  notes === 'beside' ? 'beside' : 'end';

/** The files that pages are taken from; null where the bytes of one are gone. */
async function sourcesOf(shas: Iterable<string>): Promise<AskOfCopy['sources'] | null> {
  const sources: Source[] = [];
  for (const sha of shas) {
    const bytes = await readSource(sha);
    if (!bytes) return null;
    const password = passwordFor(sha);
    sources.push({ sha, bytes, ...(password === undefined ? {} : { password }) });
  }
  return sources;
}

/** Gathers what a copy is made of; what is missing, in words. Rejects when storage cannot be read. */
export async function askOfCopy(
  session: DocumentSession,
  { part, notes, protection = null, smaller = null, withoutCut = false }: CopyOfPart,
): Promise<
  { readonly ok: true; readonly ask: AskOfCopy } | { readonly ok: false; readonly message: string }
> {
  const { title } = session.desk;
  const { document, names } = part;
  const sources = await sourcesOf(
    new Set([
      leadingSource(document.pages, session.leadingSource()),
      ...sourcesOfPages(document.pages),
    ]),
  );
  if (!sources) return { ok: false, message: BYTES_GONE };
  const layers = session.copyLayers.known(document);
  const unknown = new Map([...document.marks].filter(([page]) => !layers.has(page)));
  const ask: AskOfCopy = {
    sources,
    document: plainDocument({ ...document, marks: unknown }),
    layers,
    faces: faceAddresses(),
    own: await ownFaces.files(),
    notes: notes === 'none' ? [] : notesFor(document, (index) => names[index]),
    notesAt: notesAtOf(notes),
    copyOf: { title, madeAt: Date.now() },
    protection,
    dpi: smaller,
    withoutCut,
  };
  return { ok: true, ask };
}
