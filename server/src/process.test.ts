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
