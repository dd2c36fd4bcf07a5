import { fileStem } from '@marginalis/core/wire';

/** The name offered for the fixed copy; never the original's own. */
export const copyFileName = (title: string): string =>
  `${fileStem(title, 120) || 'Document'} – marked.pdf`;
