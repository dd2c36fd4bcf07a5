import { readFile } from 'node:fs/promises';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Pool } from 'pg';
import { DAY } from '../../testing/standing.ts';
import { type Database, startPostgres } from '../../testing/postgres.ts';
import { createDiskLinkStore } from './diskStore.ts';
import type { LinkRecord } from './linkRecord.ts';
import { LinkGone, type LinkStore, LinkStoreFull } from './linkStore.ts';
import { openFileCache } from './postgres/fileCache.ts';
import { createPostgresLinkStore } from './postgres/postgresStore.ts';

/** What holds of links wherever they are kept. */

const NOW = 1_760_000_000_000;
const HASH = 'a'.repeat(64);
const RECORD: Omit<LinkRecord, 'size'> = {
  ...{ ownerKeyHash: 'b'.repeat(64), title: 'Zones', fileName: 'Zones.pdf' },
  ...{ createdAt: NOW, expiresAt: NOW + 7 * DAY, withdrawnAt: null, message: 'Zone 3 – please.' },
  ...{ password: null, visitKey: 'c'.repeat(64), access: 'file', asksName: false },
  ...{ mayPrint: false, mayCopy: false, mayAnswer: true },
};
/** Bytes that come in some pieces. */
async function* inPieces(...pieces: (Uint8Array | Error)[]): AsyncGenerator<Uint8Array> {
  for (const piece of pieces) {
    await new Promise((resolve) => setImmediate(resolve));
    if (piece instanceof Error) throw piece;
    yield piece;
  }
}
const of = (length: number, value = 7): Uint8Array => new Uint8Array(length).fill(value);

interface Kept {
  /** Opens the place anew, as another server does. */
  open(mostBytes?: number): Promise<LinkStore>;
  close(): Promise<void>;
}

let database: Database;
beforeAll(async () => {
  database = await startPostgres();
});
afterAll(() => database.stop());

const PLACES: Readonly<Record<string, () => Promise<Kept>>> = {
  'a folder': async () => {
    const folder = mkdtempSync(join(tmpdir(), 'links-'));
    return {
      open: (mostBytes) => createDiskLinkStore(folder, mostBytes),
      close: async () => rmSync(folder, { recursive: true }),
    };
  },
  PostgreSQL: async () => {
    await database.clear();
    const pool = new Pool({ connectionString: database.url });
    const caches: { close(): Promise<void> }[] = [];
    return {
      async open(mostBytes) {
        const cache = await openFileCache(Date.now);
        caches.push(cache);
        return createPostgresLinkStore(pool, cache, mostBytes);
      },
      async close() {
        await Promise.all(caches.map((cache) => cache.close()));
        await pool.end();
      },
    };
  },
};

