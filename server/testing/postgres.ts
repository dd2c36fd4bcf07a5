import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';

const HOME = '/usr/lib/postgresql';

/** Debian's own database server, running for a test. */
export interface Database {
  readonly url: string;
  /** As if it were new. */
  clear(): Promise<void>;
  /** Waits until nobody is connected any more; or breaks off. */
  stop(breaksOff?: boolean): Promise<void>;
}

/** It refuses to run as root. */
const asWhom = (): { uid?: number; gid?: number } => {
  if (process.getuid?.() !== 0) return {};
  const id = (what: string): number =>
    Number(spawnSync('id', [what, 'postgres'], { encoding: 'utf8' }).stdout);
  return { uid: id('-u'), gid: id('-g') };
};

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number };
      server.close(() => resolve(port));
    });
  });

async function isReady(url: string): Promise<boolean> {
  const client = new Client({ connectionString: url });
  try {
    await client.connect();
    return true;
  } catch {
    return false;
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** Starts a database in a folder of its own, on a port of its own. */
export async function startPostgres(): Promise<Database> {
  const version = existsSync(HOME) ? readdirSync(HOME).sort().at(-1) : undefined;
  if (!version) throw new Error('PostgreSQL is not installed: apt-get install postgresql');
  const program = (name: string): string => join(HOME, version, 'bin', name);
  const who = asWhom();
  const folder = mkdtempSync(join(tmpdir(), 'postgres-'));
  if (who.uid !== undefined && who.gid !== undefined) chownSync(folder, who.uid, who.gid);
  const data = join(folder, 'data');
  const made = spawnSync(
    program('initdb'),
    ['-D', data, '-U', 'marginalis', '-A', 'trust', '-E', 'UTF8', '--locale=C', '--no-sync'],
    { encoding: 'utf8', cwd: folder, ...who },
  );
  if (made.status !== 0) throw new Error(`No database could be made: ${made.stderr}`);
  const port = await freePort();
  const server: ChildProcess = spawn(
    program('postgres'),
    [
      ...['-D', data, '-p', String(port), '-k', folder],
      ...['-c', 'listen_addresses=127.0.0.1', '-c', 'fsync=off'],
    ],
    { stdio: 'ignore', cwd: folder, ...who },
  );
  const ended = new Promise<void>((resolve) => server.once('exit', () => resolve()));
  const url = `postgresql://marginalis@127.0.0.1:${port}/postgres`;
  for (let k = 0; !(await isReady(url)); k++) {
    if (k > 200 || server.exitCode !== null) throw new Error('The database did not start.');
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return {
    url,
    async clear() {
      const client = new Client({ connectionString: url });
      await client.connect();
      await client.query('drop schema public cascade; create schema public');
      await client.end();
    },
    async stop(breaksOff = false) {
      server.kill(breaksOff ? 'SIGINT' : 'SIGTERM');
      await ended;
      rmSync(folder, { recursive: true });
    },
  };
}
