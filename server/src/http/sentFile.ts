import { fileStem } from '@marginalis/core/wire';

/** What leaves by way of the server, and how its name ends. */
const ENDINGS: Readonly<Record<string, string>> = {
  'application/pdf': 'pdf',
  'application/zip': 'zip',
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'text/markdown': 'md',
  'text/csv': 'csv',
};

/** A file's name as it says what the file is, whatever somebody calls it; null for a kind of file that does not leave. */
export function nameOfSent(name: string, type: string): string | null {
  const ending = ENDINGS[type.split(';')[0].trim()];
  if (!ending) return null;
  return `${fileStem(name.replace(/\.[a-z0-9]+\s*$/i, '')) || 'Document'}.${ending}`;
}
