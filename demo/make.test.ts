import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { inspectPdf } from '@marginalis/core/pdf';
import { DOCUMENTS } from './documents.ts';

const sha = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
const PAGES: Record<string, number> = {
  'rock-pool-zones.pdf': 2,
  'barnacles.pdf': 6,
  'tide-log.pdf': 3,
  'handbook.pdf': 39,
  'equipment-form.pdf': 1,
  'tide-almanac.pdf': 800,
};

describe.each(DOCUMENTS.map((d) => [d.file, d] as const))('%s', (file, { make, title }) => {
  test('is made byte for byte as it lies in the folder', async () => {
    const kept = await readFile(join(__dirname, 'documents', file));
    expect(sha(await make())).toBe(sha(kept));
  }, 240_000);

  test('has its title, its pages and its kind', async () => {
    const bytes = new Uint8Array(await readFile(join(__dirname, 'documents', file)));
    const told = await inspectPdf(bytes);
    expect(told.title).toBe(title);
    expect(told.pages).toHaveLength(PAGES[file]);
    expect(told.scanned).toBe(file === 'tide-log.pdf');
    expect(told.signed || told.rescued).toBe(false);
  });
});
