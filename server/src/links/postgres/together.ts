import type { Pool, PoolClient } from 'pg';

/** Does several things in the database wholly or not at all. */
export async function together<T>(pool: Pool, work: (db: PoolClient) => Promise<T>): Promise<T> {
  const db = await pool.connect();
  let broken: Error | undefined;
  try {
    await db.query('begin');
    const result = await work(db);
    await db.query('commit');
    return result;
  } catch (e) {
    await db.query('rollback').catch((failed: Error) => {
      // The connection is gone, and with it what was begun.
      broken = failed;
    });
    throw e;
  } finally {
    db.release(broken);
  }
}
