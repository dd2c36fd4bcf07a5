import {
  access,
  appendFile,
  constants,
  mkdir,
  open,
  readdir,
  readFile,
  rename,
  rm,
  stat,
  writeFile,
} from 'node:fs/promises';
import { randomBytes } from 'node:crypto';
import { join, resolve } from 'node:path';
import { isExpired } from '@marginalis/core/wire';
import { type LinkRecord, readRecord } from './linkRecord.ts';
import {
  LAST_OPENINGS,
  LinkGone,
  type LinkStore,
  LinkStoreFull,
  MOST_BYTES,
  MOST_OPENINGS,
  REMEMBERED,
  STRAY_AFTER,
} from './linkStore.ts';

/** What the system says where a disk, or what one may use of it, is full. */
const FULL: ReadonlySet<string | undefined> = new Set(['ENOSPC', 'EDQUOT', 'EFBIG']);

/** @throws LinkStoreFull where the disk has no room */
const fitting = <T>(work: Promise<T>): Promise<T> =>
  work.catch((e: NodeJS.ErrnoException) => {
    throw FULL.has(e.code) ? new LinkStoreFull() : e;
  });

/** Of a line in the file of openings, bytes: ms since 1970, and its end. */
const LINE = 14;
/** Files looked at together when the store opens. */
const AT_ONCE = 64;

/** Null when there is no such file. */
const orNull = <T>(work: Promise<T>): Promise<T | null> =>
  work.catch((e: NodeJS.ErrnoException) => {
    if (e.code === 'ENOENT') return null;
    throw e;
  });

/**
 * A JSON and a PDF file a link, and one of its openings, in the folder `at`, together no more than `mostBytes`. What the store holds, and when
 * it expires, is counted once when it opens and kept from then on, so that no request costs more where there are more
 * links. One server a folder.
 */
