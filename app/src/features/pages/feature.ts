import { addPaper } from '@marginalis/core/editing';
import { PAPERS, type Pattern, PATTERNS, usualRuling } from '@marginalis/core/paper';
import type { Command, Reader, ReaderFeature } from '@/shell';

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
  commands: (reader) => PATTERNS.map((pattern) => command(reader, pattern)),
};
