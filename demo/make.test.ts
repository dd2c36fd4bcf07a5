import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { inspectPdf } from '@marginalis/core/pdf';
import { DOCUMENTS } from './documents.ts';

const sha = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
const PAGES: Record<string, number> = {
  'rock-pool-zones.pdf': 2,
  'rock-pool-zones-2.pdf': 3,
  'barnacles.pdf': 6,
  'tide-log.pdf': 3,
  'handbook.pdf': 39,
  'equipment-form.pdf': 1,
  'loan-form.pdf': 1,
  'tide-almanac.pdf': 800,
};

/** Eight hundred pages take a minute: these are made with all the references only. */
const MADE = DOCUMENTS.filter(
  ({ file }) => process.env.REFERENCES === 'all' || file !== 'tide-almanac.pdf',
);

test.each(MADE)(
  '$file is made byte for byte as it lies in the folder',
  async ({ file, make }) => {
    const kept = await readFile(join(__dirname, 'documents', file));
    expect(sha(await make())).toBe(sha(kept));
  },
  240_000,
);

describe.each(DOCUMENTS.map((d) => [d.file, d] as const))('%s', (file, { title }) => {
  test('has its title, its pages and its kind', async () => {
    const bytes = new Uint8Array(await readFile(join(__dirname, 'documents', file)));
    const told = await inspectPdf(bytes);
    expect(told.title).toBe(title);
    expect(told.pages).toHaveLength(PAGES[file]);
    expect(told.scanned).toBe(file === 'tide-log.pdf');
    expect(told.signed || told.rescued).toBe(false);
  });
});
