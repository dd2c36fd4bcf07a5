import {
  type Attachment,
  changeOf,
  type DocState,
  findMark,
  markChange,
  nextOrder,
  type Remark,
  samePart,
  type Tag,
  type Task,
  type Thread,
  type Transaction,
} from '../document/index.ts';
import type { Vec } from '../geometry/index.ts';
import { asNote, type InkMark, type NoteMark } from '../kinds/index.ts';
import type { MarkId, MarkStyle, PageId } from '../marks/index.ts';
import { type Print, quadsOf, quoteOf, type TextRange } from '../print/index.ts';

/** What a note is about: another mark, printed words of a page, or a place or an area of one. */
export type NoteAbout =
  | { readonly mark: MarkId }
  | { readonly page: PageId; readonly print: Print; readonly range: TextRange }
  | { readonly page: PageId; readonly at: Vec; readonly area?: NoteMark['area'] };

export interface NewNote {
  readonly id: string;
  readonly about: NoteAbout;
  readonly text: string;
  /** What is written with the pen; see {@link Remark}. */
  readonly ink?: readonly InkMark[];
  /** Of its sign on the page. */
  readonly style: MarkStyle;
  /** Nobody when empty. */
  readonly author: string;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
}

/** Begins a note, and puts a sign of it on the page where it is about no other mark; null when it says nothing. */
export function addNote(state: DocState, note: NewNote): Transaction | null {
  const { id, about, author, madeAt } = note;
  const said = saidIn(note);
  if (!said) return null;
  const remark: Remark = { id: `${id}.1`, author, ...said, madeAt, editedAt: null };
  const mark = 'mark' in about ? about.mark : id;
  const thread: Thread = { id, mark, remarks: [remark], settled: null, tags: [] };
  const changes = 'mark' in about ? [] : [markChange(null, signOf(state, note, about))];
  return { label: 'Add a note', changes: [...changes, changeOf('thread', null, thread)] };
}

function signOf(
  state: DocState,
  { id, style, author, madeAt }: Pick<NewNote, 'id' | 'style' | 'author' | 'madeAt'>,
  about: Exclude<NoteAbout, { readonly mark: MarkId }>,
): NoteMark {
  const { page } = about;
  const common = {
    kind: 'note',
    id,
    page,
    order: nextOrder(state, page),
    style,
    madeAt,
    ...(author ? { author } : {}),
  } as const;
  if ('at' in about)
    return {
      ...common,
      at: about.at,
      ...(about.area ? { area: about.area } : {}),
      quads: [],
      quote: { exact: '', before: '', after: '' },
    };
  const quads = quadsOf(about.print, about.range);
  return { ...common, at: quads[0][0], quads, quote: quoteOf(about.print, about.range) };
}

/** Has a note be about something else: its sign goes there with it. Null where it is about that already, or that is the sign of a note. */
export function moveNote(
  state: DocState,
  thread: Thread,
  about: NoteAbout,
  style: MarkStyle,
): Transaction | null {
  const [{ author, madeAt }] = thread.remarks;
  const before = asNote(findMark(state, thread.mark));
  const signed = { id: thread.id, style: before?.style ?? style, author, madeAt };
  const after = 'mark' in about ? null : signOf(state, signed, about);
  const mark = 'mark' in about ? about.mark : thread.id;
  if (!after && (mark === thread.mark || asNote(findMark(state, mark)))) return null;
  const moved = { ...thread, mark, was: undefined };
  return {
    label: 'Move a note',
    changes: [
      ...(before || after ? [markChange(before, after)] : []),
      ...(samePart('thread', thread, moved) ? [] : [changeOf('thread', thread, moved)]),
    ],
  };
}

/** What is typed or written, as it is kept; null where that is nothing. */
function saidIn({ text, ink = [] }: Pick<Remark, 'text' | 'ink'>) {
  const said = text.trim();
  if (said === '' && ink.length === 0) return null;
  return { text: said, ...(ink.length > 0 ? { ink } : {}) };
}

const isSameInk = (a: Remark['ink'] = [], b: Remark['ink'] = []): boolean =>
  a.length === b.length && a.every((stroke, k) => stroke === b[k]);

/** Answers a note; null when the answer says nothing. */
export function answerNote(
  thread: Thread,
  { id, author, madeAt, ...answer }: Pick<Remark, 'id' | 'author' | 'text' | 'ink' | 'madeAt'>,
): Transaction | null {
  const said = saidIn(answer);
  if (!said) return null;
  const remark: Remark = { id, author, ...said, madeAt, editedAt: null };
  return changed('Answer a note', thread, { remarks: [...thread.remarks, remark] });
}

/** Says something else in a remark; null when that is the same, or nothing. */
export function rewordRemark(
  thread: Thread,
  remark: Remark,
  say: Pick<Remark, 'text' | 'ink'>,
  editedAt: number,
): Transaction | null {
  const said = saidIn(say);
  if (!said || (said.text === remark.text && isSameInk(said.ink, remark.ink))) return null;
  const remarks = thread.remarks.map((one) =>
    one.id === remark.id ? { ...one, ink: undefined, ...said, editedAt } : one,
  );
  return changed('Change a note', thread, { remarks });
}

/** Takes an answer away; the first remark goes with its note. */
export function removeAnswer(thread: Thread, remark: Remark): Transaction | null {
  if (thread.remarks[0].id === remark.id) return null;
  const remarks = thread.remarks.filter(({ id }) => id !== remark.id);
  return changed('Remove an answer', thread, { remarks });
}

export const settleNote = (thread: Thread, by: string, at: number): Transaction =>
  changed('Settle a note', thread, { settled: { by, at } });

export const reopenNote = (thread: Thread): Transaction =>
  changed('Open a note again', thread, { settled: null });

/**
 * Makes a note ask for something to be done, says that otherwise, or no longer; null when it says so already. `attached` is the picture that the task names,
 * where that is a new one.
 */
export function setTask(
  thread: Thread,
  task: Task | null,
  attached: Attachment | null = null,
): Transaction | null {
  const { task: before, ...rest } = thread;
  const said = task && {
    ...task,
    kind: task.kind.trim(),
    title: task.title.trim(),
    who: task.who.trim(),
  };
  const after: Thread = said ? { ...rest, task: said } : rest;
  if (samePart('thread', thread, after)) return null;
  const label = !said ? 'No longer a task' : before ? 'Change a task' : 'Make a note a task';
  const comes = attached ? [changeOf('attachment', null, attached)] : [];
  return { label, changes: [...comes, changeOf('thread', thread, after)] };
}

/** Gives a note one of the labels, or takes it off. */
export function labelNote(thread: Thread, tag: Tag, on: boolean): Transaction | null {
  const has = thread.tags.includes(tag.id);
  if (has === on) return null;
  const tags = on ? [...thread.tags, tag.id] : thread.tags.filter((id) => id !== tag.id);
  return changed(on ? 'Label a note' : 'Take a label off', thread, { tags });
}

/** Takes a note away, with its sign on the page; a mark that it is about stays. */
export function removeNote(state: DocState, thread: Thread): Transaction {
  const sign = asNote(findMark(state, thread.mark));
  const changes = sign ? [markChange(sign, null)] : [];
  return { label: 'Remove a note', changes: [...changes, changeOf('thread', thread, null)] };
}

const changed = (label: string, thread: Thread, by: Partial<Thread>): Transaction => ({
  label,
  changes: [changeOf('thread', thread, { ...thread, ...by })],
});
