import { type ChildProcess, spawn } from 'node:child_process';
import { mkdir, mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Made, PDF, QUERY } from '../testing/standing.ts';

const root = join(__dirname, '../..');
let folder = '';
const started: ChildProcess[] = [];
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'server-'));
  await mkdir(join(folder, 'app'));
  await writeFile(join(folder, 'app/index.html'), '<!doctype html><title>App</title>');
});
afterEach(async () => {
  for (const one of started.splice(0)) one.kill('SIGKILL');
  await rm(folder, { recursive: true });
});

interface Running {
  readonly base: string;
  readonly process: ChildProcess;
  /** Its exit code, or the signal it ended by. */
  readonly ended: Promise<number | string | null>;
}

/** The server as it is started outside of tests, on a port of its own. */
async function start(): Promise<Running> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    cwd: root,
    env: {
      ...process.env,
      ...{ PORT: '0', DEMO: '', APP_FOLDER: join(folder, 'app') },
      ...{ DATA_FOLDER: join(folder, 'links'), LOG_LEVEL: 'error' },
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  started.push(child);
  const ended = new Promise<number | string | null>((resolve) =>
    child.once('exit', (code, signal) => resolve(signal ?? code)),
  );
  const base = await new Promise<string>((resolve) => {
    child.stdout.on('data', (said: Buffer) => {
      const at = /http:\S+/.exec(String(said))?.[0];
      if (at) resolve(at);
    });
  });
  return { base, process: child, ended };
}

/** An upload that waits in its middle; the rest is sent when asked. */
function upload(base: string): { half: Promise<void>; rest: () => Promise<number> } {
  const sent = request(`${base}/api/links?${QUERY}`, {
    method: 'POST',
    headers: { 'content-type': 'application/pdf' },
  });
  const status = new Promise<number>((resolve, reject) => {
    sent.on('response', (answer) => {
      answer.resume();
      resolve(answer.statusCode ?? 0);
    });
    sent.on('error', reject);
  });
  status.catch(() => undefined);
  const half = new Promise<void>((resolve) =>
    sent.write(Buffer.concat([PDF, Buffer.alloc(200_000, 32)]), () => resolve()),
  );
  return {
    half,
    rest: () => {
      sent.end(Buffer.alloc(1000, 32));
      return status;
    },
  };
}

const until = async (holds: () => Promise<boolean>): Promise<void> => {
  for (let k = 0; k < 200; k++) {
    if (await holds()) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('It did not come to that.');
};
const parts = async (): Promise<string[]> =>
  (await readdir(join(folder, 'links'))).filter((name) => name.endsWith('.part'));

test('it says that it stands; told to end, it brings what is on its way to its end and lets nobody new in', async () => {
  const { base, process: server, ended } = await start();
  expect(await (await fetch(`${base}/api/health`)).json()).toEqual({ ok: true });
  const { half, rest } = upload(base);
  await half;
  await until(async () => (await parts()).length === 1);
  server.kill('SIGTERM');
  await until(() =>
    fetch(`${base}/api/health`, { headers: { connection: 'close' } }).then(
      () => false,
      () => true,
    ),
  );
  expect(await rest()).toBe(201);
  expect(await ended).toBe(0);
  expect(
    (await readdir(join(folder, 'links'))).filter((name) => name.endsWith('.pdf')),
  ).toHaveLength(1);
});

test('killed in the middle of an upload it confirms nothing, and serves what it had confirmed when it is back', async () => {
  const { base, process: server, ended } = await start();
  const made = (await (
    await fetch(`${base}/api/links?${QUERY}`, {
      method: 'POST',
      headers: { 'content-type': 'application/pdf' },
      body: PDF,
    })
  ).json()) as Made;
  const { half, rest } = upload(base);
  await half;
  await until(async () => (await parts()).length === 1);
  server.kill('SIGKILL');
  expect(await ended).toBe('SIGKILL');
  await expect(rest()).rejects.toThrow();

  const again = await start();
  const file = await fetch(`${again.base}/api/links/${made.token}/file`);
  expect(Buffer.from(await file.arrayBuffer())).toEqual(PDF);
  const records = (await readdir(join(folder, 'links'))).filter((name) => name.endsWith('.json'));
  expect(records).toHaveLength(1);
  again.process.kill('SIGTERM');
  expect(await again.ended).toBe(0);
});
