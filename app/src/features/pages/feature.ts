import { addPaper } from '@marginalis/core/editing';
import { PAPERS, type Pattern, PATTERNS, usualRuling } from '@marginalis/core/paper';
import { type Command, late, type Reader, type ReaderFeature } from '@/shell';

const TABLE = 'pages';
const PageTable = late(async () => (await import('./PageTable')).PageTable);

/** Puts an empty page after the one in sight, and goes there. */
function addPage({ session, stage }: Reader, pattern: Pattern): void {
  const { document } = session.store.getState();
  const after = document.pages[stage.getSight().current];
  const id = crypto.randomUUID();
  if (session.dispatch(addPaper(document, after?.id ?? null, usualRuling(pattern), id)))
    stage.goToAdded(id);
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
  ],
  panels: [{ id: TABLE, title: 'Pages', side: 'roll', way: { order: 3 }, Content: PageTable }],
};
