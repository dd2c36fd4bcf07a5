import { mkdir, mkdtemp, readdir, readFile, rm, stat, utimes, writeFile } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Server } from 'node:http';
import { createApp } from './app.ts';
import { createDiskLinkStore, type LinkStore } from './links/linkStore.ts';

const DAY = 24 * 3600 * 1000;
const PDF = Buffer.from('%PDF-1.7\n1 0 obj\n<<>>\nendobj\n%%EOF\n');
const QUERY = new URLSearchParams({ fileName: 'Zones – marked.pdf', title: 'Zones', days: '7' });

let folder: string;
let now = 1_760_000_000_000;
let links: LinkStore;
let server: Server;
let base: string;
const reported: unknown[] = [];

async function start(
  limits?: { uploads: number; requests: number },
  mostBytes?: number,
  trustedProxies?: number,
): Promise<void> {
  links = await createDiskLinkStore(join(folder, '.links'), mostBytes);
  const app = createApp({
    links,
    trustedProxies,
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
  const { token } = await made();
  expect(await links.sweep(now)).toBe(0);
  now += 8 * DAY;
  expect(await links.sweep(now)).toBe(1);
  expect((await readdir(join(folder, '.links'))).map((n) => n.slice(-5))).toEqual(['.json']);
  expect(await status(`/s/${token}`)).toBe(410);
  now += 31 * DAY;
  await links.sweep(now);
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

test('a record without its file says so', async () => {
  const { token } = await made();
  const [name] = (await readdir(join(folder, '.links'))).filter((n) => n.endsWith('.pdf'));
  await rm(join(folder, '.links', name));
  const answer = await fetch(`${base}/api/links/${token}/file`);
  expect(answer.status).toBe(410);
  expect(((await answer.json()) as { message: string }).message).toMatch(/no longer on the server/);
  expect(await status('/')).toBe(200);
});

/** What a script would look like that passes for a PDF. */
const POLYGLOT = Buffer.from('//%PDF-1.7\nself.ran = true;\n');

test.each(['page.js', 'page.html', 'x.svg', 'a.pdf.mjs', '..\\..\\evil.exe', 'no-ending'])(
  'a file that is called %s is served as a PDF and nothing else',
  async (fileName) => {
    const query = new URLSearchParams(QUERY);
    query.set('fileName', fileName);
    const { token } = (await (await upload(POLYGLOT, query)).json()) as Made;
    const { headers } = await fetch(`${base}/api/links/${token}/file`);
    expect(headers.get('content-type')).toBe('application/pdf');
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('content-security-policy')).toMatch(/default-src 'none'; sandbox/);
    expect(headers.get('content-disposition')).toMatch(/^attachment; filename="?[^"\\/;]+\.pdf"?$/);
    const told = (await (await fetch(`${base}/api/links/${token}`)).json()) as { fileName: string };
    expect(told.fileName).toMatch(/\.pdf$/);
  },
);

test('so is a file whose record was written before names were made safe', async () => {
  const { token } = await made();
  const [name] = (await readdir(join(folder, '.links'))).filter((n) => n.endsWith('.json'));
  const path = join(folder, '.links', name);
  await writeFile(
    path,
    (await readFile(path, 'utf8')).replace(/"fileName":"[^"]*"/, '"fileName":"page.js"'),
  );
  const { headers } = await fetch(`${base}/api/links/${token}/file`);
  expect(headers.get('content-type')).toBe('application/pdf');
  expect(headers.get('content-disposition')).toContain('page.js.pdf');
});

test('a name given twice is refused with 400', async () => {
  for (const name of ['fileName', 'title', 'days']) {
    const query = new URLSearchParams(QUERY);
    query.append(name, '7');
    expect((await upload(PDF, query)).status).toBe(400);
  }
  expect(reported).toEqual([]);
});

/** A body that comes in pieces, of which nobody said how long it is. */
const inPieces = (...pieces: Uint8Array[]): ReadableStream =>
  new ReadableStream({
    start(controller) {
      for (const piece of pieces) controller.enqueue(piece);
      controller.close();
    },
  });
const uploadInPieces = (...pieces: Uint8Array[]) =>
  fetch(`${base}/api/links?${QUERY}`, {
    method: 'POST',
    headers: { 'content-type': 'application/pdf' },
    body: inPieces(...pieces),
    duplex: 'half',
  } as RequestInit);

test('an upload may come in pieces, and is stored as it comes', async () => {
  const whole = Buffer.concat([PDF, Buffer.alloc(5000, 7)]);
  const answer = await uploadInPieces(
    whole.subarray(0, 3),
    whole.subarray(3, 1500),
    whole.subarray(1500),
  );
  const { token } = (await answer.json()) as Made;
  const file = await fetch(`${base}/api/links/${token}/file`);
  expect(Buffer.from(await file.arrayBuffer())).toEqual(whole);
});

test('of what turns out to be too large, no PDF, or more than the store holds, nothing stays', async () => {
  const piece = Buffer.alloc(8 * 1024 * 1024, 1);
  const large = await uploadInPieces(PDF, ...Array.from({ length: 13 }, () => piece));
  expect(large.status).toBe(413);
  expect((await uploadInPieces(Buffer.alloc(2000), PDF)).status).toBe(415);
  await stop();
  await start(undefined, 9_000_000);
  expect((await uploadInPieces(PDF, piece, piece)).status).toBe(507);
  expect(await readdir(join(folder, '.links'))).toEqual([]);
  expect(links.held()).toBe(0);
});

test('an upload that breaks off leaves nothing, and the server goes on', async () => {
  const cut = new AbortController();
  let wanted = true;
  const body = new ReadableStream({
    async pull(controller) {
      if (!wanted) return controller.close();
      controller.enqueue(Buffer.concat([PDF, Buffer.alloc(100_000)]));
      await new Promise((resolve) => setTimeout(resolve, 20));
    },
  });
  const sending = fetch(`${base}/api/links?${QUERY}`, {
    method: 'POST',
    headers: { 'content-type': 'application/pdf' },
    body,
    duplex: 'half',
    signal: cut.signal,
  } as RequestInit);
  for (let i = 0; i < 100 && links.held() === 0; i++) await new Promise((r) => setTimeout(r, 10));
  expect(links.held()).toBeGreaterThan(0);
  cut.abort();
  wanted = false;
  await expect(sending).rejects.toThrow();
  for (let i = 0; i < 100 && links.held() > 0; i++) await new Promise((r) => setTimeout(r, 10));
  expect(links.held()).toBe(0);
  expect(await readdir(join(folder, '.links'))).toEqual([]);
  expect((await upload()).status).toBe(201);
  expect(reported).toEqual([]);
});

/** What all files of the store take, counted anew. */
async function counted(): Promise<number> {
  const at = join(folder, '.links');
  const sizes = await Promise.all(
    (await readdir(at)).map(async (n) => (await stat(join(at, n))).size),
  );
  return sizes.reduce((sum, size) => sum + size, 0);
}

test('what is held is counted as it changes, and again when the server starts', async () => {
  const first = await made();
  await Promise.all([made(), made(), upload('no PDF'), made()]);
  expect(links.held()).toBe(await counted());
  await withdraw(first.token, first.ownerKey);
  expect(links.held()).toBe(await counted());
  await stop();
  await start();
  expect(links.held()).toBe(await counted());
  now += 8 * DAY;
  await links.sweep(now);
  expect(links.held()).toBe(await counted());
});

test('uploads at the same time never take more together than the store may hold', async () => {
  await stop();
  await start(undefined, 10_000);
  const body = Buffer.concat([PDF, Buffer.alloc(2_500)]);
  const answers = await Promise.all(Array.from({ length: 8 }, () => upload(body)));
  const made = answers.filter(({ status: s }) => s === 201).length;
  expect(answers.every(({ status: s }) => s === 201 || s === 507)).toBe(true);
  expect(made).toBeGreaterThan(0);
  expect(made).toBeLessThan(5);
});

test('what a crash left behind goes with the next sweep, what is being written stays', async () => {
  now = Date.now();
  const { token } = await made();
  const at = join(folder, '.links');
  const stray = [
    `${'a'.repeat(64)}.pdf.0.part`,
    `${'b'.repeat(64)}.json.3.part`,
    `${'c'.repeat(64)}.pdf`,
  ];
  const fresh = `${'d'.repeat(64)}.pdf.1.part`;
  for (const name of [...stray, fresh]) await writeFile(join(at, name), Buffer.alloc(100));
  await stop();
  await start();
  expect(links.held()).toBe(await counted());
  for (const name of stray) await utimes(join(at, name), now / 1000 - 7200, now / 1000 - 7200);
  await links.sweep(now - 7 * DAY);
  expect((await readdir(at)).filter((n) => stray.includes(n))).toHaveLength(3);
  now -= 1;
  await links.sweep(now);
  const left = await readdir(at);
  expect(left.filter((n) => stray.includes(n))).toEqual([]);
  expect(left).toContain(fresh);
  expect(links.held()).toBe(await counted());
  expect(await status(`/api/links/${token}/file`)).toBe(200);
});

test('a guest who asks too often is told on a page', async () => {
  await stop();
  await start({ uploads: 9, requests: 2 });
  const path = `${base}/s/${'B'.repeat(43)}`;
  await fetch(path);
  await fetch(path);
  const answer = await fetch(path);
  expect(answer.status).toBe(429);
  expect(answer.headers.get('content-type')).toMatch(/^text\/html/);
  expect(await answer.text()).toContain('Wait a minute');
});

test.each([
  [1, [404, 404, 429]],
  [undefined, [404, 429, 429]],
] as const)('behind %p trusted proxies, guests have their own limits', async (proxies, wanted) => {
  await stop();
  await start({ uploads: 9, requests: 1 }, undefined, proxies);
  const ask = (guest: string) =>
    status(`/api/links/${'B'.repeat(43)}`, { headers: { 'x-forwarded-for': guest } });
  expect([await ask('192.0.2.1'), await ask('192.0.2.2'), await ask('192.0.2.1')]).toEqual(wanted);
});

test('the browser is asked for nothing that watches or listens', async () => {
  for (const path of ['/', '/api/links/x', '/s/x'])
    expect((await fetch(base + path)).headers.get('permissions-policy')).toMatch(
      /camera=\(\).*microphone=\(\)/,
    );
});
