import { readFile, stat } from 'node:fs/promises';
import { Pool } from 'pg';
import { DAY } from '../../../testing/standing.ts';
import { type Database, startPostgres } from '../../../testing/postgres.ts';
import { SharedHits } from '../../http/sharedHits.ts';
import type { LinkRecord } from '../linkRecord.ts';
import { type FileCache, openFileCache } from './fileCache.ts';
import { createPostgresLinkStore } from './postgresStore.ts';

/** What holds of links in a database alone: several servers share it. */

const NOW = 1_760_000_000_000;
const HASH = 'a'.repeat(64);
const RECORD: Omit<LinkRecord, 'size'> = {
  ...{ ownerKeyHash: 'b'.repeat(64), title: 'Zones', fileName: 'Zones.pdf' },
  ...{ createdAt: NOW, expiresAt: NOW + 7 * DAY, withdrawnAt: null, message: '' },
  ...{ password: null, visitKey: '', access: 'file', asksName: false },
  ...{ mayPrint: false, mayCopy: false, mayAnswer: false },
};
async function* file(length: number, value = 7): AsyncGenerator<Uint8Array> {
  yield new Uint8Array(length).fill(value);
}
const isThere = (path: string): Promise<boolean> =>
  stat(path).then(
    () => true,
    () => false,
  );

let database: Database;
let pool: Pool;
const caches: FileCache[] = [];
beforeAll(async () => {
  database = await startPostgres();
});
afterAll(() => database.stop());
beforeEach(async () => {
  await database.clear();
  pool = new Pool({ connectionString: database.url });
});
afterEach(async () => {
  await Promise.all(caches.splice(0).map((cache) => cache.close()));
  await pool.end();
});

async function server(most?: number) {
  const cache = await openFileCache(Date.now, most);
  caches.push(cache);
  return { cache, store: await createPostgresLinkStore(pool, cache) };
}

test('servers that start at once make one place, and each sees what another does', async () => {
  const [a, b] = await Promise.all([server(), server()]);
  await a.store.create(HASH, RECORD, file(2_500_000));
  const path = await b.store.filePath(HASH);
  expect((await readFile(path ?? '')).length).toBe(2_500_000);
  // Fetched once, by however many ask.
  const paths = await Promise.all([1, 2, 3].map(() => b.store.filePath(HASH)));
  expect(new Set(paths)).toEqual(new Set([path]));
  await a.store.replace(HASH, 'Newer.pdf', file(10, 1));
  expect((await readFile((await b.store.filePath(HASH)) ?? '')).length).toBe(10);
  await a.store.withdraw(HASH, NOW);
  expect(await b.store.filePath(HASH)).toBeNull();
  expect(await b.store.find(HASH)).toMatchObject({ withdrawnAt: NOW });
  // What lies at the other still goes when that looks next.
  expect(await isThere(path ?? '')).toBe(true);
  await b.store.sweep(NOW);
  expect(await isThere(path ?? '')).toBe(false);
  expect(b.cache.ids()).toEqual([]);
});

test('what a server that was killed had begun goes an hour later, and is not counted any more', async () => {
  const { store } = await server();
  const begun = '11111111-1111-4111-8111-111111111111';
  await pool.query('insert into files (id, size) values ($1, 5)', [begun]);
  await pool.query('insert into pieces values ($1, 0, $2)', [begun, Buffer.from('%PDF-')]);
  await pool.query('update held set bytes = bytes + 5');
  await store.create(HASH, RECORD, file(100));
  const count = async (): Promise<number> =>
    Number((await pool.query<{ count: string }>('select count(*) from pieces')).rows[0].count);
  // By the database's clock, whatever that of a server says.
  await store.sweep(NOW + 5 * DAY);
  expect([await count(), await store.held()]).toEqual([2, 105]);
  await pool.query("update files set touched_at = now() - interval '61 minutes'");
  await store.sweep(NOW);
  expect([await count(), await store.held()]).toEqual([1, 100]);
  expect(await store.filePath(HASH)).not.toBeNull();
});

test('here lies no more than is allowed, but for what may be on its way to somebody', async () => {
  let now = NOW;
  const cache = await openFileCache(() => now, 250);
  caches.push(cache);
  const put = (id: string) => cache.pathOf({ id, size: 100 }, () => file(100));
  const first = await put('a');
  await put('b');
  await put('c');
  expect(cache.ids()).toEqual(['a', 'b', 'c']);
  now += 11 * 60_000;
  expect(await put('a')).toBe(first);
  await put('d');
  // Those that were not asked for longest.
  expect(cache.ids()).toEqual(['a', 'd']);
  // Less came than there is: it was dropped meanwhile.
  expect(await cache.pathOf({ id: 'e', size: 101 }, () => file(100))).toBeNull();
  const failing = async function* (): AsyncGenerator<Uint8Array> {
    yield new Uint8Array(5);
    throw new Error('The connection is gone.');
  };
  await expect(cache.pathOf({ id: 'f', size: 5 }, failing)).rejects.toThrow('gone');
  expect(await cache.pathOf({ id: 'f', size: 100 }, () => file(100))).not.toBeNull();
});

test('requests are counted together, begin anew when their time is over, and nobody stands there by address', async () => {
  await server();
  const [a, b] = [new SharedHits(pool, 'tries'), new SharedHits(pool, 'tries')];
  for (const one of [a, b]) one.init({ windowMs: 60_000 } as never);
  await Promise.all([1, 2, 3, 4].map((k) => (k % 2 ? a : b).increment('192.0.2.7')));
  const { totalHits, resetTime } = await b.increment('192.0.2.7');
  expect(totalHits).toBe(5);
  expect((resetTime?.getTime() ?? 0) - Date.now()).toBeGreaterThan(50_000);
  await a.decrement('192.0.2.7');
  expect((await a.increment('192.0.2.7')).totalHits).toBe(5);
  const other = new SharedHits(pool, 'uploads');
  other.init({ windowMs: 60_000 } as never);
  expect((await other.increment('192.0.2.7')).totalHits).toBe(1);
  await pool.query("update hits set resets_at = now() - interval '1 second'");
  expect((await a.increment('192.0.2.7')).totalHits).toBe(1);
  await a.resetKey('192.0.2.7');
  expect((await a.increment('192.0.2.7')).totalHits).toBe(1);
  const { rows } = await pool.query('select * from hits');
  expect(JSON.stringify(rows)).not.toContain('192.0.2');
});
