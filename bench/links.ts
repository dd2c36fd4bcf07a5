import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '../server/src/app';
import { startArtist } from '../server/src/pictures/startArtist';
import { createDiskLinkStore } from '../server/src/links/diskStore';
import { inTurn, type Row, timed } from './report';
import { BASE, startServer } from './server';

const MANY = 20_000;
const ROUNDS = 40;
const SIZE = 200_000;
const LARGE = 90_000_000;

const PDF = Buffer.concat([Buffer.from('%PDF-1.7\n'), Buffer.alloc(SIZE, 32)]);
const hash = (i: number): string => i.toString(16).padStart(64, '0');

/** A server whose store holds so many links already. */
async function serverWith(count: number) {
  const folder = mkdtempSync(join(tmpdir(), 'bench-links-'));
  const now = Date.now();
  const record = JSON.stringify({
    ownerKeyHash: hash(7),
    title: 'Tide log',
    fileName: 'Tide log.pdf',
    size: 1000,
    createdAt: now,
    expiresAt: now + 1e9,
    withdrawnAt: null,
  });
  for (let i = 0; i < count; i++) {
    writeFileSync(join(folder, `${hash(i)}.json`), record);
    writeFileSync(join(folder, `${hash(i)}.pdf`), PDF.subarray(0, 1000));
  }
  const app = createApp({
    links: await createDiskLinkStore(folder),
    artist: startArtist(
      new URL('../server/src/pictures/artistProcess.mjs', import.meta.url),
      console.error,
    ),
    now: Date.now,
    appFolder: folder,
    demoFolder: null,
    report: (e) => console.error(e),
    limits: { uploads: 1e6, requests: 1e6 },
  });
  const server = app.listen(0);
  await new Promise((resolve) => server.once('listening', resolve));
  const base = `http://localhost:${(server.address() as AddressInfo).port}`;
  return {
    upload: (body: Buffer) => upload(base, body),
    async guess(): Promise<void> {
      await (await fetch(`${base}/api/links/${'A'.repeat(43)}`)).arrayBuffer();
    },
    close(): void {
      server.close();
      server.closeAllConnections();
      rmSync(folder, { recursive: true });
    },
  };
}

/** The most memory a process has had, MB. */
const peakOf = (pid: number): number =>
  Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]) / 1000;

/** Memory of a server that takes eight large uploads at once, MB: before and at most. */
async function memoryOfLarge(): Promise<Row> {
  const server = await startServer();
  try {
    const before = peakOf(server.pid);
    const large = Buffer.concat([PDF, Buffer.alloc(LARGE)]);
    await Promise.all(Array.from({ length: 8 }, () => upload(BASE, large)));
    const row = { what: 'memory, 8 uploads of 90 MB at once', reference: 'no upload', unit: 'MB' };
    return { ...row, ours: peakOf(server.pid), theirs: before };
  } finally {
    server.stop();
  }
}

async function upload(base: string, body: Buffer): Promise<void> {
  const answer = await fetch(`${base}/api/links?title=Tides&fileName=tides.pdf&days=1`, {
    method: 'POST',
    headers: { 'content-type': 'application/pdf' },
    body: new Uint8Array(body),
  });
  if (answer.status !== 201) throw new Error(`The server answered with ${answer.status}.`);
  await answer.arrayBuffer();
}

/** What an upload and a guest's question cost where the store is full of links, against an empty one. */
export async function benchLinks(): Promise<Row[]> {
  const [full, empty] = [await serverWith(MANY), await serverWith(0)];
  try {
    const uploads = await inTurn(
      ROUNDS,
      () => timed(() => full.upload(PDF)),
      () => timed(() => empty.upload(PDF)),
    );
    const questions = await inTurn(
      ROUNDS,
      () => timed(() => full.guess()),
      () => timed(() => empty.guess()),
    );
    return [
      { what: `upload of 200 kB, ${MANY} links`, reference: 'no links', ...uploads },
      { what: `a guest's question, ${MANY} links`, reference: 'no links', ...questions },
      await memoryOfLarge(),
    ];
  } finally {
    full.close();
    empty.close();
  }
}
