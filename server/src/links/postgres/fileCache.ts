import { mkdtemp, open, rename, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Filed } from './pieces.ts';

/** Files from the database as they lie on this machine for a while: what is sent, or drawn, is read from a path. */
export interface FileCache {
  /** Where a file lies; it is fetched where it does not lie here yet. Null when less than all of it is there. */
  pathOf(file: Filed, pieces: () => AsyncIterable<Uint8Array>): Promise<string | null>;
  /** The ids of all that lie here. */
  ids(): string[];
  drop(id: string): Promise<void>;
  /** Drops all of them. */
  close(): Promise<void>;
}

/** What they take together by default: 2 GB. */
const MOST = 2e9;
/** A file that was asked for so short a time ago may be on its way to somebody, ms. */
const IN_USE = 10 * 60_000;

interface Kept {
  readonly size: number;
  readonly path: Promise<string | null>;
  usedAt: number;
}

/** A cache in a folder of its own, which nobody else can read; those that were not asked for longest go first. */
export async function openFileCache(now: () => number, most = MOST): Promise<FileCache> {
  const folder = await mkdtemp(join(tmpdir(), 'marginalis-'));
  /** The one that was asked for last comes last. */
  const kept = new Map<string, Kept>();
  /** No two that are fetched have the same name: what is dropped may be fetched again meanwhile. */
  let fetches = 0;

  async function fetched(
    { id, size }: Filed,
    pieces: () => AsyncIterable<Uint8Array>,
  ): Promise<string | null> {
    const path = join(folder, `${id}-${fetches++}.pdf`);
    const part = `${path}.part`;
    const file = await open(part, 'w', 0o600);
    let written = 0;
    try {
      for await (const piece of pieces()) {
        await file.appendFile(piece);
        written += piece.length;
      }
    } finally {
      await file.close();
    }
    if (written === size) {
      await rename(part, path);
      return path;
    }
    // It was dropped while it was fetched.
    await rm(part, { force: true });
    return null;
  }
  async function drop(id: string): Promise<void> {
    const one = kept.get(id);
    kept.delete(id);
    const path = await one?.path.catch(() => null);
    if (path) await rm(path, { force: true });
  }
  async function makeRoom(): Promise<void> {
    let held = 0;
    for (const { size } of kept.values()) held += size;
    for (const [id, { size, usedAt }] of [...kept]) {
      if (held <= most || now() - usedAt < IN_USE) return;
      held -= size;
      await drop(id);
    }
  }
  return {
    async pathOf(file, pieces) {
      const known = kept.get(file.id);
      const one = known ?? { size: file.size, path: fetched(file, pieces), usedAt: 0 };
      one.usedAt = now();
      kept.delete(file.id);
      kept.set(file.id, one);
      try {
        const path = await one.path;
        if (path === null) kept.delete(file.id);
        return path;
      } catch (e) {
        // Asked for again it is fetched again.
        kept.delete(file.id);
        throw e;
      } finally {
        await makeRoom();
      }
    },
    ids: () => [...kept.keys()],
    drop,
    close: () => rm(folder, { recursive: true, force: true }),
  };
}
