import { waitingMarks } from '@marginalis/core/edition';
import { type Command, late, type Reader, type ReaderFeature } from '@/shell';
import { CARRY, CARRY_TITLE, WAITING } from './ids';

const CarrySheet = late(async () => (await import('./CarrySheet')).CarrySheet);
const WaitingPanel = late(async () => (await import('./WaitingPanel')).WaitingPanel);

const commands = ({ session, shell }: Reader): readonly Command[] => [
  {
    id: CARRY,
    title: `${CARRY_TITLE} …`,
    group: 'Document',
    also: 'new version update replace file revised transfer marks',
    icon: 'pages',
    able: () => session.store.getState().writable,
    run: () => shell.openDialog(CARRY),
  },
  {
    id: WAITING,
    title: 'Marks that wait for a place',
    group: 'Document',
    also: 'lost tray new edition',
    icon: 'list',
    able: () => waitingMarks(session.store.getState().document).length > 0,
    on: () => shell.isOpen(WAITING),
    run: () => shell.togglePanel('margin', WAITING),
  },
];

/** A new edition of what is marked: the marks go over to it. */
export const editionFeature: ReaderFeature = {
  name: 'edition',
  commands,
  panels: [{ id: WAITING, title: 'Waiting', side: 'margin', Content: WaitingPanel }],
  dialogs: [{ id: CARRY, Content: CarrySheet }],
};
