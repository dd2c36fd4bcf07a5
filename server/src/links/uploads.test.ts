import { readFile, utimes, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { DAY, type Made, PDF, QUERY, Standing } from '../../testing/standing.ts';

const on = new Standing();
beforeEach(() => on.open());
afterEach(() => on.close());

/** What a script would look like that passes for a PDF. */
const POLYGLOT = Buffer.from('//%PDF-1.7\nself.ran = true;\n');

test.each(['page.js', 'page.html', 'x.svg', 'a.pdf.mjs', '..\\..\\evil.exe', 'no-ending'])(
  'a file that is called %s is served as a PDF and nothing else',
  async (fileName) => {
    const query = new URLSearchParams(QUERY);
    query.set('fileName', fileName);
    const { token } = (await (await on.upload(POLYGLOT, query)).json()) as Made;
    const { headers } = await fetch(`${on.base}/api/links/${token}/file`);
    expect(headers.get('content-type')).toBe('application/pdf');
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('content-security-policy')).toMatch(/default-src 'none'; sandbox/);
    expect(headers.get('content-disposition')).toMatch(/^attachment; filename="?[^"\\/;]+\.pdf"?$/);
    const told = (await (await fetch(`${on.base}/api/links/${token}`)).json()) as {
      fileName: string;
    };
    expect(told.fileName).toMatch(/\.pdf$/);
  },
);

test('so is a file whose record was written before names were made safe', async () => {
  const { token } = await on.made();
  const [name] = (await on.names()).filter((n) => n.endsWith('.json'));
  const path = join(on.folder, '.links', name);
  await writeFile(
    path,
    (await readFile(path, 'utf8')).replace(/"fileName":"[^"]*"/, '"fileName":"page.js"'),
  );
  const { headers } = await fetch(`${on.base}/api/links/${token}/file`);
  expect(headers.get('content-type')).toBe('application/pdf');
  expect(headers.get('content-disposition')).toContain('page.js.pdf');
});

test('a name given twice is refused with 400', async () => {
  for (const name of ['fileName', 'title', 'days']) {
    const query = new URLSearchParams(QUERY);
    query.append(name, '7');
    expect((await on.upload(PDF, query)).status).toBe(400);
  }
  expect(on.reported).toEqual([]);
});

/** A body that comes in pieces, of which nobody said how long it is. */
const inPieces = (...pieces: Uint8Array[]): ReadableStream =>
  new ReadableStream({
    start(controller) {
      for (const piece of pieces) controller.enqueue(piece);
      controller.close();
    },
  });
const uploadInPieces = (...pieces: Uint8Array[]) => on.upload(inPieces(...pieces));

test('an upload may come in pieces, and is stored as it comes', async () => {
  const whole = Buffer.concat([PDF, Buffer.alloc(5000, 7)]);
  const answer = await uploadInPieces(
    whole.subarray(0, 3),
    whole.subarray(3, 1500),
    whole.subarray(1500),
  );
  const { token } = (await answer.json()) as Made;
  const file = await fetch(`${on.base}/api/links/${token}/file`);
  expect(Buffer.from(await file.arrayBuffer())).toEqual(whole);
});

test('of what turns out to be too large, no PDF, or more than the store holds, nothing stays', async () => {
  const piece = Buffer.alloc(8 * 1024 * 1024, 1);
  const large = await uploadInPieces(PDF, ...Array.from({ length: 13 }, () => piece));
  expect(large.status).toBe(413);
  expect((await uploadInPieces(Buffer.alloc(2000), PDF)).status).toBe(415);
  await on.restart({ mostBytes: 9_000_000 });
  expect((await uploadInPieces(PDF, piece, piece)).status).toBe(507);
  expect(await on.names()).toEqual([]);
  expect(await on.links.held()).toBe(0);
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
  const sending = fetch(`${on.base}/api/links?${QUERY}`, {
    method: 'POST',
    headers: { 'content-type': 'application/pdf' },
    body,
    duplex: 'half',
    signal: cut.signal,
  } as RequestInit);
  for (let i = 0; i < 100 && (await on.links.held()) === 0; i++)
    await new Promise((r) => setTimeout(r, 10));
  expect(await on.links.held()).toBeGreaterThan(0);
  cut.abort();
  wanted = false;
  await expect(sending).rejects.toThrow();
  for (let i = 0; i < 100 && (await on.links.held()) > 0; i++)
    await new Promise((r) => setTimeout(r, 10));
  expect(await on.links.held()).toBe(0);
  expect(await on.names()).toEqual([]);
  expect((await on.upload()).status).toBe(201);
  expect(on.reported).toEqual([]);
});

