import { readFileSync } from 'node:fs';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ARTIST } from '../../testing/standing.ts';
import { CannotDraw, type PageArtist, TooBusy } from './artist.ts';
import { startArtist } from './startArtist.ts';

const ZONES = join(__dirname, '../../../demo/documents/rock-pool-zones.pdf');
/** Processes that a process has started (procfs, Linux). */
const childrenOf = (pid: number): number[] =>
  readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').split(' ').filter(Boolean).map(Number);

const ask = { file: ZONES, index: 0, width: 400, written: '' };

const report = (e: unknown): never => {
  throw e;
};

let artist: PageArtist;
afterEach(() => artist.close());

test('what takes too long is given up, and what comes after is drawn', async () => {
  artist = startArtist(ARTIST, report, { patience: 1 });
  await expect(artist.picture(ask)).rejects.toThrow(CannotDraw);
  artist.close();
  artist = startArtist(ARTIST, report);
  expect((await artist.picture(ask))?.length).toBeGreaterThan(1000);
});

test('files that are damaged or gone harm nobody who waits behind them', async () => {
  artist = startArtist(ARTIST, report);
  const folder = await mkdtemp(join(tmpdir(), 'pages-'));
  const damaged = join(folder, 'damaged.pdf');
  await writeFile(damaged, '%PDF-1.7\n');
  const all = await Promise.allSettled([
    artist.sizes(damaged),
    artist.sizes(join(folder, 'gone.pdf')),
    artist.picture(ask),
  ]);
  expect(all.map(({ status }) => status)).toEqual(['rejected', 'rejected', 'fulfilled']);
  expect(await artist.picture({ ...ask, index: 9999 })).toBeNull();
  expect(await artist.words(ZONES, 2)).toBeNull();
  await rm(folder, { recursive: true });
});

test('more than may wait are sent away; a page of any shape has a bounded picture', async () => {
  artist = startArtist(ARTIST, report, { mostWaiting: 2 });
  const all = await Promise.allSettled(Array.from({ length: 5 }, () => artist.sizes(ZONES)));
  const refused = all.filter((one) => one.status === 'rejected');
  expect(refused).toHaveLength(2);
  for (const { reason } of refused) expect(reason).toBeInstanceOf(TooBusy);
});

test('what draws may be killed: whoever waits for it is told, and the next page is drawn by another', async () => {
  const reported: unknown[] = [];
  artist = startArtist(ARTIST, (e) => reported.push(e));
  await artist.sizes(ZONES);
  const page = artist.picture({ ...ask, width: 2400 });
  const drawing = childrenOf(process.pid);
  expect(drawing).toHaveLength(1);
  process.kill(drawing[0], 'SIGKILL');
  await expect(page).rejects.toThrow(CannotDraw);
  expect(reported).toHaveLength(1);
  expect((await artist.picture(ask))?.length).toBeGreaterThan(1000);
});
