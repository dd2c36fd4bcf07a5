import { type ChildProcess, spawn } from 'node:child_process';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PDF, QUERY } from './standing.ts';

const root = join(__dirname, '../..');

/** The server as it is started outside of tests. */
export interface Running {
  readonly base: string;
  readonly process: ChildProcess;
  /** Its exit code, or the signal it ended by. */
  readonly ended: Promise<number | string | null>;
}

/** Servers that run as processes, on a folder of their own. */
export class Processes {
  folder = '';
  private readonly started: ChildProcess[] = [];

  async open(): Promise<void> {
    this.folder = await mkdtemp(join(tmpdir(), 'server-'));
    await mkdir(join(this.folder, 'app'));
    await writeFile(join(this.folder, 'app/index.html'), '<!doctype html><title>App</title>');
  }

  /** Ends those that run still. */
  async close(): Promise<void> {
    for (const one of this.started.splice(0)) one.kill('SIGKILL');
    await rm(this.folder, { recursive: true });
  }

  /** One more, on a port of its own; the system refuses it files of more than `most` kilobytes, as a full disk would. */
  async start(settings: Readonly<Record<string, string>> = {}, most?: number): Promise<Running> {
    const command = [process.execPath, '--import', 'tsx', 'server/src/main.ts'];
    const limit = most === undefined ? '' : `ulimit -f ${most} && `;
    const child = spawn('bash', ['-c', `${limit}exec "$@"`, 'bash', ...command], {
      cwd: root,
      env: {
        ...process.env,
        ...{ PORT: '0', DEMO: '', APP_FOLDER: join(this.folder, 'app') },
        ...{ DATA_FOLDER: join(this.folder, 'links'), LOG_LEVEL: 'error' },
        ...settings,
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.started.push(child);
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
}

/** An upload that waits in its middle; the rest is sent when asked. */
export function upload(
  base: string,
  size = 200_000,
): { half: Promise<void>; rest: () => Promise<number> } {
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
    sent.write(Buffer.concat([PDF, Buffer.alloc(size, 32)]), () => resolve()),
  );
  return {
    half,
    rest: () => {
      sent.end(Buffer.alloc(1000, 32));
      return status;
    },
  };
}

/** Waits until something holds. */
export const until = async (holds: () => Promise<boolean>): Promise<void> => {
  for (let k = 0; k < 200; k++) {
    if (await holds()) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('It did not come to that.');
};
