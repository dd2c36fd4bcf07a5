import { Pool } from 'pg';
import type { CountHits } from '../http/security.ts';
import { SharedHits } from '../http/sharedHits.ts';
import { createDiskLinkStore } from './diskStore.ts';
import type { LinkStore } from './linkStore.ts';
import { openFileCache } from './postgres/fileCache.ts';
import { createPostgresLinkStore } from './postgres/postgresStore.ts';

/** Where links are kept, and requests are counted. */
export interface OpenLinks {
  readonly links: LinkStore;
  readonly countHits: CountHits;
  /** Lets go of what is held open. */
  close(): Promise<void>;
}

/** Nothing that is asked of the database takes so long, ms. */
const LONGEST = 30_000;
const CONNECTED = 10_000;

/** Opens the database at an address, which several servers can share; where there is none, a folder, for one server. */
export async function openLinks(
  { database, folder }: { readonly database: string | undefined; readonly folder: string },
  report: (error: unknown) => void,
): Promise<OpenLinks> {
  if (database === undefined)
    return {
      links: await createDiskLinkStore(folder),
      countHits: () => undefined,
      close: async () => undefined,
    };
  const pool = new Pool({
    connectionString: database,
    statement_timeout: LONGEST,
    connectionTimeoutMillis: CONNECTED,
  });
  // A connection that breaks while nobody uses it; the next that is needed is made anew.
  pool.on('error', report);
  const cache = await openFileCache(Date.now);
  return {
    links: await createPostgresLinkStore(pool, cache),
    countHits: (name) => new SharedHits(pool, name),
    async close() {
      await pool.end();
      await cache.close();
    },
  };
}
