import type { NotesAt } from '@marginalis/core/copy';
import { plainDocument } from '@marginalis/core/document';
import { type DocumentSession, passwordFor } from '@/session';
import { readSource } from '@/storage';
import { faceAddresses, type Jobs, ownFaces } from '@/work';
import { notesFor } from './notesFor';
import type { CopyOfPart } from './copyOfPart';

const BYTES_GONE = 'The bytes of this document are no longer in storage. Open the file again.';

/** What is asked of the worker that makes a copy; of pages whose layer is given the marks are not there. */
export type AskOfCopy = Jobs['fixedCopy']['ask'];

/** Where notes stand that are in the copy. */
export const notesAtOf = (notes: CopyOfPart['notes']): NotesAt =>
  notes === 'beside' ? 'beside' : 'end';

/** Gathers what a copy is made of; what is missing, in words. Rejects when storage cannot be read. */
export async function askOfCopy(
  session: DocumentSession,
  { part, notes, protection = null, smaller = null }: CopyOfPart,
): Promise<
  { readonly ok: true; readonly ask: AskOfCopy } | { readonly ok: false; readonly message: string }
> {
  const { source, title } = session.desk;
  const { document, names } = part;
  const bytes = await readSource(source);
  if (!bytes) return { ok: false, message: BYTES_GONE };
  const layers = session.copyLayers.known(document);
  const unknown = new Map([...document.marks].filter(([page]) => !layers.has(page)));
  const password = passwordFor(source);
  const ask: AskOfCopy = {
    sources: [{ sha: source, bytes, ...(password === undefined ? {} : { password }) }],
    document: plainDocument({ ...document, marks: unknown }),
    layers,
    faces: faceAddresses(),
    own: await ownFaces.files(),
    notes: notes === 'none' ? [] : notesFor(document, (index) => names[index]),
    notesAt: notesAtOf(notes),
    copyOf: { title, madeAt: Date.now() },
    protection,
    dpi: smaller,
  };
  return { ok: true, ask };
}
