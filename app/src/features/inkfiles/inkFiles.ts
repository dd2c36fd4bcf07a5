import { plainDocument } from '@marginalis/core/document';
import { bringInInk } from '@marginalis/core/editing';
import type { DocumentSession } from '@/session';
import { download } from '@/ui';
import { startWork } from '@/work';

/** Gives the person the document's ink as an InkML file. */
export async function takeOutInk(session: DocumentSession): Promise<void> {
  const { title } = session.desk;
  const document = plainDocument(session.store.getState().document);
  const result = await startWork('writeInk', { document, title }).result;
  if (result.ok)
    download(new File([result.value], `${title}.inkml`, { type: 'application/inkml+xml' }));
  else if (result.failure.kind !== 'stopped') session.notices.tell(result.failure.message);
}

/** Puts an InkML file's ink on the pages it names, or on page `current`. It can be stopped while it is read. */
export async function bringInInkFile(
  session: DocumentSession,
  file: File,
  current: number,
): Promise<void> {
  const { pages } = session.store.getState().document;
  const ask = { text: await file.text(), pages, otherwise: current };
  const say = (done: number, all: number): void =>
    session.notices.setTask({
      text: `Bringing in ${file.name}: stroke ${done} of ${all}`,
      stop: () => work.stop(),
    });
  const work = startWork('readInk', ask, say);
  const result = await work.result;
  session.notices.setTask(null);
  if (result.ok) {
    const { document } = session.store.getState();
    session.dispatch(bringInInk(document, result.value, () => crypto.randomUUID(), Date.now()));
  } else if (result.failure.kind !== 'stopped')
    session.notices.tell(`${file.name}: ${result.failure.message} Nothing was changed.`);
}
