import { plainDocument } from '@marginalis/core/document';
import { type DocumentSession, takeInElsewhere } from '@/session';
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
export async function bringInMarks(session: DocumentSession, file: File): Promise<void> {
  const document = plainDocument(session.store.getState().document);
  const text = await file.text();
  const result = await startWork('readXfdf', { text, document, now: Date.now() }).result;
  if (result.ok) await takeInElsewhere(session, document.pages, result.value);
  else if (result.failure.kind !== 'stopped')
    session.notices.tell(`${file.name}: ${result.failure.message} Nothing was changed.`);
}