test('what is held is counted as it changes, and again when the server starts', async () => {
  const first = await on.made();
  await Promise.all([on.made(), on.made(), on.upload('no PDF'), on.made()]);
  expect(await on.links.held()).toBe(await on.counted());
  await on.withdraw(first.token, first.ownerKey);
  expect(await on.links.held()).toBe(await on.counted());
  await on.restart();
  expect(await on.links.held()).toBe(await on.counted());
  on.now += 8 * DAY;
  await on.links.sweep(on.now);
  expect(await on.links.held()).toBe(await on.counted());
});

test('uploads at the same time never take more together than the store may hold', async () => {
  await on.restart({ mostBytes: 10_000 });
  const body = Buffer.concat([PDF, Buffer.alloc(2_500)]);
  const answers = await Promise.all(Array.from({ length: 8 }, () => on.upload(body)));
  const count = answers.filter(({ status: s }) => s === 201).length;
  expect(answers.every(({ status: s }) => s === 201 || s === 507)).toBe(true);
  expect(count).toBeGreaterThan(0);
  expect(count).toBeLessThan(5);
});

test('what a crash left behind goes with the next sweep, what is being written stays', async () => {
  on.now = Date.now();
  const { token } = await on.made();
  const at = join(on.folder, '.links');
  const stray = [
    `${'a'.repeat(64)}.pdf.0.part`,
    `${'b'.repeat(64)}.json.3.part`,
    `${'c'.repeat(64)}.pdf`,
  ];
  const fresh = `${'d'.repeat(64)}.pdf.1.part`;
  for (const name of [...stray, fresh]) await writeFile(join(at, name), Buffer.alloc(100));
  await on.restart();
  expect(await on.links.held()).toBe(await on.counted());
  for (const name of stray)
    await utimes(join(at, name), on.now / 1000 - 7200, on.now / 1000 - 7200);
  await on.links.sweep(on.now - 7 * DAY);
  expect((await on.names()).filter((n) => stray.includes(n))).toHaveLength(3);
  on.now -= 1;
  await on.links.sweep(on.now);
  const left = await on.names();
  expect(left.filter((n) => stray.includes(n))).toEqual([]);
  expect(left).toContain(fresh);
  expect(await on.links.held()).toBe(await on.counted());
  expect(await on.status(`/api/links/${token}/file`)).toBe(200);
});

test('a guest who asks too often is told on a page', async () => {
  await on.restart({ limits: { uploads: 9, requests: 2 } });
  const path = `${on.base}/s/${'B'.repeat(43)}`;
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
  await on.restart({ limits: { uploads: 9, requests: 1 }, trustedProxies: proxies });
  const ask = (guest: string) =>
    on.status(`/api/links/${'B'.repeat(43)}`, { headers: { 'x-forwarded-for': guest } });
  expect([await ask('192.0.2.1'), await ask('192.0.2.2'), await ask('192.0.2.1')]).toEqual(wanted);
});

test('the browser is asked for nothing that watches or listens', async () => {
  for (const path of ['/', '/api/links/x', '/s/x'])
    expect((await fetch(on.base + path)).headers.get('permissions-policy')).toMatch(
      /camera=\(\).*microphone=\(\)/,
    );
});
