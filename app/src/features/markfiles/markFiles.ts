import { plainDocument } from '@marginalis/core/document';
import { fillAll } from '@marginalis/core/fields';
import { type DocumentSession, formOf, takeInElsewhere, useSettings } from '@/session';
import type { Reader } from '@/shell';
import { download } from '@/ui';
import { startWork } from '@/work';

/** Gives the person the document's marks and notes as an XFDF file. */
export async function takeOutMarks(session: DocumentSession): Promise<void> {
  const { title, fileName } = session.desk;
  const document = plainDocument(session.store.getState().document);
  const result = await startWork('writeXfdf', { document, fileName }).result;
  if (result.ok)
    download(new File([result.value], `${title}.xfdf`, { type: 'application/vnd.adobe.xfdf' }));
  else if (result.failure.kind !== 'stopped') session.notices.tell(result.failure.message);
}

/** Takes the marks and notes of an XFDF file into the document, in one step. */
export async function bringInMarks(
  { session, pictures }: Pick<Reader, 'session' | 'pictures'>,
  file: File,
): Promise<void> {
  const document = plainDocument(session.store.getState().document);
  const text = await file.text();
  const result = await startWork('readXfdf', { text, document, now: Date.now() }).result;
  if (result.ok) {
    const { elsewhere, fields } = result.value;
    // What is only in the form is no mark, and is not missed among them.
    if (elsewhere.changes.length > 0 || fields.size === 0)
      await takeInElsewhere(session, document.pages, elsewhere);
    await bringInValues({ session, pictures }, fields);
  } else if (result.failure.kind !== 'stopped')
    session.notices.tell(`${file.name}: ${result.failure.message} Nothing was changed.`);
}

/** Fills the form of the document in with the values of a file. */
async function bringInValues(
  { session, pictures }: Pick<Reader, 'session' | 'pictures'>,
  values: ReadonlyMap<string, readonly string[]>,
): Promise<void> {
  if (values.size === 0) return;
  const { pages } = session.store.getState().document;
  const sources = new Set(pages.flatMap(({ shows }) => ('source' in shows ? [shows.source] : [])));
  for (const source of sources) {
    const open = pictures(source);
    if (!open) continue;
    const form = await formOf(source, open);
    const { author } = useSettings.getState();
    const { document } = session.store.getState();
    session.dispatch(fillAll(document, source, form, values, { now: Date.now(), author }));
  }
}
