import { type ListedNote, listNotes } from '@marginalis/core/derived';
import { setTask } from '@marginalis/core/editing';
import { useMemo } from 'react';
import { useSession, useSessionState } from '@/session';
import { useReader } from '@/shell';
import { NO_TASK, TaskFields } from './TaskFields';
import { choosePicture, cutOut } from './taskPicture';

/** The fields of a note's task, kept in the document. */
export function TaskOfNote({ note, onDone }: { note: ListedNote; onDone: () => void }) {
  const { thread, number } = note;
  const session = useSession();
  const reader = useReader();
  const attachments = useSessionState((s) => s.document.attachments);
  const picture = attachments.get(thread.task?.picture ?? '') ?? null;
  const all = useSessionState((s) => listNotes(s.document));
  const [kinds, people] = useMemo(() => known(all), [all]);
  return (
    <TaskFields
      label={`Task of note ${number}`}
      task={thread.task ?? NO_TASK}
      kinds={kinds}
      people={people}
      picture={picture}
      onCut={note.about ? () => cutOut(reader, note) : null}
      onChoose={choosePicture}
      onTrouble={session.notices.tell}
      onKeep={(task, carries) => {
        const asked = { ...task, picture: carries?.id };
        session.dispatch(setTask(thread, asked, carries === picture ? null : carries));
        onDone();
      }}
      onLeave={onDone}
    />
  );
}

/** The kinds of task, and the people, that notes name already. */
function known(notes: readonly ListedNote[]): readonly [string[], string[]] {
  const tasks = notes.flatMap(({ thread }) => thread.task ?? []);
  const said = (words: readonly string[]): string[] => [...new Set(words.filter(Boolean))];
  const authors = notes.flatMap(({ thread }) => thread.remarks.map(({ author }) => author));
  return [said(tasks.map(({ kind }) => kind)), said([...tasks.map(({ who }) => who), ...authors])];
}
