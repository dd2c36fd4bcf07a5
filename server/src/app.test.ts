import { mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Server } from 'node:http';
import { createApp } from './app.ts';
import { createDiskLinkStore } from './links/linkStore.ts';

const DAY = 24 * 3600 * 1000;
const PDF = Buffer.from('%PDF-1.7\n1 0 obj\n<<>>\nendobj\n%%EOF\n');
const QUERY = new URLSearchParams({ fileName: 'Zones – marked.pdf', title: 'Zones', days: '7' });

let folder: string;
let now = 1_760_000_000_000;
let server: Server;
let base: string;
const reported: unknown[] = [];

async function start(
  limits?: { uploads: number; requests: number },
  mostBytes?: number,
): Promise<void> {
  const app = createApp({
    links: await createDiskLinkStore(join(folder, '.links'), mostBytes),
    now: () => now,
    appFolder: join(folder, 'app'),
    demoFolder: join(folder, 'demo'),
    report: (e) => reported.push(e),
    limits: limits ?? { uploads: 1000, requests: 1000 },
  });
  server = app.listen(0);
  await new Promise((resolve) => server.once('listening', resolve));
  base = `http://localhost:${(server.address() as AddressInfo).port}`;
}
const stop = () => new Promise((resolve) => server.close(resolve));

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'links-'));
  await mkdir(join(folder, 'app'), { recursive: true });
  await mkdir(join(folder, 'demo'), { recursive: true });
  await writeFile(join(folder, 'app/index.html'), '<!doctype html><title>App</title>');
  await writeFile(join(folder, 'demo/index.json'), '[]');
  now = 1_760_000_000_000;
  reported.length = 0;
  await start();
});
afterEach(async () => {
  await stop();
  await rm(folder, { recursive: true });
});

const upload = (body: RequestInit['body'] = PDF, query = QUERY, type = 'application/pdf') =>
  fetch(`${base}/api/links?${query}`, { method: 'POST', headers: { 'content-type': type }, body });
interface Made {
  token: string;
  ownerKey: string;
  expiresAt: number;
}
const made = async (): Promise<Made> => (await (await upload()).json()) as Made;
const status = async (path: string, init?: RequestInit) => (await fetch(base + path, init)).status;
const withdraw = (token: string, key: string) =>
  status(`/api/links/${token}`, { method: 'DELETE', headers: { authorization: `Bearer ${key}` } });

test('a copy put under a link is told about and given byte for byte', async () => {
  const answer = await upload();
  expect(answer.status).toBe(201);
  const { token, expiresAt } = (await answer.json()) as Made;
  expect(expiresAt).toBe(now + 7 * DAY);
  const told = await fetch(`${base}/api/links/${token}`);
  expect(await told.json()).toEqual({
    title: 'Zones',
    fileName: 'Zones – marked.pdf',
    size: PDF.length,
    expiresAt,
  });
  const file = await fetch(`${base}/api/links/${token}/file`);
  expect(file.headers.get('content-type')).toBe('application/pdf');
  expect(file.headers.get('content-disposition')).toContain('marked.pdf');
  expect(file.headers.get('cache-control')).toBe('no-store');
  expect(Buffer.from(await file.arrayBuffer())).toEqual(PDF);
  expect(await status(`/s/${token}`)).toBe(200);
});

test('neither token nor key is anywhere on the disk', async () => {
  const { token, ownerKey } = await made();
  for (const name of await readdir(join(folder, '.links'))) {
    const text = await readFile(join(folder, '.links', name), 'latin1');
    for (const secret of [token, ownerKey]) expect(name + text).not.toContain(secret);
  }
});

test('tokens are long, and never the same twice', async () => {
  const tokens = await Promise.all(Array.from({ length: 20 }, async () => (await made()).token));
  expect(new Set(tokens).size).toBe(20);
  for (const t of tokens) expect(t).toMatch(/^[\w-]{43}$/);
});

test.each([1, 7, 30])('a link for %i days is there until then and not after', async (days) => {
  const query = new URLSearchParams(QUERY);
  query.set('days', String(days));
  const { token } = (await (await upload(PDF, query)).json()) as Made;
  now += days * DAY - 1;
  expect(await status(`/api/links/${token}/file`)).toBe(200);
  now += 1;
  for (const path of [`/api/links/${token}`, `/api/links/${token}/file`, `/s/${token}`])
    expect(await status(path)).toBe(410);
});

test('only the owner withdraws a link; then its bytes are gone from the disk too', async () => {
  const { token, ownerKey } = await made();
  const other = await made();
  expect(await withdraw(token, other.ownerKey)).toBe(403);
  expect(await withdraw(token, '')).toBe(403);
  expect(await status(`/api/links/${token}/file`)).toBe(200);
  expect(await withdraw(token, ownerKey)).toBe(204);
  expect(await status(`/api/links/${token}/file`)).toBe(410);
  expect(await withdraw(token, ownerKey)).toBe(410);
  const files = (await readdir(join(folder, '.links'))).filter((n) => n.endsWith('.pdf'));
  expect(files).toHaveLength(1);
});

test('unknown and malformed tokens get a plain page and the right status, without a script', async () => {
  const unknown = 'A'.repeat(43);
  for (const [token, wanted] of [
    [unknown, 404],
    ['short', 400],
    ['..%2F..%2Fpackage.json', 400],
    [`${unknown}%00`, 400],
    ['<script>', 400],
  ] as const) {
    const page = await fetch(`${base}/s/${token}`);
    expect(page.status).toBe(wanted);
    const html = await page.text();
    expect(html).toContain('No document here');
    expect(html).not.toContain('<script');
    expect(await status(`/api/links/${token}`)).toBe(wanted);
  }
});

