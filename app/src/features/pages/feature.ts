import { addPaper } from '@marginalis/core/editing';
import { PAPERS, type Pattern, PATTERNS, usualRuling } from '@marginalis/core/paper';
import { type Command, late, type Reader, type ReaderFeature } from '@/shell';
import { pagesAsked } from './asked';
import { changePages } from './changePages';
import {
  ADD_PAPER,
  BRING_PAGES,
  CROP_PAGES,
  MOVE_PAGES,
  NUMBER_PAGES,
  REPLACE_PAGE,
  SPLIT_PAGES,
  TABLE,
  WIDEN_PAGES,
} from './ids';

const PageTable = late(async () => (await import('./PageTable')).PageTable);

/** Puts an empty page after the one in sight, and goes there. */
function addPage({ session, stage }: Reader, pattern: Pattern): void {
  const { document } = session.store.getState();
  const after = document.pages[stage.getSight().current];
  const id = crypto.randomUUID();
  if (session.dispatch(addPaper(document, after?.id ?? null, usualRuling(pattern), id)))
    stage.goToAdded(id);
}

const MovePages = late(async () => (await import('./MovePages')).MovePages);
const WidenPages = late(async () => (await import('./WidenPages')).WidenPages);
const BringPages = late(async () => (await import('./BringPages')).BringPages);
const AddPaper = late(async () => (await import('./AddPaper')).AddPaper);
const ReplacePage = late(async () => (await import('./BringPages')).ReplacePage);
const SplitPages = late(async () => (await import('./SplitPages')).SplitPages);
const NumberPages = late(async () => (await import('./NumberPages')).NumberPages);
const CropPages = late(async () => (await import('./CropPages')).CropPages);

/** What can be done with the page in sight; with several it is done in the table. */
function onePage(reader: Reader): readonly Command[] {
  const { session, stage, shell } = reader;
  const here = (): string[] => {
    const page = session.store.getState().document.pages[stage.getSight().current];
    return page ? [page.id] : [];
  };
  const change = changePages(session);
  const ask = (dialog: string): void => {
    pagesAsked.setState({ ids: here() });
    shell.openDialog(dialog);
  };
  const able = (): boolean => session.store.getState().writable;
  const shared = { group: 'Pages', able } as const;
  return [
    {
      ...shared,
      id: 'turn-page-right',
      title: 'Turn this page right',
      also: 'rotate clockwise scan lies on its side',
      icon: 'turn',
      run: () => change.turn(here(), 90),
    },
    {
      ...shared,
      id: 'turn-page-left',
      title: 'Turn this page left',
      also: 'rotate anticlockwise counterclockwise',
      icon: 'turnLeft',
      run: () => change.turn(here(), 270),
    },
    {
      ...shared,
      id: 'duplicate-page',
      title: 'Duplicate this page',
      also: 'copy page again',
      icon: 'duplicate',
      run: () => change.duplicate(here()),
    },
    {
      ...shared,
      id: 'remove-page',
      title: 'Remove this page',
      also: 'delete drop page',
      icon: 'remove',
      run: () => change.remove(here()),
    },
    {
      ...shared,
      id: MOVE_PAGES,
      title: 'Move this page …',
      also: 'reorder order place',
      icon: 'move',
      run: () => ask(MOVE_PAGES),
    },
    {
      ...shared,
      id: CROP_PAGES,
      title: 'Crop pages …',
      also: 'cut trim edges margins frame',
      icon: 'crop',
      run: () => ask(CROP_PAGES),
    },
    {
      ...shared,
      id: WIDEN_PAGES,
      title: 'Room to write …',
      also: 'widen margin blank space larger page extend',
      icon: 'fitPage',
      run: () => ask(WIDEN_PAGES),
    },
    {
      ...shared,
      id: NUMBER_PAGES,
      title: 'Page numbers …',
      also: 'labels roman numerals number from here print numbering',
      icon: 'pages',
      run: () => ask(NUMBER_PAGES),
    },
    {
      ...shared,
      id: BRING_PAGES,
      title: 'Add pages of another document …',
      also: 'insert join merge combine append file',
      icon: 'addPage',
      run: () => ask(BRING_PAGES),
    },
    {
      ...shared,
      id: REPLACE_PAGE,
      title: 'Replace this page …',
      also: 'swap exchange other file',
      icon: 'pages',
      run: () => ask(REPLACE_PAGE),
    },
    {
      id: SPLIT_PAGES,
      group: 'Pages',
      title: 'Split into documents …',
      also: 'extract separate divide chapters parts',
      icon: 'cut',
      able: () => session.store.getState().document.pages.length > 1,
      run: () => shell.openDialog(SPLIT_PAGES),
    },
  ];
}

const command = (reader: Reader, pattern: Pattern): Command => ({
  id: `add-${pattern}-page`,
  title: `Add a ${PAPERS[pattern].name.toLowerCase()} page`,
  group: 'Pages',
  also: 'insert new empty paper sheet lines grid',
  icon: 'addPage',
  able: () => reader.session.store.getState().writable,
  run: () => addPage(reader, pattern),
});

/** The pages themselves: what comes between them. */
export const pagesFeature: ReaderFeature = {
  name: 'pages',
  commands: (reader) => [
    {
      id: TABLE,
      title: 'Page table',
      group: 'Pages',
      also: 'all pages thumbnails overview grid',
      icon: 'pages',
      keys: ['T'],
      on: () => reader.shell.isOpen(TABLE),
      run: () => reader.shell.togglePanel('roll', TABLE),
    },
    ...PATTERNS.map((pattern) => command(reader, pattern)),
    ...onePage(reader),
  ],
  panels: [{ id: TABLE, title: 'Pages', side: 'roll', way: { order: 3 }, Content: PageTable }],
  dialogs: [
    { id: MOVE_PAGES, Content: MovePages },
    { id: CROP_PAGES, Content: CropPages },
    { id: NUMBER_PAGES, Content: NumberPages },
    { id: WIDEN_PAGES, Content: WidenPages },
    { id: ADD_PAPER, Content: AddPaper },
    { id: BRING_PAGES, Content: BringPages },
    { id: REPLACE_PAGE, Content: ReplacePage },
    { id: SPLIT_PAGES, Content: SplitPages },
  ],
};
