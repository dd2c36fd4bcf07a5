import { Client } from 'pg';
import { Processes, until, upload } from '../testing/running.ts';
import { type Database, startPostgres } from '../testing/postgres.ts';
import { type Made, PDF, QUERY } from '../testing/standing.ts';

/** Servers behind a balancer share one database: the real ones, as processes. */

const servers = new Processes();
let database: Database;
beforeAll(async () => {
  database = await startPostgres();
});
afterAll(() => database.stop());
beforeEach(async () => {
  await database.clear();
  await servers.open();
});
afterEach(() => servers.close());

const start = () => servers.start({ DATABASE_URL: database.url });

async function made(base: string, password?: string): Promise<Made> {
  const answer = await fetch(`${base}/api/links?${QUERY}`, {
    method: 'POST',
    headers: {
      'content-type': 'application/pdf',
      ...(password === undefined ? {} : { 'link-password': password }),
    },
    body: PDF,
  });
  expect(answer.status).toBe(201);
  return (await answer.json()) as Made;
}
const visit = (base: string, token: string, password: string): Promise<Response> =>
  fetch(`${base}/api/links/${token}/visit`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ password }),
  });

test('one is killed in the middle of an upload: nothing of it is confirmed, and the other serves what was', async () => {
  const [a, b] = await Promise.all([start(), start()]);
  const { token, ownerKey } = await made(a.base);
  const { half, rest } = upload(a.base, 3_000_000);
  await half;
  const client = new Client({ connectionString: database.url });
  await client.connect();
  const count = async (table: string): Promise<number> =>
    Number((await client.query<{ count: string }>(`select count(*) from ${table}`)).rows[0].count);
  await until(async () => (await count('pieces')) >= 2);
  a.process.kill('SIGKILL');
  expect(await a.ended).toBe('SIGKILL');
  await expect(rest()).rejects.toThrow();
  const file = await fetch(`${b.base}/api/links/${token}/file`);
  expect(Buffer.from(await file.arrayBuffer())).toEqual(PDF);
  expect([await count('links'), await count('files')]).toEqual([1, 2]);
  const openings = await fetch(`${b.base}/api/links/${token}/openings`, {
    headers: { authorization: `Bearer ${ownerKey}` },
  });
  expect(await openings.json()).toMatchObject({ count: 1 });
  await client.end();
  b.process.kill('SIGTERM');
  expect(await b.ended).toBe(0);
});

test('who guesses a password is stopped wherever the guesses go, and who was let in by one is by all', async () => {
  const [a, b] = await Promise.all([start(), start()]);
  const { token } = await made(a.base, 'low tide at seven');
  const open = await visit(b.base, token, 'low tide at seven');
  expect(open.status).toBe(204);
  const cookie = (open.headers.get('set-cookie') ?? '').split(';')[0];
  const path = `/api/links/${token}/file`;
  expect((await fetch(a.base + path, { headers: { cookie } })).status).toBe(200);
  const statuses: number[] = [];
  for (let k = 0; k < 12; k++)
    statuses.push((await visit((k % 2 ? a : b).base, token, `guess ${k}`)).status);
  expect(statuses).toEqual([...Array<number>(10).fill(403), 429, 429]);
});

test('without its database a server says so, and goes on', async () => {
  const one = await startPostgres();
  const {
    base,
    process: server,
    ended,
  } = await servers.start({
    ...{ DATABASE_URL: one.url, LOG_LEVEL: 'silent' },
  });
  expect((await fetch(`${base}/api/health`)).status).toBe(200);
  await one.stop(true);
  expect((await fetch(`${base}/api/health`)).status).toBe(500);
  expect((await fetch(`${base}/api/links/${'B'.repeat(43)}`)).status).toBe(500);
  server.kill('SIGTERM');
  expect(await ended).toBe(0);
});