export async function createDiskLinkStore(at: string, mostBytes = MOST_BYTES): Promise<LinkStore> {
  const folder = resolve(at);
  await mkdir(folder, { recursive: true });
  const jsonPath = (hash: string): string => join(folder, `${hash}.json`);
  const pdfPath = (hash: string): string => join(folder, `${hash}.pdf`);
  /** Bytes of each file, by its name. */
  const sizes = new Map<string, number>();
  const expiry = new Map<string, number>();
  let held = 0;
  /** No other server names its parts so. */
  const mine = randomBytes(4).toString('hex');
  let made = 0;
  const partOf = (name: string): string => `${name}.${mine}-${made++}.part`;

  const count = (name: string, size: number | null): void => {
    held += (size ?? 0) - (sizes.get(name) ?? 0);
    if (size === null) sizes.delete(name);
    else sizes.set(name, size);
  };
  async function drop(name: string): Promise<void> {
    await rm(join(folder, name), { force: true });
    count(name, null);
  }
  /** Writes a file whole or not at all: a reader never sees half of it, and a crash leaves only a stray part; `then` is done when the disk has taken it. */
  async function write(
    name: string,
    text: string,
    then: () => Promise<void> = async () => undefined,
  ): Promise<void> {
    const part = partOf(name);
    try {
      await fitting(writeFile(join(folder, part), text));
      await then();
      await rename(join(folder, part), join(folder, name));
    } catch (e) {
      await drop(part);
      throw e;
    }
    count(name, Buffer.byteLength(text));
  }
  async function keep(hash: string, record: LinkRecord, then?: () => Promise<void>): Promise<void> {
    await write(`${hash}.json`, JSON.stringify(record), then);
    expiry.set(hash, record.expiresAt);
  }
  async function find(hash: string): Promise<LinkRecord | null> {
    const text = await orNull(readFile(jsonPath(hash), 'utf8'));
    return text === null ? null : readRecord(text);
  }
  /** Writes a part as its bytes come, counting them before they are written. */
  async function receive(
    hash: string,
    bytes: AsyncIterable<Uint8Array>,
  ): Promise<{ part: string; size: number }> {
    const part = partOf(`${hash}.pdf`);
    const file = await open(join(folder, part), 'wx');
    let size = 0;
    try {
      for await (const piece of bytes) {
        if (held + piece.length > mostBytes) throw new LinkStoreFull();
        size += piece.length;
        count(part, size);
        await fitting(file.appendFile(piece));
      }
      await file.close();
    } catch (e) {
      // Closed already where renaming failed.
      await file.close().catch(() => undefined);
      await drop(part);
      throw e;
    }
    return { part, size };
  }
  /** Makes a part the file of a link. */
  async function settle(
    hash: string,
    { part, size }: { part: string; size: number },
  ): Promise<void> {
    await rename(join(folder, part), pdfPath(hash));
    count(part, null);
    count(`${hash}.pdf`, size);
  }
  /** What changes the record of one link, one after the other: none undoes another. */
  const turns = new Map<string, Promise<unknown>>();
  async function inTurn<T>(hash: string, work: () => Promise<T>): Promise<T> {
    const before = turns.get(hash);
    const mine = before ? before.then(work, work) : work();
    turns.set(hash, mine);
    try {
      return await mine;
    } finally {
      if (turns.get(hash) === mine) turns.delete(hash);
    }
  }
  async function look(name: string): Promise<void> {
    const found = await orNull(stat(join(folder, name)));
    if (!found) return;
    count(name, found.size);
    const hash = /^([0-9a-f]{64})\.json$/.exec(name)?.[1];
    const record = hash ? await find(hash) : null;
    if (hash && record) expiry.set(hash, record.expiresAt);
  }
  const names = await readdir(folder);
  for (let i = 0; i < names.length; i += AT_ONCE)
    await Promise.all(names.slice(i, i + AT_ONCE).map(look));

  /** What a crash, or an upload that broke off, left behind. */
  async function dropStrays(now: number): Promise<void> {
    for (const name of await readdir(folder)) {
      const hash = /^([0-9a-f]{64})\.pdf$/.exec(name)?.[1];
      // What another server has put here is no stray.
      if (hash !== undefined && !expiry.has(hash))
        await Promise.all([look(`${hash}.json`), look(name)]);
      const stray = name.endsWith('.part') || (hash !== undefined && !expiry.has(hash));
      if (!stray) continue;
      const found = await orNull(stat(join(folder, name)));
      if (found && now - found.mtimeMs > STRAY_AFTER) await drop(name);
    }
  }

  /** Of a link that is there, while nothing else changes it. @throws LinkGone, LinkStoreFull when so many bytes more are too many */
  const whileThere = <T>(hash: string, more: number, work: () => Promise<T>): Promise<T> =>
    inTurn(hash, async () => {
      const record = await find(hash);
      if (!record || record.withdrawnAt !== null) throw new LinkGone();
      if (held + more > mostBytes) throw new LinkStoreFull();
      return work();
    });
  async function answers(hash: string): Promise<readonly string[]> {
    const text = await orNull(readFile(join(folder, `${hash}.answers`), 'utf8'));
    return (text ?? '').split('\n').filter(Boolean);
  }
  const openedPath = (hash: string): string => join(folder, `${hash}.opened`);
  return {
    find,
    held: async () => held,
    check: () => access(folder, constants.R_OK | constants.W_OK),
    async opened(hash, at) {
      const name = `${hash}.opened`;
      const sizeOf = (): number => sizes.get(name) ?? 0;
      if (sizeOf() >= MOST_OPENINGS * LINE || held + LINE > mostBytes) return;
      // Counted before it is written: others may open it meanwhile.
      count(name, sizeOf() + LINE);
      try {
        await appendFile(openedPath(hash), `${String(at).padStart(LINE - 1, '0')}\n`);
      } catch (e) {
        count(name, sizeOf() - LINE);
        throw e;
      }
    },
    async openings(hash) {
      const text = await orNull(readFile(openedPath(hash), 'utf8'));
      const times = (text ?? '').split('\n').filter(Boolean).map(Number).filter(Number.isFinite);
      return { count: times.length, times: times.slice(-LAST_OPENINGS).reverse() };
    },
    keepNotes: (hash, notes) =>
      whileThere(hash, Buffer.byteLength(notes), async () => {
        await write(`${hash}.notes`, notes);
      }),
    notes: (hash) => orNull(readFile(join(folder, `${hash}.notes`), 'utf8')),
    addAnswer: (hash, line, most) =>
      whileThere(hash, Buffer.byteLength(line) + 2, async () => {
        if ((await answers(hash)).length >= most) return false;
        const name = `${hash}.answers`;
        // On a line of its own, whatever a crash has left of the one before.
        const added = `\n${line}\n`;
        await fitting(appendFile(join(folder, name), added));
        count(name, (sizes.get(name) ?? 0) + Buffer.byteLength(added));
        return true;
      }),
    answers,
    async replace(hash, fileName, bytes) {
      const received = await receive(hash, bytes);
      return inTurn(hash, async () => {
        // As it is by now: it may have been withdrawn while the bytes came.
        const record = await find(hash);
        if (!record || record.withdrawnAt !== null) {
          await drop(received.part);
          throw new LinkGone();
        }
        const whole = { ...record, fileName, size: received.size };
        try {
          // The record first: where there is no room for it the copy that was there stays.
          await keep(hash, whole, () => settle(hash, received));
        } catch (e) {
          await drop(received.part);
          throw e;
        }
        return whole;
      });
    },
    filePath: async (hash) => ((await orNull(stat(pdfPath(hash)))) ? pdfPath(hash) : null),
    async create(hash, record, bytes) {
      const received = await receive(hash, bytes);
      const whole = { ...record, size: received.size };
      try {
        await keep(hash, whole, () => settle(hash, received));
      } catch (e) {
        await drop(received.part);
        await drop(`${hash}.pdf`);
        throw e;
      }
      return whole;
    },
    withdraw: (hash, at) =>
      inTurn(hash, async () => {
        const record = await find(hash);
        if (record) await keep(hash, { ...record, withdrawnAt: at });
        await drop(`${hash}.pdf`);
        await drop(`${hash}.notes`);
      }),
    async sweep(now) {
      let dropped = 0;
      for (const [hash, expiresAt] of [...expiry]) {
        if (!isExpired({ expiresAt }, now)) continue;
        if (sizes.has(`${hash}.pdf`)) {
          await drop(`${hash}.pdf`);
          await drop(`${hash}.notes`);
          dropped++;
        }
        if (expiresAt + REMEMBERED >= now) continue;
        await drop(`${hash}.json`);
        await drop(`${hash}.opened`);
        await drop(`${hash}.answers`);
        expiry.delete(hash);
      }
      await dropStrays(now);
      return dropped;
    },
  };
}
