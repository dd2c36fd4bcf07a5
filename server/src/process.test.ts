import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { Processes, until, upload } from '../testing/running.ts';
import { type Made, PDF, QUERY } from '../testing/standing.ts';

const servers = new Processes();
beforeEach(() => servers.open());
afterEach(() => servers.close());

const parts = async (): Promise<string[]> =>
  (await readdir(join(servers.folder, 'links'))).filter((name) => name.endsWith('.part'));

test('it says that it stands; told to end, it brings what is on its way to its end and lets nobody new in', async () => {
  const { base, process: server, ended } = await servers.start();
  expect(await (await fetch(`${base}/api/health`)).json()).toEqual({ ok: true });
  const { half, rest } = upload(base);
  await half;
  await until(async () => (await parts()).length === 1);
  server.kill('SIGTERM');
  await until(() =>
    fetch(`${base}/api/health`, { headers: { connection: 'close' } }).then(
      () => false,
      () => true,
    ),
  );
  expect(await rest()).toBe(201);
  expect(await ended).toBe(0);
  expect(
    (await readdir(join(servers.folder, 'links'))).filter((name) => name.endsWith('.pdf')),
  ).toHaveLength(1);
});

test('killed in the middle of an upload it confirms nothing, and serves what it had confirmed when it is back', async () => {
  const { base, process: server, ended } = await servers.start();
  const made = (await (
    await fetch(`${base}/api/links?${QUERY}`, {
      method: 'POST',
      headers: { 'content-type': 'application/pdf' },
      body: PDF,
    })
  ).json()) as Made;
  const { half, rest } = upload(base);
  await half;
  await until(async () => (await parts()).length === 1);
  server.kill('SIGKILL');
  expect(await ended).toBe('SIGKILL');
  await expect(rest()).rejects.toThrow();

  const again = await servers.start();
  const file = await fetch(`${again.base}/api/links/${made.token}/file`);
  expect(Buffer.from(await file.arrayBuffer())).toEqual(PDF);
  const records = (await readdir(join(servers.folder, 'links'))).filter((name) =>
    name.endsWith('.json'),
  );
  expect(records).toHaveLength(1);
  again.process.kill('SIGTERM');
  expect(await again.ended).toBe(0);
});

test('where the disk takes no more a copy is refused in words, nothing of it stays, and what was there is served', async () => {
  const { base, process: server, ended } = await servers.start({}, 100);
  const send = (method: string, path: string, size: number, key = '') =>
    fetch(`${base}/api/links${path}`, {
      method,
      headers: { 'content-type': 'application/pdf', authorization: `Bearer ${key}` },
      body: Buffer.concat([PDF, Buffer.alloc(size, 32)]),
    });
  const made = (await (await send('POST', `?${QUERY}`, 10)).json()) as Made;
  const bytes = async () => (await fetch(`${base}/api/links/${made.token}/file`)).arrayBuffer();
  const before = await bytes();
  const refused = [
    await send('POST', `?${QUERY}`, 300_000),
    await send('PUT', `/${made.token}/file?fileName=Newer.pdf`, 300_000, made.ownerKey),
  ];
  for (const answer of refused) {
    expect(answer.status).toBe(507);
    expect(await answer.json()).toMatchObject({ message: expect.stringContaining('no room') });
  }
  expect(await bytes()).toEqual(before);
  const left = await readdir(join(servers.folder, 'links'));
  expect(left.filter((name) => /\.(pdf|json|part)$/.test(name))).toHaveLength(2);
  expect((await send('POST', `?${QUERY}`, 1000)).status).toBe(201);
  server.kill('SIGTERM');
  expect(await ended).toBe(0);
});
