// npm run references: every check against something outside the project, whole. With a folder: its PDFs are copied and
// the copies counted (npm run references -- FOLDER [--password P] [--pages N]).
import { installPackages, installPrograms, requireNode, run } from './ground.mjs';

requireNode();
installPackages();
installPrograms();
const args = process.argv.slice(2);
const ok =
  args.length > 0
    ? run(process.execPath, ['--import', 'tsx', 'references/folder.ts', ...args])
    : run('npx', ['jest', '--selectProjects', 'references', '--runInBand'], { REFERENCES: 'all' });
process.exit(ok ? 0 : 1);
