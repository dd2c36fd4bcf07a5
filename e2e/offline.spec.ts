import { type ChildProcess, spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page, test } from '@playwright/test';
import { line, Pen } from './support/pen';
import { NEVER_BEEN_HERE } from './support/laidOut';
import { drawn, inkOn, kept, makeCopy, openDocument, placeOn } from './support/reader';

/** After the first visit everything but the server's own services works without it; a newer version waits to be taken. */

test.use({ serviceWorkers: 'allow', storageState: NEVER_BEEN_HERE });

const PORT = Number(process.env.E2E_PORT ?? 4179) + 7;
const HERE = `http://localhost:${PORT}`;

/** A server of this test's own, which it can end. */
async function startServer(app: string, data: string): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    env: {
      ...process.env,
      ...{ PORT: String(PORT), DEMO: '1', APP_FOLDER: app, DATA_FOLDER: data },
      ...{ OUTBOX_FOLDER: join(data, 'outbox'), DEVICES_FOLDER: join(data, 'devices') },
    },
    stdio: 'ignore',
  });
  await expect
    .poll(
      () =>
        fetch(HERE).then(
          (r) => r.ok,
          () => false,
        ),
      { timeout: 30_000 },
    )
    .toBe(true);
  return server;
}

const end = (server: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    server.once('exit', () => resolve());
    server.kill();
  });

/** Opens the desk for the first time, until the browser has kept everything. */
async function visitFirst(page: Page): Promise<void> {
  await page.goto(HERE);
  await expect(page.getByRole('button', { name: 'Open Course handbook' })).toBeVisible({
    timeout: 40_000,
  });
  await page.evaluate(async () => {
    const { active } = await navigator.serviceWorker.ready;
    if (active?.state !== 'activated')
      await new Promise((resolve) => active?.addEventListener('statechange', resolve));
  });
}

let folder: string;
let server: ChildProcess;
test.beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'offline-'));
  cpSync('app/dist', join(folder, 'app'), { recursive: true });
  server = await startServer(join(folder, 'app'), join(folder, 'data'));
});
test.afterEach(async () => {
  if (server.exitCode === null && server.signalCode === null) await end(server);
  rmSync(folder, { recursive: true, force: true });
});

test('after the first visit one reads, writes and makes a copy without a network', async ({
  page,
}) => {
  await visitFirst(page);
  await end(server);

  await page.reload();
  await openDocument(page, 'Rock-pool zones');
  const pen = await Pen.of(page);
  await pen.draw(line(await placeOn(page, 1, 0.2, 0.3), await placeOn(page, 1, 0.7, 0.35)));
  await kept(page);
  await makeCopy(page);
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').waitFor({ state: 'hidden' });

  // The address of a document leads to it, and what was written is there.
  await page.reload();
  await drawn(page, 1);
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(100);
});

test('pages of the server’s own come from it, also for whoever has been here before', async ({
  page,
}) => {
  await visitFirst(page);
  await page.reload();
  for (const [path, title] of [
    ['/stand-ins/outbox', 'Outbox'],
    ['/stand-ins/printer', 'Printer'],
    ['/stand-ins/share-sheet', 'Shared'],
    ['/s/nothing', 'No document here'],
  ]) {
    await page.goto(HERE + path);
    expect(await page.evaluate(() => navigator.serviceWorker.controller !== null), path).toBe(true);
    await expect(page.getByRole('heading', { name: title })).toBeVisible();
  }
});

test('a newer version waits until it is taken, and what was kept of the old one goes', async ({
  page,
}) => {
  await visitFirst(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Open Course handbook' })).toBeVisible();
  await expect(page.getByText('A newer version of Marginalis is here.')).toBeHidden();

  // Another build: its page differs, and so does the list of what is kept.
  const index = join(folder, 'app/index.html');
  writeFileSync(
    index,
    readFileSync(index, 'utf8').replace('<title>', '<meta name="newer"><title>'),
  );
  const worker = join(folder, 'app/sw.js');
  const revision = /index\.html",revision:"([0-9a-f]+)"/;
  const text = readFileSync(worker, 'utf8');
  expect(text).toMatch(revision);
  writeFileSync(worker, text.replace(revision, 'index.html",revision:"0123456789abcdef"'));

  await page.reload();
  const notice = page.getByText('A newer version of Marginalis is here.');
  await expect(notice).toBeVisible({ timeout: 40_000 });
  expect(await page.locator('meta[name=newer]').count()).toBe(0);
  await page.getByRole('button', { name: 'Load it now' }).click();
  await expect(page.locator('meta[name=newer]')).toBeAttached({ timeout: 30_000 });
  await expect(notice).toBeHidden();
  const pages = await page.evaluate(async () => {
    const names = await caches.keys();
    const all = await Promise.all(names.map(async (name) => (await caches.open(name)).keys()));
    return all.flat().filter((request) => new URL(request.url).pathname === '/index.html').length;
  });
  expect(pages).toBe(1);
});
