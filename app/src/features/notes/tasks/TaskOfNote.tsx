import { type ListedNote, listNotes } from '@marginalis/core/derived';
import { setTask } from '@marginalis/core/editing';
import { useMemo, useState } from 'react';
import { useSession, useSessionState } from '@/session';
import { PictureField } from './PictureField';
import { NO_TASK, TaskFields } from './TaskFields';

/** The fields of a note's task, kept in the document. */
export function TaskOfNote({ note, onDone }: { note: ListedNote; onDone: () => void }) {
  const { thread, number } = note;
  const session = useSession();
  const kept = useSessionState((s) => s.document.attachments.get(thread.task?.picture ?? ''));
  const [picture, setPicture] = useState(kept ?? null);
  const all = useSessionState((s) => listNotes(s.document));
  const [kinds, people] = useMemo(() => known(all), [all]);
  return (
    <TaskFields
      label={`Task of note ${number}`}
      task={thread.task ?? NO_TASK}
      kinds={kinds}
      people={people}
      onKeep={(task) => {
        const asked = { ...task, picture: picture?.id };
        session.dispatch(setTask(thread, asked, picture === kept ? null : picture));
        onDone();
      }}
      onLeave={onDone}
    >
      <PictureField note={note} picture={picture} onPicture={setPicture} />
    </TaskFields>
  );
}

/** The kinds of task, and the people, that notes name already. */
function known(notes: readonly ListedNote[]): readonly [string[], string[]] {
  const tasks = notes.flatMap(({ thread }) => thread.task ?? []);
  const said = (words: readonly string[]): string[] => [...new Set(words.filter(Boolean))];
  const authors = notes.flatMap(({ thread }) => thread.remarks.map(({ author }) => author));
  return [said(tasks.map(({ kind }) => kind)), said([...tasks.map(({ who }) => who), ...authors])];
}
