import { type Command, late, type Reader, type ReaderFeature } from '@/shell';
import { begin, beginNote } from './beginNote';
import { NOTES, TASKS } from './ids';
import { NoteSigns } from './NoteSigns';
import { stepNote } from './stepNote';

const NotesPanel = late<{ onGone: () => void }>(
  async () => (await import('./NotesPanel')).NotesPanel,
);
const TasksPanel = late<{ onGone: () => void }>(
  async () => (await import('./tasks/TasksPanel')).TasksPanel,
);

const commands = (reader: Reader): readonly Command[] => {
  const { session, shell } = reader;
  return [
    {
      id: 'note',
      title: 'Add a note',
      group: 'Marks',
      also: 'comment remark write margin',
      icon: 'note',
      keys: ['A'],
      forPicked: 'Note',
      forWords: 'Note',
      forPlace: 'Note',
      chip: true,
      able: () => session.store.getState().writable,
      run: () => beginNote(reader),
      atPlace: ({ page, at, area }) => begin(reader, { page, at, area }, ''),
    },
    {
      id: NOTES,
      title: 'Notes',
      group: 'Marks',
      also: 'comments remarks answers margin',
      icon: 'note',
      keys: ['Shift+A'],
      on: () => shell.isOpen(NOTES),
      run: () => shell.togglePanel('margin', NOTES),
    },
    {
      id: TASKS,
      title: 'Tasks',
      group: 'Marks',
      also: 'to do list until who calendar tracker notes',
      icon: 'check',
      on: () => shell.isOpen(TASKS),
      run: () => shell.togglePanel('margin', TASKS),
    },
    {
      id: 'next-note',
      title: 'Next note',
      group: 'Marks',
      also: 'comment remark go step',
      icon: 'note',
      keys: ['.'],
      able: () => session.store.getState().document.threads.size > 0,
      run: () => stepNote(reader, 1),
    },
    {
      id: 'previous-note',
      title: 'Previous note',
      group: 'Marks',
      also: 'comment remark go step back',
      icon: 'note',
      keys: [','],
      able: () => session.store.getState().document.threads.size > 0,
      run: () => stepNote(reader, -1),
    },
  ];
};

/** Notes on words, marks and places, and the answers to them. */
export const notesFeature: ReaderFeature = {
  name: 'notes',
  commands,
  OnPage: NoteSigns,
  panels: [
    {
      id: NOTES,
      title: 'Notes',
      side: 'margin',
      way: { order: 5 },
      beneath: true,
      Content: NotesPanel,
    },
    {
      id: TASKS,
      title: 'Tasks',
      side: 'margin',
      way: { order: 6 },
      beneath: true,
      Content: TasksPanel,
    },
  ],
};
