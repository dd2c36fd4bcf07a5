import { type DocState, sourcesOfPages } from '@marginalis/core/document';
import { emptyRequired } from '@marginalis/core/fields';
import { formKnown } from '@/session';

/** So many fields are called by their names. */
const NAMED = 3;

/** Which fields a form wants that are empty, in words; null where none is, or its form has not been read. */
export function missedInForm(document: DocState): string | null {
  const missed = sourcesOfPages(document.pages).flatMap((source) =>
    emptyRequired(document, source, formKnown(source)),
  );
  if (missed.length === 0) return null;
  const names = missed.slice(0, NAMED).map(({ label }) => `“${label}”`);
  const more = missed.length > NAMED ? ` and ${missed.length - NAMED} more` : '';
  return `The form wants what is still empty: ${names.join(', ')}${more}.`;
}
