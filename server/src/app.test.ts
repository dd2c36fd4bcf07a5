import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { DAY, type Made, PDF, QUERY, Standing } from '../testing/standing.ts';

const on = new Standing();
beforeEach(() => on.open());
afterEach(() => on.close());

test('a copy put under a link is told about and given byte for byte', async () => {
  const answer = await on.upload();
  expect(answer.status).toBe(201);
  const { token, expiresAt } = (await answer.json()) as Made;
  expect(expiresAt).toBe(on.now + 7 * DAY);
  const told = await fetch(`${on.base}/api/links/${token}`);
  expect(await told.json()).toEqual({
    title: 'Zones',
    fileName: 'Zones – marked.pdf',
    message: '',
    size: PDF.length,
    expiresAt,
    guest: '',
    mayAnswer: false,
    view: null,
  });
  const file = await fetch(`${on.base}/api/links/${token}/file`);
  expect(file.headers.get('content-type')).toBe('application/pdf');
  expect(file.headers.get('content-disposition')).toContain('marked.pdf');
  expect(file.headers.get('cache-control')).toBe('no-store');
  expect(Buffer.from(await file.arrayBuffer())).toEqual(PDF);
  expect(await on.status(`/s/${token}`)).toBe(200);
});

test('neither token nor key is anywhere on the disk', async () => {
  const { token, ownerKey } = await on.made();
  for (const name of await on.names()) {
    const text = await readFile(join(on.folder, '.links', name), 'latin1');
    for (const secret of [token, ownerKey]) expect(name + text).not.toContain(secret);
  }
});

test('tokens are long, and never the same twice', async () => {
  const tokens = await Promise.all(Array.from({ length: 20 }, async () => (await on.made()).token));
  expect(new Set(tokens).size).toBe(20);
  for (const t of tokens) expect(t).toMatch(/^[\w-]{43}$/);
});

test.each([1, 7, 30])('a link for %i days is there until then and not after', async (days) => {
  const query = new URLSearchParams(QUERY);
  query.set('days', String(days));
  const { token } = (await (await on.upload(PDF, query)).json()) as Made;
  on.now += days * DAY - 1;
  expect(await on.status(`/api/links/${token}/file`)).toBe(200);
  on.now += 1;
  for (const path of [`/api/links/${token}`, `/api/links/${token}/file`, `/s/${token}`])
    expect(await on.status(path)).toBe(410);
});

test('only the owner withdraws a link; then its bytes are gone from the disk too', async () => {
  const { token, ownerKey } = await on.made();
  const other = await on.made();
  expect(await on.withdraw(token, other.ownerKey)).toBe(403);
  expect(await on.withdraw(token, '')).toBe(403);
  expect(await on.status(`/api/links/${token}/file`)).toBe(200);
  expect(await on.withdraw(token, ownerKey)).toBe(204);
  expect(await on.status(`/api/links/${token}/file`)).toBe(410);
  expect(await on.withdraw(token, ownerKey)).toBe(410);
  const files = (await on.names()).filter((n) => n.endsWith('.pdf'));
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
    const page = await fetch(`${on.base}/s/${token}`);
    expect(page.status).toBe(wanted);
    const html = await page.text();
    expect(html).toContain('No document here');
    expect(html).not.toContain('<script');
    expect(await on.status(`/api/links/${token}`)).toBe(wanted);
  }
});

test('restarting the server loses no link', async () => {
  const { token, ownerKey } = await on.made();
  await on.restart();
  expect(await on.status(`/api/links/${token}/file`)).toBe(200);
  expect(await on.withdraw(token, ownerKey)).toBe(204);
});

test.each([
  ['what is no PDF', () => on.upload('hello')],
  ['nothing', () => on.upload('')],
  ['another type', () => on.upload(PDF, QUERY, 'text/html')],
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
    expect((await on.upload(PDF, query)).status).toBe(400);
  }
});

test('what is too large is refused with 413 before it is stored', async () => {
  const declared = await fetch(`${on.base}/api/links?${QUERY}`, {
    method: 'POST',
    headers: { 'content-type': 'application/pdf' },
    body: Buffer.concat([PDF, Buffer.alloc(100 * 1024 * 1024)]),
  });
  expect(declared.status).toBe(413);
  expect(await on.names()).toEqual([]);
});