test('restarting the server loses no link', async () => {
  const { token, ownerKey } = await made();
  await stop();
  await start();
  expect(await status(`/api/links/${token}/file`)).toBe(200);
  expect(await withdraw(token, ownerKey)).toBe(204);
});

test.each([
  ['what is no PDF', () => upload('hello')],
  ['nothing', () => upload('')],
  ['another type', () => upload(PDF, QUERY, 'text/html')],
])('%s is refused with 415 and a sentence', async (_what, send) => {
  const answer = await send();
  expect(answer.status).toBe(415);
  expect(await answer.json()).toEqual({ message: expect.stringMatching(/PDF/) });
});

test('a lifetime that is not offered, or no name, is refused with 400', async () => {
  for (const [key, value] of [
    ['days', '9999'],
    ['days', 'x'],
    ['title', ''],
    ['fileName', 'x'.repeat(300)],
  ]) {
    const query = new URLSearchParams(QUERY);
    query.set(key, value);
    expect((await upload(PDF, query)).status).toBe(400);
  }
});

test('what is too large is refused with 413 before it is stored', async () => {
  const declared = await fetch(`${base}/api/links?${QUERY}`, {
    method: 'POST',
    headers: { 'content-type': 'application/pdf' },
    body: Buffer.concat([PDF, Buffer.alloc(100 * 1024 * 1024)]),
  });
  expect(declared.status).toBe(413);
  expect(await readdir(join(folder, '.links'))).toEqual([]);
});

test('a full store makes no more links, and the ones there are stay', async () => {
  await stop();
  await start(undefined, 2000);
  const { token } = await made();
  const answers = await Promise.all(
    [1, 2, 3].map(() => upload(Buffer.concat([PDF, Buffer.alloc(1900)]))),
  );
  for (const answer of answers) expect(answer.status).toBe(507);
  expect(await status(`/api/links/${token}/file`)).toBe(200);
});

test('too many requests from one address have to wait', async () => {
  await stop();
  await start({ uploads: 2, requests: 8 });
  const answers: number[] = [];
  for (let i = 0; i < 4; i++) answers.push((await upload()).status);
  expect(answers).toEqual([201, 201, 429, 429]);
  const guesses: number[] = [];
  for (let i = 0; i < 10; i++) guesses.push(await status(`/api/links/${'B'.repeat(43)}`));
  expect(guesses.at(-1)).toBe(429);
});

test('strict headers stand on every answer', async () => {
  for (const path of ['/', '/api/links/x', '/s/x', '/nowhere.js', '/demo/index.json']) {
    const { headers } = await fetch(base + path);
    const csp = headers.get('content-security-policy') ?? '';
    expect(csp).toContain("default-src 'self'");
    expect(csp).toContain("object-src 'none'");
    expect(csp).toContain("frame-ancestors 'none'");
    expect(csp).not.toMatch(/unsafe-eval'(?<!wasm-unsafe-eval')/);
    expect(csp).not.toMatch(/script-src[^;]*unsafe-inline/);
    expect(headers.get('referrer-policy')).toBe('no-referrer');
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('x-powered-by')).toBeNull();
  }
});

test('routes of the application get its page, files that are not there get none', async () => {
  expect(await (await fetch(`${base}/read/some-id`)).text()).toContain('<title>App');
  for (const path of [
    '/nowhere.js',
    '/demo/nothing.pdf',
    '/api/nothing',
    '/..%2f..%2fpackage.json',
  ])
    expect(await status(path)).toBe(404);
});

test('the sweep drops expired files at once and their records a month later', async () => {
  const store = await createDiskLinkStore(join(folder, '.links'));
  const { token } = await made();
  expect(await store.sweep(now)).toBe(0);
  now += 8 * DAY;
  expect(await store.sweep(now)).toBe(1);
  expect((await readdir(join(folder, '.links'))).map((n) => n.slice(-5))).toEqual(['.json']);
  expect(await status(`/s/${token}`)).toBe(410);
  now += 31 * DAY;
  await store.sweep(now);
  expect(await readdir(join(folder, '.links'))).toEqual([]);
  expect(await status(`/s/${token}`)).toBe(404);
});

test('a record that cannot be read gives access to nobody, and the server goes on', async () => {
  const { token } = await made();
  const [name] = (await readdir(join(folder, '.links'))).filter((n) => n.endsWith('.json'));
  for (const text of ['', '{', '{"title":"x"}', 'null']) {
    await writeFile(join(folder, '.links', name), text);
    expect(await status(`/api/links/${token}/file`)).toBe(404);
  }
  await rm(join(folder, '.links', name));
  expect((await upload()).status).toBe(201);
});

test('a file that vanished is a failure that is reported, not a crash', async () => {
  const { token } = await made();
  const [name] = (await readdir(join(folder, '.links'))).filter((n) => n.endsWith('.pdf'));
  await rm(join(folder, '.links', name));
  const answer = await fetch(`${base}/api/links/${token}/file`);
  expect([404, 500]).toContain(answer.status);
  expect(((await answer.json()) as { message: string }).message).toMatch(/\.$/);
  expect(await status('/')).toBe(200);
});
