import { type ListedNote, remarkInWords } from '../derived/index.ts';
import type { Task } from '../document/index.ts';

export type TaskState = 'to-do' | 'begun' | 'done';

/** A note that asks for something to be done. */
export interface ListedTask {
  readonly note: ListedNote;
  readonly task: Task;
  /** In a line: its own title, or how the note begins. */
  readonly title: string;
  readonly state: TaskState;
}

/** Characters of a note that stand for a title. */
const TITLE = 120;

/** The tasks among notes: those to be done by the day until when, those without a day after them, those done at the end; else as the notes stand. */
export function listTasks(notes: readonly ListedNote[]): readonly ListedTask[] {
  const tasks = notes.flatMap((note): ListedTask[] => {
    const { task, settled } = note.thread;
    if (!task) return [];
    const state = settled ? 'done' : task.begun ? 'begun' : 'to-do';
    return [{ note, task, title: titleOf(note, task), state }];
  });
  const rank = ({ state, task }: ListedTask): string =>
    state === 'done' ? '2' : task.until === null ? '1' : `0${task.until}`;
  return tasks.sort((a, b) => (rank(a) < rank(b) ? -1 : rank(a) > rank(b) ? 1 : 0));
}

function titleOf({ thread }: ListedNote, { title }: Task): string {
  if (title !== '') return title;
  const line = remarkInWords(thread.remarks[0]).split('\n', 1)[0];
  return line.length > TITLE ? `${line.slice(0, TITLE - 1).trimEnd()}…` : line;
}

/** Whether a task should have been done before `today`, a day as `YYYY-MM-DD`. */
export const isOverdue = ({ task, state }: ListedTask, today: string): boolean =>
  state !== 'done' && task.until !== null && task.until < today;