test('a full store makes no more links, and the ones there are stay', async () => {
  await on.restart({ mostBytes: 2000 });
  const { token } = await on.made();
  const answers = await Promise.all(
    [1, 2, 3].map(() => on.upload(Buffer.concat([PDF, Buffer.alloc(1900)]))),
  );
  for (const answer of answers) expect(answer.status).toBe(507);
  expect(await on.status(`/api/links/${token}/file`)).toBe(200);
});

test('too many requests from one address have to wait', async () => {
  await on.restart({ limits: { uploads: 2, requests: 8 } });
  const answers: number[] = [];
  for (let i = 0; i < 4; i++) answers.push((await on.upload()).status);
  expect(answers).toEqual([201, 201, 429, 429]);
  const guesses: number[] = [];
  for (let i = 0; i < 10; i++) guesses.push(await on.status(`/api/links/${'B'.repeat(43)}`));
  expect(guesses.at(-1)).toBe(429);
});

test('strict headers stand on every answer', async () => {
  for (const path of ['/', '/api/links/x', '/s/x', '/nowhere.js', '/demo/index.json']) {
    const { headers } = await fetch(on.base + path);
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
  expect(await (await fetch(`${on.base}/read/some-id`)).text()).toContain('<title>App');
  for (const path of [
    '/nowhere.js',
    '/demo/nothing.pdf',
    '/api/nothing',
    '/..%2f..%2fpackage.json',
  ])
    expect(await on.status(path)).toBe(404);
});

test('the sweep drops expired files at once and their records a month later', async () => {
  const { token } = await on.made();
  expect(await on.links.sweep(on.now)).toBe(0);
  on.now += 8 * DAY;
  expect(await on.links.sweep(on.now)).toBe(1);
  expect((await on.names()).map((n) => n.slice(-5))).toEqual(['.json']);
  expect(await on.status(`/s/${token}`)).toBe(410);
  on.now += 31 * DAY;
  await on.links.sweep(on.now);
  expect(await on.names()).toEqual([]);
  expect(await on.status(`/s/${token}`)).toBe(404);
});

test('a record that cannot be read gives access to nobody, and the server goes on', async () => {
  const { token } = await on.made();
  const [name] = (await on.names()).filter((n) => n.endsWith('.json'));
  for (const text of ['', '{', '{"title":"x"}', 'null']) {
    await writeFile(join(on.folder, '.links', name), text);
    expect(await on.status(`/api/links/${token}/file`)).toBe(404);
  }
  await rm(join(on.folder, '.links', name));
  expect((await on.upload()).status).toBe(201);
});

test('a record without its file says so', async () => {
  const { token } = await on.made();
  const [name] = (await on.names()).filter((n) => n.endsWith('.pdf'));
  await rm(join(on.folder, '.links', name));
  const answer = await fetch(`${on.base}/api/links/${token}/file`);
  expect(answer.status).toBe(410);
  expect(((await answer.json()) as { message: string }).message).toMatch(/no longer on the server/);
  expect(await on.status('/')).toBe(200);
});

test('what was packed when the application was built is sent so to those who can unpack it', async () => {
  const folder = join(on.folder, 'app/_expo/static');
  await mkdir(folder, { recursive: true });
  const script = 'say("tide");'.repeat(100);
  await writeFile(join(folder, 'entry-1.js'), script);
  await writeFile(join(folder, 'entry-1.js.br'), brotliCompressSync(script));
  await on.restart();
  const get = (encoding: string): Promise<Response> =>
    fetch(`${on.base}/_expo/static/entry-1.js`, { headers: { 'accept-encoding': encoding } });
  const packed = await get('gzip, br');
  expect(packed.headers.get('content-encoding')).toBe('br');
  expect(packed.headers.get('content-type')).toMatch(/javascript/);
  expect(packed.headers.get('cache-control')).toMatch(/max-age=31536000, immutable/);
  expect(packed.headers.get('vary')).toMatch(/accept-encoding/i);
  expect(await packed.text()).toBe(script);
  expect(await (await get('identity')).text()).toBe(script);
});
