import { fileStem } from '@marginalis/core/wire';

/** The name offered for the fixed copy; never the original's own. */
export const copyFileName = (title: string): string =>
  `${fileStem(title, 120) || 'Document'} – marked.pdf`;

/** A size in the unit a person would use. */
export const sizeInWords = (bytes: number): string =>
  bytes < 1_000_000
    ? `${Math.max(1, Math.round(bytes / 1000))} kB`
    : `${(bytes / 1_000_000).toFixed(1)} MB`;
