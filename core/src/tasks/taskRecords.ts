import { remarkInWords } from '../derived/index.ts';
import type { Attachment, Remark, Tag, Task } from '../document/index.ts';
import type { ListedTask, TaskState } from './listTasks.ts';

/** What of a document tasks are said with when they leave it. */
export interface TaskSource {
  /** What the document is called. */
  readonly document: string;
  /** What a page, from 0, is called. */
  readonly nameOf: (page: number) => string;
  readonly tags: ReadonlyMap<string, Tag>;
  readonly attachments: ReadonlyMap<string, Attachment>;
}

/** A task as other programs are told of it: plain text, times as ISO 8601 writes them. */
export interface TaskRecord {
  /** The same whenever the task leaves again. */
  readonly id: string;
  /** Of its note in the document. */
  readonly number: number;
  readonly document: string;
  readonly kind: string;
  readonly title: string;
  readonly who: string;
  /** `YYYY-MM-DD`; empty without. */
  readonly until: string;
  readonly state: TaskState;
  /** What its page is called; empty where its place is gone. */
  readonly page: string;
  /** What it is about, in words. */
  readonly about: string;
  /** The note and the answers to it, a line each. */
  readonly says: string;
  readonly labels: readonly string[];
  /** What it carries with it; null without. */
  readonly picture: Pick<Attachment, 'name' | 'type' | 'data'> | null;
  readonly author: string;
  readonly madeAt: string;
  readonly changedAt: string;
  /** Empty while it is open. */
  readonly doneAt: string;
}

const iso = (time: number): string => new Date(time).toISOString();

/** Tasks as plain records, in their order. */
export function taskRecords(tasks: readonly ListedTask[], source: TaskSource): TaskRecord[] {
  return tasks.map(({ note, task, title, state }) => {
    const { thread, number, about } = note;
    const [first, ...answers] = thread.remarks;
    const times = thread.remarks.map(({ madeAt, editedAt }) => editedAt ?? madeAt);
    return {
      id: thread.id,
      number,
      document: source.document,
      kind: task.kind,
      title,
      who: task.who,
      until: task.until ?? '',
      state,
      page: about ? source.nameOf(about.page) : '',
      about: thread.was ?? about?.words.text ?? '',
      says: [remarkInWords(first), ...answers.map(said)].join('\n'),
      labels: thread.tags.flatMap((id) => source.tags.get(id)?.name ?? []),
      picture: pictureOf(task, source),
      author: first.author,
      madeAt: iso(first.madeAt),
      changedAt: iso(Math.max(...times, thread.settled?.at ?? 0)),
      doneAt: thread.settled ? iso(thread.settled.at) : '',
    };
  });
}

const said = (remark: Remark): string =>
  remark.author === '' ? remarkInWords(remark) : `${remark.author}: ${remarkInWords(remark)}`;

function pictureOf({ picture = '' }: Task, { attachments }: TaskSource): TaskRecord['picture'] {
  const attachment = attachments.get(picture);
  if (!attachment) return null;
  const { name, type, data } = attachment;
  return { name, type, data };
}
