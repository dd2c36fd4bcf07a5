import { spawn } from 'node:child_process';

const PORT = 4188;
export const BASE = `http://localhost:${PORT}`;

/** The product's server with the sample documents; gives a function that ends it. */
export async function startServer(): Promise<() => void> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    env: { ...process.env, PORT: String(PORT), DEMO: '1', DATA_FOLDER: '.cache/bench-links' },
    stdio: 'ignore',
  });
  for (let i = 0; i < 100; i++) {
    if (
      await fetch(BASE).then(
        (r) => r.ok,
        () => false,
      )
    )
      return () => server.kill();
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  server.kill();
  throw new Error('The server did not start.');
}
