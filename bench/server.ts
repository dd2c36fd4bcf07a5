import { spawn } from 'node:child_process';

const PORT = 4188;
export const BASE = `http://localhost:${PORT}`;

/** The product's server with the sample documents, in a process of its own. */
export async function startServer(): Promise<{ readonly pid: number; stop(): void }> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    env: {
      ...process.env,
      PORT: String(PORT),
      DEMO: '1',
      DATA_FOLDER: '.cache/bench-links',
      LINK_REQUESTS: '100000',
    },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  let stopped = false;
  server.once('exit', (code, signal) => {
    if (!stopped) console.error(`The server ended by itself: ${signal ?? `exit code ${code}`}.`);
  });
  const stop = (): void => {
    stopped = true;
    server.kill();
  };
  for (let i = 0; i < 100; i++) {
    if (
      await fetch(BASE).then(
        (r) => r.ok,
        () => false,
      )
    )
      return { pid: server.pid ?? 0, stop };
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  stop();
  throw new Error('The server did not start.');
}