describe.each(Object.keys(PLACES))('links in %s', (place) => {
  let kept: Kept;
  let store: LinkStore;
  beforeEach(async () => {
    kept = await PLACES[place]();
    store = await kept.open();
  });
  afterEach(() => kept.close());

  const bytesOf = async (of = store): Promise<Uint8Array | null> => {
    const path = await of.filePath(HASH);
    return path === null ? null : new Uint8Array(await readFile(path));
  };

  test('what has come whole is there, also for whoever opens the place after', async () => {
    expect(await store.find(HASH)).toBeNull();
    expect(await store.filePath(HASH)).toBeNull();
    const pieces = [of(3, 1), of(1_300_000, 2), of(900_000, 3), of(1, 4)];
    const record = await store.create(HASH, RECORD, inPieces(...pieces));
    expect(record).toEqual({ ...RECORD, size: 2_200_004 });
    const again = await kept.open();
    expect(await again.find(HASH)).toEqual(record);
    expect(Buffer.compare((await bytesOf(again)) ?? of(0), Buffer.concat(pieces))).toBe(0);
    expect(await again.held()).toBe(await store.held());
    await again.check();
  });

  test('what another server has put there stays', async () => {
    const other = await kept.open();
    const record = { ...RECORD, expiresAt: Date.now() + 7 * DAY };
    await store.create(HASH, record, inPieces(of(1000)));
    // So much later that it would be a stray if nothing were known of it.
    for (const one of [other, store]) await one.sweep(Date.now() + 2 * 3600 * 1000);
    expect((await bytesOf(other))?.length).toBe(1000);
    expect(await other.sweep(Date.now() + 8 * DAY)).toBe(1);
    expect(await store.filePath(HASH)).toBeNull();
  });

  test('of what breaks off, or is too much, nothing is left', async () => {
    const broken = new Error('The guest has gone.');
    const coming = inPieces(of(1_500_000), broken);
    await expect(store.create(HASH, RECORD, coming)).rejects.toBe(broken);
    expect(await store.find(HASH)).toBeNull();
    expect(await store.held()).toBe(0);
    const small = await kept.open(1_200_000);
    const much = inPieces(of(1_100_000), of(1_100_000));
    await expect(small.create(HASH, RECORD, much)).rejects.toThrow(LinkStoreFull);
    expect(await small.held()).toBe(0);
    const uploads = Array.from({ length: 8 }, (_, k) =>
      small.create(String(k).repeat(64), RECORD, inPieces(of(400_000))).then(
        () => 1,
        (e) => {
          if (!(e instanceof LinkStoreFull)) throw e;
          return 0;
        },
      ),
    );
    const taken = (await Promise.all(uploads)).reduce<number>((sum, one) => sum + one, 0);
    expect(taken).toBeGreaterThan(0);
    expect(taken).toBeLessThan(4);
    // Records come on top.
    expect(await small.held()).toBeLessThan(1_205_000);
  });

  test('another file comes in the place of the first, whole or not at all', async () => {
    await store.create(HASH, RECORD, inPieces(of(5000, 1)));
    const held = await store.held();
    const broken = new Error('The owner has gone.');
    await expect(store.replace(HASH, 'x.pdf', inPieces(of(10), broken))).rejects.toBe(broken);
    expect(await bytesOf()).toEqual(of(5000, 1));
    await store.replace(HASH, 'Newer.pdf', inPieces(of(6000, 2)));
    expect(await bytesOf()).toEqual(of(6000, 2));
    expect(await store.find(HASH)).toMatchObject({ fileName: 'Newer.pdf', size: 6000 });
    // A record of a few letters more or less.
    expect(Math.abs((await store.held()) - held - 1000)).toBeLessThan(10);
  });

  test('what is withdrawn keeps its record and nothing else, also while another file comes', async () => {
    await store.create(HASH, RECORD, inPieces(of(5000)));
    await store.keepNotes(HASH, '[]');
    const late = (async function* () {
      yield of(100);
      await store.withdraw(HASH, NOW + 5);
      yield of(100);
    })();
    await expect(store.replace(HASH, 'late.pdf', late)).rejects.toThrow(LinkGone);
    expect(await store.find(HASH)).toMatchObject({ withdrawnAt: NOW + 5, fileName: 'Zones.pdf' });
    expect(await store.filePath(HASH)).toBeNull();
    expect(await store.notes(HASH)).toBeNull();
    await expect(store.keepNotes(HASH, '[]')).rejects.toThrow(LinkGone);
    await expect(store.addAnswer(HASH, '{}', 9)).rejects.toThrow(LinkGone);
    expect(await store.held()).toBeLessThan(1000);
    await store.withdraw('d'.repeat(64), NOW);
  });

  test('openings are counted, those at once too, and the last are told', async () => {
    await store.create(HASH, RECORD, inPieces(of(10)));
    expect(await store.openings(HASH)).toEqual({ count: 0, times: [] });
    for (let k = 0; k < 22; k++) await store.opened(HASH, NOW + k);
    await Promise.all([1, 2, 3].map(() => store.opened(HASH, NOW + 50)));
    const { count, times } = await store.openings(HASH);
    expect(count).toBe(25);
    expect(times).toHaveLength(20);
    expect(times.slice(0, 4)).toEqual([NOW + 50, NOW + 50, NOW + 50, NOW + 21]);
  });

  test('notes take the place of earlier ones; answers come after one another, so many and no more', async () => {
    await store.create(HASH, RECORD, inPieces(of(10)));
    expect(await store.notes(HASH)).toBeNull();
    await store.keepNotes(HASH, '["a long note about zone 3"]');
    await store.keepNotes(HASH, '["kürzer"]');
    expect(await store.notes(HASH)).toBe('["kürzer"]');
    for (const line of ['{"a":1}', '{"b":2}'])
      expect(await store.addAnswer(HASH, line, 4)).toBe(true);
    expect(await store.answers(HASH)).toEqual(['{"a":1}', '{"b":2}']);
    const more = await Promise.all([3, 4, 5, 6].map((n) => store.addAnswer(HASH, `{"c":${n}}`, 4)));
    expect(more.filter(Boolean)).toHaveLength(2);
    expect(await store.answers(HASH)).toHaveLength(4);
    const small = await kept.open(1);
    await expect(
      small.keepNotes(HASH, '["too long for what is left of the place"]'),
    ).rejects.toThrow(LinkStoreFull);
    expect(await small.notes(HASH)).toBe('["kürzer"]');
  });

  test('what has expired goes, its record a month later, and nothing is counted any more', async () => {
    await store.create(HASH, RECORD, inPieces(of(5000)));
    await store.keepNotes(HASH, '["kürzer"]');
    await store.addAnswer(HASH, '{"a":1}', 9);
    await store.opened(HASH, NOW);
    expect(await store.sweep(NOW + 7 * DAY - 1)).toBe(0);
    expect(await store.filePath(HASH)).not.toBeNull();
    expect(await store.sweep(NOW + 7 * DAY)).toBe(1);
    expect(await store.filePath(HASH)).toBeNull();
    expect(await store.notes(HASH)).toBeNull();
    expect(await store.find(HASH)).toMatchObject({ title: 'Zones' });
    expect(await store.sweep(NOW + 38 * DAY)).toBe(0);
    expect(await store.find(HASH)).toBeNull();
    expect(await store.openings(HASH)).toEqual({ count: 0, times: [] });
    expect(await store.answers(HASH)).toEqual([]);
    expect(await store.held()).toBe(0);
  });
});
