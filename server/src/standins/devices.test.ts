import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { MOST_HANDED_OVER_BYTES } from '@marginalis/core/wire';
import { PDF, Standing } from '../../testing/standing.ts';

const on = new Standing();
beforeEach(() => on.open());
afterEach(() => on.close());

const PRINTER = '/stand-ins/printer';
function hand(
  bytes: Uint8Array = PDF,
  { name = encodeURIComponent('Zones – marked.pdf'), type = 'application/pdf', to = PRINTER } = {},
): Promise<Response> {
  const headers = { 'content-type': type, 'file-name': name };
  return fetch(on.base + to, { method: 'POST', headers, body: new Uint8Array(bytes) });
}
const shown = async (at = PRINTER): Promise<string> => (await fetch(on.base + at)).text();
const files = async (): Promise<string[]> =>
  (await readdir(join(on.folder, 'devices/printer'))).filter((name) => name.endsWith('.file'));

test('what is handed over is shown, given back byte by byte, and nothing of it is taken for markup', async () => {
  expect(await shown()).toContain('Nothing was printed yet.');
  expect((await hand(PDF, { name: encodeURIComponent('<b>Zones</b> – marked.pdf') })).status).toBe(
    204,
  );
  const page = await shown();
  expect(page).toContain('b Zones b – marked.pdf');
  expect(page).not.toContain('<b>');
  expect(page).not.toContain('<script');
  const [, address] = /href="([^"]+)"/.exec(page) ?? [];
  const file = await fetch(on.base + address);
  expect(Buffer.from(await file.arrayBuffer())).toEqual(PDF);
  expect(file.headers.get('content-type')).toBe('application/pdf');
  expect(file.headers.get('content-disposition')).toMatch(/^attachment/);
  expect(file.headers.get('content-security-policy')).toContain('sandbox');
  // The other one has nothing of it.
  expect(await shown('/stand-ins/share-sheet')).toContain('Nothing was shared yet.');
});

test('a share sheet takes every kind of file that leaves', async () => {
  const to = '/stand-ins/share-sheet';
  const sent = { name: 'notes.md', type: 'text/markdown;charset=utf-8', to };
  expect((await hand(Buffer.from('# Zones'), sent)).status).toBe(204);
  expect(await shown(to)).toContain('notes.md');
});

test.each([
  ['a program', { type: 'application/x-msdownload' }, PDF],
  ['a page', { type: 'text/html' }, PDF],
  ['a name that cannot be read', { name: '%E0%A4%A' }, PDF],
  ['nothing', {}, Buffer.alloc(0)],
])('%s is refused in words, and nothing is kept', async (_what, sent, bytes) => {
  const answer = await hand(bytes, sent);
  expect(answer.status).toBe(400);
  expect(await answer.json()).toEqual({ message: 'This is no file that leaves from here.' });
  expect(await files()).toEqual([]);
  expect(on.reported).toEqual([]);
});

test('a file too large is refused in words', async () => {
  const answer = await hand(Buffer.alloc(MOST_HANDED_OVER_BYTES + 1));
  expect(answer.status).toBe(413);
  expect(((await answer.json()) as { message: string }).message).toContain('too large');
});

test('the last ten are kept, and nothing else of the folder is given', async () => {
  for (let k = 0; k < 12; k++) {
    await hand(PDF, { name: `page-${k}.pdf` });
    on.now += 1000;
  }
  expect(await files()).toHaveLength(10);
  expect((await shown()).match(/page-\d+/g)).toEqual(
    Array.from({ length: 10 }, (_, k) => `page-${11 - k}`),
  );
  for (const path of [
    '..%2f..%2fapp%2findex.html',
    'nothing',
    `${'0'.repeat(16)}-${'0'.repeat(36)}`,
  ])
    expect(await on.status(`${PRINTER}/${path}`)).toBe(404);
});

test('a server says what stands in; without the sample data nothing does', async () => {
  const told = async () => (await fetch(`${on.base}/api/stand-ins`)).json();
  expect(await told()).toEqual({ printer: PRINTER, shareSheet: '/stand-ins/share-sheet' });
  await on.restart({ standsIn: false });
  expect(await told()).toEqual({ printer: null, shareSheet: null });
  expect((await hand()).status).toBe(404);
});
