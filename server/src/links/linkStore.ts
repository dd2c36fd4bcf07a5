import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { number, object, string, ValidationError } from 'yup';

const recordShape = object({
  ownerKeyHash: string()
    .matches(/^[0-9a-f]{64}$/)
    .required(),
  title: string().required(),
  fileName: string().required(),
  size: number().required(),
  createdAt: number().required(),
  expiresAt: number().required(),
  /** Set when the owner took the link back; the bytes are gone by then. */
  withdrawnAt: number().nullable().default(null),
});

/** A link as it is kept, under the hash of its token. */
export interface LinkRecord {
  readonly ownerKeyHash: string;
  readonly title: string;
  readonly fileName: string;
  readonly size: number;
  readonly createdAt: number;
  readonly expiresAt: number;
  readonly withdrawnAt: number | null;
}

/** Keeps links and their files; names are hashes of tokens, 64 hex digits. */
export interface LinkStore {
  create(hash: string, record: LinkRecord, bytes: Uint8Array): Promise<void>;
  find(hash: string): Promise<LinkRecord | null>;
  /** Path of the stored file. */
  filePath(hash: string): string;
  /** Keeps the record, so that guests are told, and drops the file. */
  withdraw(hash: string, record: LinkRecord, at: number): Promise<void>;
  /** Drops files of expired links, and records a while after that. */
  sweep(now: number): Promise<number>;
}

async function bytesHeld(folder: string): Promise<number> {
  const names = await readdir(folder);
  const sizes = await Promise.all(
    names.map((name) => stat(join(folder, name)).then((s) => s.size, goneMeanwhile)),
  );
  return sizes.reduce((sum, size) => sum + size, 0);
}

/** A file withdrawn or swept while sizes are added up takes no room. */
function goneMeanwhile(e: NodeJS.ErrnoException): number {
  if (e.code === 'ENOENT') return 0;
  throw e;
}

/** Guests of an expired link are told so for this long; then it is as if it had never been, ms. */
const REMEMBERED = 30 * 24 * 3600 * 1000;

/** Thrown when the files of all links together would take more than the store may hold. */
export class LinkStoreFull extends Error {
  override readonly name = 'LinkStoreFull';
}

/** What all files together may take by default: 20 GB. */
const MOST_BYTES = 20e9;

/** One JSON and one PDF file a link, in the folder `at`, together no more than `mostBytes`. */
export async function createDiskLinkStore(at: string, mostBytes = MOST_BYTES): Promise<LinkStore> {
  const folder = resolve(at);
  await mkdir(folder, { recursive: true });
  const jsonPath = (hash: string): string => join(folder, `${hash}.json`);
  const filePath = (hash: string): string => join(folder, `${hash}.pdf`);

  /** Whole or not at all: a reader never sees half a file, and a crash leaves only a stray one. */
  async function writeWhole(path: string, data: string | Uint8Array): Promise<void> {
    await writeFile(`${path}.part`, data);
    await rename(`${path}.part`, path);
  }
  const keep = (hash: string, record: LinkRecord): Promise<void> =>
    writeWhole(jsonPath(hash), JSON.stringify(record));

  async function find(hash: string): Promise<LinkRecord | null> {
    let text: string;
    try {
      text = await readFile(jsonPath(hash), 'utf8');
    } catch (e) {
      if ((e as NodeJS.ErrnoException).code === 'ENOENT') return null;
      throw e;
    }
    try {
      return recordShape.validateSync(JSON.parse(text));
    } catch (e) {
      // A record nobody can read gives nobody access.
      if (e instanceof ValidationError || e instanceof SyntaxError) return null;
      throw e;
    }
  }

  return {
    find,
    filePath,
    async create(hash, record, bytes) {
      if ((await bytesHeld(folder)) + bytes.length > mostBytes)
        throw new LinkStoreFull('The link store is full.');
      await writeWhole(filePath(hash), bytes);
      await keep(hash, record);
    },
    async withdraw(hash, record, at) {
      await keep(hash, { ...record, withdrawnAt: at });
      await rm(filePath(hash), { force: true });
    },
    async sweep(now) {
      let dropped = 0;
      for (const name of await readdir(folder)) {
        const hash = /^([0-9a-f]{64})\.json$/.exec(name)?.[1];
        const record = hash ? await find(hash) : null;
        if (!hash || !record || record.expiresAt > now) continue;
        await rm(filePath(hash), { force: true });
        if (record.expiresAt + REMEMBERED < now) await rm(jsonPath(hash), { force: true });
        dropped++;
      }
      return dropped;
    },
  };
}
