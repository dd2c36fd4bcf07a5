import { randomUUID } from 'node:crypto';
import { DatabaseError, type Pool, type PoolClient } from 'pg';
import { LinkStoreFull } from '../linkStore.ts';

/** Of a file, bytes in one row at most: few rows, and little of a file in memory at once. */
const PIECE = 1 << 20;

/** What the database says where its disk has no room (PostgreSQL, appendix A). */
const DISK_FULL = '53100';

/** Adds a piece where there is room for it; no row is changed where there is none. */
const ADD_PIECE = `
with room as (update held set bytes = bytes + $4 where bytes + $4 <= $5 returning 1),
kept as (insert into pieces (file, number, bytes) select $1::uuid, $2::integer, $3::bytea from room returning 1)
update files set size = size + $4, touched_at = now() where id = $1 and exists (select from kept)`;

const DROP_FILE = `
with gone as (delete from files where id = $1 returning size)
update held set bytes = bytes - (select coalesce(sum(size), 0) from gone)`;

/** A file as it lies in the database. */
export interface Filed {
  readonly id: string;
  readonly size: number;
}

/** Drops a file, if it is there, and counts what it took. */
export const dropFile = async (db: Pool | PoolClient, id: string): Promise<void> => {
  await db.query(DROP_FILE, [id]);
};

/** Writes a file as its bytes come. @throws LinkStoreFull, and whatever `bytes` throws; nothing is left behind then */
export async function receiveFile(
  pool: Pool,
  bytes: AsyncIterable<Uint8Array>,
  mostBytes: number,
): Promise<Filed> {
  const id = randomUUID();
  await pool.query('insert into files (id) values ($1)', [id]);
  let [size, number] = [0, 0];
  let waiting: Uint8Array[] = [];
  let length = 0;
  const write = async (): Promise<void> => {
    const piece = Buffer.concat(waiting);
    waiting = [];
    length = 0;
    const { rowCount } = await pool.query(ADD_PIECE, [id, number, piece, piece.length, mostBytes]);
    if (rowCount === 0) throw new LinkStoreFull();
    number++;
    size += piece.length;
  };
  try {
    for await (const some of bytes) {
      waiting.push(some);
      length += some.length;
      if (length >= PIECE) await write();
    }
    if (length > 0) await write();
  } catch (e) {
    await dropFile(pool, id);
    throw e instanceof DatabaseError && e.code === DISK_FULL ? new LinkStoreFull() : e;
  }
  return { id, size };
}

/** The bytes of a file, piece by piece. */
export async function* piecesOf(pool: Pool, id: string): AsyncGenerator<Uint8Array> {
  for (let number = 0; ; number++) {
    const { rows } = await pool.query<{ bytes: Buffer }>(
      'select bytes from pieces where file = $1 and number = $2',
      [id, number],
    );
    if (rows.length === 0) return;
    yield rows[0].bytes;
  }
}
