import { isExpired } from '@marginalis/core/wire';
import type { Pool, PoolClient } from 'pg';
import { type LinkRecord, readRecord } from '../linkRecord.ts';
import {
  LAST_OPENINGS,
  LinkGone,
  type LinkStore,
  LinkStoreFull,
  MOST_BYTES,
  MOST_OPENINGS,
  REMEMBERED,
  STRAY_AFTER,
} from '../linkStore.ts';
import type { FileCache } from './fileCache.ts';
import { dropFile, piecesOf, receiveFile } from './pieces.ts';
import { SCHEMA, SCHEMA_LOCK } from './schema.ts';
import { together } from './together.ts';

/** A link's row, as far as it is read; whole numbers of eight bytes come as text. */
interface Row {
  readonly record: string;
  readonly file: string | null;
  /** Bytes of the notes. */
  readonly noted: number;
}

const ADD_HELD = 'update held set bytes = bytes + $1 where $1 <= 0 or bytes + $1 <= $2';

/**
 * Links in a PostgreSQL database, which several servers can share: records, files in pieces, and all that is counted. Files
 * that are asked for lie in `cache` for a while.
 */
export async function createPostgresLinkStore(
  pool: Pool,
  cache: FileCache,
  mostBytes = MOST_BYTES,
): Promise<LinkStore> {
  await together(pool, async (db) => {
    await db.query('select pg_advisory_xact_lock($1)', [SCHEMA_LOCK]);
    await db.query(SCHEMA);
  });

  /** Counts bytes that come, or with a minus go. @throws LinkStoreFull */
  async function count(db: PoolClient, bytes: number): Promise<void> {
    const { rowCount } = await db.query(ADD_HELD, [bytes, mostBytes]);
    if (rowCount === 0) throw new LinkStoreFull();
  }
  /** A link's row, which nobody else changes before this is done. */
  async function lockedRow(db: PoolClient, hash: string): Promise<Row | null> {
    const { rows } = await db.query<Row>(
      `select record, file, coalesce(octet_length(notes), 0) as noted
       from links where hash = $1 for update`,
      [hash],
    );
    return rows[0] ?? null;
  }
  /** Of a link that is there, while nothing else changes it. @throws LinkGone */
  const whileThere = <T>(
    hash: string,
    work: (db: PoolClient, record: LinkRecord, row: Row) => Promise<T>,
  ): Promise<T> =>
    together(pool, async (db) => {
      const row = await lockedRow(db, hash);
      const record = row && readRecord(row.record);
      if (!record || record.withdrawnAt !== null) throw new LinkGone();
      return work(db, record, row);
    });
  /** Drops the file of a link, and the notes with it. */
  async function dropContents(db: PoolClient, hash: string, { file, noted }: Row): Promise<void> {
    await db.query(
      'update links set file = null, notes = null, beside = beside - $2 where hash = $1',
      [hash, noted],
    );
    await count(db, -noted);
    if (file !== null) await dropFile(db, file);
  }
  async function dropLocally(file: string | null): Promise<void> {
    if (file !== null) await cache.drop(file);
  }

  return {
    async find(hash) {
      const { rows } = await pool.query<Row>('select record from links where hash = $1', [hash]);
      return rows.length === 0 ? null : readRecord(rows[0].record);
    },
    async held() {
      const { rows } = await pool.query<{ bytes: string }>('select bytes from held');
      return Number(rows[0].bytes);
    },
    async check() {
      await pool.query('select from held');
    },
    async create(hash, record, bytes) {
      const { id, size } = await receiveFile(pool, bytes, mostBytes);
      const whole = { ...record, size };
      try {
        await pool.query(
          'insert into links (hash, record, expires_at, file) values ($1, $2, $3, $4)',
          [hash, JSON.stringify(whole), record.expiresAt, id],
        );
      } catch (e) {
        await dropFile(pool, id);
        throw e;
      }
      return whole;
    },
    async replace(hash, fileName, bytes) {
      const { id, size } = await receiveFile(pool, bytes, mostBytes);
      let before: string | null;
      let whole: LinkRecord;
      try {
        [whole, before] = await whileThere(hash, async (db, record, { file }) => {
          const renewed = { ...record, fileName, size };
          await db.query('update links set record = $2, file = $3 where hash = $1', [
            hash,
            JSON.stringify(renewed),
            id,
          ]);
          if (file !== null) await dropFile(db, file);
          return [renewed, file] as const;
        });
      } catch (e) {
        await dropFile(pool, id);
        throw e;
      }
      await dropLocally(before);
      return whole;
    },
    async filePath(hash) {
      const { rows } = await pool.query<{ id: string; size: string }>(
        'select files.id, files.size from links join files on files.id = links.file where hash = $1',
        [hash],
      );
      if (rows.length === 0) return null;
      const [{ id, size }] = rows;
      return cache.pathOf({ id, size: Number(size) }, () => piecesOf(pool, id));
    },
    async opened(hash, at) {
      await pool.query(
        `insert into openings (link, at) select $1, $2
         where (select count(*) from openings where link = $1) < $3`,
        [hash, at, MOST_OPENINGS],
      );
    },
    async openings(hash) {
      const all = await pool.query<{ count: string }>(
        'select count(*) from openings where link = $1',
        [hash],
      );
      const last = await pool.query<{ at: string }>(
        'select at from openings where link = $1 order by id desc limit $2',
        [hash, LAST_OPENINGS],
      );
      return { count: Number(all.rows[0].count), times: last.rows.map(({ at }) => Number(at)) };
    },
    keepNotes: (hash, notes) =>
      whileThere(hash, async (db, _record, { noted }) => {
        const more = Buffer.byteLength(notes) - noted;
        await count(db, more);
        await db.query('update links set notes = $2, beside = beside + $3 where hash = $1', [
          hash,
          notes,
          more,
        ]);
      }),
    async notes(hash) {
      const { rows } = await pool.query<{ notes: string | null }>(
        'select notes from links where hash = $1',
        [hash],
      );
      return rows[0]?.notes ?? null;
    },
    addAnswer: (hash, line, most) =>
      whileThere(hash, async (db) => {
        const { rows } = await db.query<{ count: string }>(
          'select count(*) from answers where link = $1',
          [hash],
        );
        if (Number(rows[0].count) >= most) return false;
        const bytes = Buffer.byteLength(line);
        await count(db, bytes);
        await db.query('insert into answers (link, line) values ($1, $2)', [hash, line]);
        await db.query('update links set beside = beside + $2 where hash = $1', [hash, bytes]);
        return true;
      }),
    async answers(hash) {
      const { rows } = await pool.query<{ line: string }>(
        'select line from answers where link = $1 order by id',
        [hash],
      );
      return rows.map(({ line }) => line);
    },
    async withdraw(hash, at) {
      const file = await together(pool, async (db) => {
        const row = await lockedRow(db, hash);
        if (!row) return null;
        const record = readRecord(row.record);
        if (record)
          await db.query('update links set record = $2 where hash = $1', [
            hash,
            JSON.stringify({ ...record, withdrawnAt: at }),
          ]);
        await dropContents(db, hash, row);
        return row.file;
      });
      await dropLocally(file);
    },
    async sweep(now) {
      const { rows } = await pool.query<{ hash: string; expires_at: string }>(
        `select hash, expires_at from links
         where expires_at <= $1 and (file is not null or expires_at + $2 < $1)`,
        [now, REMEMBERED],
      );
      let dropped = 0;
      for (const { hash, expires_at: expires } of rows) {
        const expiresAt = Number(expires);
        if (!isExpired({ expiresAt }, now)) continue;
        const isForgotten = expiresAt + REMEMBERED < now;
        const had = await together(pool, async (db) => {
          const row = await lockedRow(db, hash);
          // Another server has been here.
          if (!row) return false;
          if (row.file !== null) await dropContents(db, hash, row);
          if (isForgotten) {
            const gone = await db.query<{ beside: string }>(
              'delete from links where hash = $1 returning beside',
              [hash],
            );
            await count(db, -Number(gone.rows[0].beside));
          }
          return row.file !== null;
        });
        if (had) dropped++;
      }
      await dropStrays();
      return dropped;
    },
  };

  /** What a crash, or an upload that broke off, left behind, by the database's clock; and what lies here of files that are gone. */
  async function dropStrays(): Promise<void> {
    const { rows } = await pool.query<{ id: string }>(
      `select id from files where touched_at < now() - $1 * interval '1 ms'
       and not exists (select from links where links.file = files.id)`,
      [STRAY_AFTER],
    );
    for (const { id } of rows) await dropFile(pool, id);
    await pool.query('delete from hits where resets_at < now()');
    const here = cache.ids();
    const known = await pool.query<{ id: string }>('select id from files where id = any($1)', [
      here,
    ]);
    const there = new Set(known.rows.map(({ id }) => id));
    for (const id of here) if (!there.has(id)) await cache.drop(id);
  }
}
