import { randomUUID } from 'node:crypto';
import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { type Schema, ValidationError } from 'yup';

/** The last files that something standing in was given, each with a record. */
export interface KeptFiles<Told extends object> {
  keep(told: Told, bytes: Uint8Array): Promise<void>;
  /** The last first. */
  list(): Promise<(Told & { readonly id: string })[]>;
  /** Null where there is none. */
  read(id: string): Promise<Buffer | null>;
}

const ID = /^\d{16}-[0-9a-f-]{36}$/;

/**
 * Keeps files in a folder, with a record beside each.
 * @param schema of the records; what is not one is passed over
 * @param most so many are kept; those before them are forgotten
 */
export async function openKeptFiles<Told extends object>(
  at: string,
  {
    schema,
    ending,
    most,
    now,
  }: {
    readonly schema: Schema<Told>;
    /** What the names of the files end with. */
    readonly ending: string;
    readonly most: number;
    readonly now: () => number;
  },
): Promise<KeptFiles<Told>> {
  const folder = resolve(at);
  await mkdir(folder, { recursive: true });
  const path = (id: string, end: string): string => join(folder, `${id}.${end}`);
  const ids = async (): Promise<string[]> =>
    (await readdir(folder))
      .filter((name) => name.endsWith('.json'))
      .map((name) => name.slice(0, -'.json'.length))
      .filter((id) => ID.test(id))
      .sort()
      .reverse();
  /** Null for what is no record. */
  const told = async (id: string): Promise<Told | null> => {
    try {
      return schema.validateSync(JSON.parse(await readFile(path(id, 'json'), 'utf8')));
    } catch (e) {
      if (e instanceof ValidationError || e instanceof SyntaxError) return null;
      throw e;
    }
  };
  return {
    async keep(record, bytes) {
      const id = `${String(now()).padStart(16, '0')}-${randomUUID()}`;
      await writeFile(path(id, ending), bytes);
      // The record last, and whole or not at all: what is listed is there.
      await writeFile(path(id, 'part'), JSON.stringify(record));
      await rename(path(id, 'part'), path(id, 'json'));
      for (const old of (await ids()).slice(most))
        for (const end of ['json', ending]) await rm(path(old, end), { force: true });
    },
    async list() {
      const entries: (Told & { readonly id: string })[] = [];
      for (const id of await ids()) {
        const record = await told(id);
        if (record) entries.push({ ...record, id });
      }
      return entries;
    },
    async read(id) {
      if (!ID.test(id) || !(await ids()).includes(id)) return null;
      return readFile(path(id, ending));
    },
  };
}
