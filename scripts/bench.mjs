// npm run bench: builds when the application is not built yet, then measures.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { installPackages, installPrograms, requireNode, root, run, stop } from './ground.mjs';

requireNode();
installPackages();
installPrograms();
if (!existsSync(join(root, 'app/dist/index.html')) && !run('npm', ['run', '-s', 'build']))
  stop('The build failed; what went wrong stands above.');
process.exit(
  run(process.execPath, ['--import', 'tsx', 'bench/run.ts', ...process.argv.slice(2)]) ? 0 : 1,
);
