import { mkdir, mkdtemp, readdir, rm, stat, writeFile } from 'node:fs/promises';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { createApp } from '../src/app.ts';
import type { Tracker } from '../src/tasks/tracker.ts';
import type { Mailer } from '../src/mail/mailer.ts';
import type { PageArtist } from '../src/pictures/artist.ts';
import { startArtist } from '../src/pictures/startArtist.ts';
import { openOutbox, type Outbox } from '../src/standins/outbox.ts';
import { openDevices } from '../src/standins/standInRoutes.ts';
import { createDiskLinkStore } from '../src/links/diskStore.ts';
import type { LinkStore } from '../src/links/linkStore.ts';

/** What draws pages. */
export const ARTIST = pathToFileURL(join(__dirname, '../src/pictures/artistProcess.mjs'));
export const DAY = 24 * 3600 * 1000;
export const PDF = Buffer.from('%PDF-1.7\n1 0 obj\n<<>>\nendobj\n%%EOF\n');
export const QUERY = new URLSearchParams({
  fileName: 'Zones – marked.pdf',
  title: 'Zones',
  days: '7',
});

export interface Made {
  readonly token: string;
  readonly ownerKey: string;
  readonly expiresAt: number;
}

interface StartOptions {
  readonly limits?: { readonly uploads: number; readonly requests: number };
  readonly mostBytes?: number;
  readonly trustedProxies?: number;
  readonly tracker?: Tracker;
  /** The outbox unless another is given. */
  readonly mailer?: Mailer | null;
  /** Whether a printer and a share sheet stand in. */
  readonly standsIn?: boolean;
}

/** A server on a folder of its own, with a clock the test sets. */
export class Standing {
  folder = '';
  now = 0;
  base = '';
  links!: LinkStore;
  outbox!: Outbox;
  readonly reported: unknown[] = [];
  /** Draws in a worker that starts when it is first asked; whoever asks closes it in the end. */
  readonly artist: PageArtist = startArtist(ARTIST, (e) => this.reported.push(e));
  private server!: Server;

  get store(): string {
    return join(this.folder, '.links');
  }

  async open(): Promise<void> {
    this.folder = await mkdtemp(join(tmpdir(), 'links-'));
    await mkdir(join(this.folder, 'app'), { recursive: true });
    await mkdir(join(this.folder, 'demo'), { recursive: true });
    await writeFile(join(this.folder, 'app/index.html'), '<!doctype html><title>App</title>');
    await writeFile(join(this.folder, 'demo/index.json'), '[]');
    this.now = 1_760_000_000_000;
    this.reported.length = 0;
    await this.start();
  }

  async close(): Promise<void> {
    await this.stop();
    await rm(this.folder, { recursive: true });
  }

  async start({
    limits,
    mostBytes,
    trustedProxies,
    tracker,
    mailer,
    standsIn = true,
  }: StartOptions = {}): Promise<void> {
    this.links = await createDiskLinkStore(this.store, mostBytes);
    this.outbox = await openOutbox(join(this.folder, 'outbox'), () => this.now);
    const app = createApp({
      links: this.links,
      artist: this.artist,
      trustedProxies,
      tracker,
      mailer: mailer === undefined ? this.outbox : mailer,
      outbox: this.outbox,
      devices: standsIn ? await openDevices(join(this.folder, 'devices'), () => this.now) : null,
      now: () => this.now,
      appFolder: join(this.folder, 'app'),
      demoFolder: join(this.folder, 'demo'),
      report: (e) => this.reported.push(e),
      limits: limits ?? { uploads: 1000, requests: 1000 },
    });
    this.server = app.listen(0);
    await new Promise((resolve) => this.server.once('listening', resolve));
    this.base = `http://localhost:${(this.server.address() as AddressInfo).port}`;
  }

  stop = (): Promise<unknown> => new Promise((resolve) => this.server.close(resolve));

  async restart(options: StartOptions = {}): Promise<void> {
    await this.stop();
    await this.start(options);
  }

  upload = (
    body: RequestInit['body'] = PDF,
    query = QUERY,
    type = 'application/pdf',
  ): Promise<Response> =>
    fetch(`${this.base}/api/links?${query}`, {
      method: 'POST',
      headers: { 'content-type': type },
      body,
      duplex: 'half',
    } as RequestInit);

  made = async (): Promise<Made> => (await (await this.upload()).json()) as Made;

  status = async (path: string, init?: RequestInit): Promise<number> =>
    (await fetch(this.base + path, init)).status;

  withdraw = (token: string, key: string): Promise<number> =>
    this.status(`/api/links/${token}`, {
      method: 'DELETE',
      headers: { authorization: `Bearer ${key}` },
    });

  names = (): Promise<string[]> => readdir(this.store);

  /** What all files of the store take, counted anew. */
  async counted(): Promise<number> {
    const sizes = (await this.names()).map(async (n) => (await stat(join(this.store, n))).size);
    return (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0);
  }
}
