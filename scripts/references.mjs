// npm run references: every check against something outside the project, whole, and the steps of the Dockerfile. With a folder: its PDFs are copied and
// the copies counted (npm run references -- FOLDER [--password P] [--pages N]).
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { installPackages, installPrograms, requireNode, run } from './ground.mjs';

requireNode();
installPackages();
installPrograms();
/** Whether the server stands that the Dockerfile makes. */
function stands() {
  if (process.getuid?.() !== 0) {
    console.log('The steps of the Dockerfile were not tried: only root can do them.');
    return true;
  }
  const folder = mkdtempSync(join(tmpdir(), 'image-'));
  try {
    return run(process.execPath, ['scripts/runDockerfile.mjs', folder]);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

const args = process.argv.slice(2);
const ok =
  args.length > 0
    ? run(process.execPath, ['--import', 'tsx', 'references/folder.ts', ...args])
    : run('npx', ['jest', '--selectProjects', 'references', '--runInBand'], {
        REFERENCES: 'all',
      }) &&
      run('npx', ['jest', 'demo', '--runInBand'], { REFERENCES: 'all' }) &&
      stands();
process.exit(ok ? 0 : 1);
