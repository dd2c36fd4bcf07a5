// npm run demo: installs what is missing, builds when the sources are newer, starts the server with the demo data.
import { spawn } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { installPackages, requireNode, root, run, stop } from './ground.mjs';

requireNode();
installPackages();

/** When the newest file below a path was changed, ms since 1970. */
function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path).reduce((latest, name) => Math.max(latest, newest(join(path, name))), 0);
}

const index = join(root, 'app/dist/index.html');
const sources = [
  'app/src',
  'app/scripts',
  'app/public/index.html',
  'app/app.json',
  'core/src',
  'package-lock.json',
];
const builtAt = existsSync(index) ? statSync(index).mtimeMs : 0;
if (sources.some((s) => newest(join(root, s)) > builtAt)) {
  console.log('Building the application (about two minutes the first time) …');
  if (!run('npm', ['run', '-s', 'build'])) stop('The build failed; what went wrong stands above.');
}

const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, DEMO: '1' },
});
// Ctrl-C reaches the server too; whoever ends this process alone ends the server with it.
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill('SIGTERM'));
server.on('exit', (code) => process.exit(code ?? 0));
