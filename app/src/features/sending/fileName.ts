import { fileStem } from '@marginalis/core/wire';

/** Of a title and of the pages named, characters. */
const TITLE = 120;
const PAGES = 60;

const stemOf = (title: string, pages: string): string =>
  [fileStem(title, TITLE) || 'Document', fileStem(pages, PAGES)].filter(Boolean).join(', ');

/** The name offered for a copy of a document or of some pages; never the original's own. */
export const copyFileName = (title: string, pages = '', as: 'fixed' | 'living' = 'fixed'): string =>
  `${stemOf(title, pages)} – ${as === 'fixed' ? 'marked' : 'living'}.pdf`;

/** The name offered for pictures of its pages: of one as it is, of several as a ZIP file. */
export const picturesFileName = (
  title: string,
  pages: string,
  count: number,
  kind: 'png' | 'jpeg',
): string =>
  count === 1
    ? `${stemOf(title, pages)}.${kind === 'png' ? 'png' : 'jpg'}`
    : `${stemOf(title, pages)} – pictures.zip`;

/** The name offered for its notes alone. */
export const notesFileName = (title: string, pages: string, ending: 'md' | 'csv'): string =>
  `${stemOf(title, pages)} – notes.${ending}`;
