import { listNotes } from '@marginalis/core/derived';
import {
  listTasks,
  taskCalendar,
  type TaskRecord,
  taskRecords,
  taskTable,
} from '@marginalis/core/tasks';
import { fileStem, MOST_SAID, MOST_TASK_BYTES, MOST_TASKS } from '@marginalis/core/wire';
import { sendTasks, ServerError } from '@/remote';
import type { DocumentSession } from '@/session';
import { download } from '@/ui';

/** Bytes around the tasks of a lot. */
const ENVELOPE = 100;

type NameOf = (page: number) => string;

const recordsOf = (session: DocumentSession, nameOf: NameOf): TaskRecord[] => {
  const { document } = session.store.getState();
  const { title } = session.desk;
  return taskRecords(listTasks(listNotes(document)), {
    document: title,
    nameOf,
    tags: document.tags,
    attachments: document.attachments,
  });
};

/** Gives the person the document's tasks as a table. */
export function takeOutTable(session: DocumentSession, nameOf: NameOf): void {
  save(session, 'csv', 'text/csv', taskTable(recordsOf(session, nameOf)));
}

/** Gives the person the document's tasks for a calendar. */
export function takeOutCalendar(session: DocumentSession, nameOf: NameOf): void {
  save(session, 'ics', 'text/calendar', taskCalendar(recordsOf(session, nameOf), Date.now()));
}

function save({ desk }: DocumentSession, ending: string, type: string, text: string): void {
  const name = `${fileStem(desk.title) || 'Document'}, tasks.${ending}`;
  download(new File([text], name, { type: `${type};charset=utf-8` }));
}

/** Sends the document's tasks to the tracker that is set on the server, and says what came of it. */
export async function sendToTracker(
  session: DocumentSession,
  nameOf: NameOf,
  host: string,
): Promise<void> {
  const tasks = recordsOf(session, nameOf).map(clipped);
  try {
    let taken = 0;
    for (const some of inLots(tasks)) taken += await sendTasks({ tasks: some });
    session.notices.tell(taken === 1 ? `1 task is at ${host}.` : `${taken} tasks are at ${host}.`);
  } catch (e) {
    if (!(e instanceof ServerError)) throw e;
    session.notices.tell(`${e.message} Nothing was changed here.`);
  }
}

/** No more of what a task says than is taken. */
function clipped(task: TaskRecord): TaskRecord & { labels: string[] } {
  const clip = (text: string): string => text.slice(0, MOST_SAID);
  return {
    ...task,
    title: clip(task.title),
    about: clip(task.about),
    says: clip(task.says),
    labels: task.labels.map(clip),
  };
}

/** In lots that are taken at once. */
function inLots<T>(tasks: readonly T[]): T[][] {
  const lots: T[][] = [];
  let bytes = Infinity;
  for (const task of tasks) {
    const size = new Blob([JSON.stringify(task)]).size + 1;
    bytes += size;
    const lot = lots[lots.length - 1];
    if (bytes < MOST_TASK_BYTES - ENVELOPE && lot.length < MOST_TASKS) lot.push(task);
    else {
      lots.push([task]);
      bytes = size;
    }
  }
  return lots;
}
