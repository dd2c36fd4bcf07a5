// What both commands need before anything else: Node's version, the packages, Debian's programs.
// Only Node's own modules here: it runs before anything is installed.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Programs by the Debian package that brings them. */
const PROGRAMS = {
  chromium: '/usr/bin/chromium',
  // The browser without its window: the tests take a sixth less time in it.
  'chromium-headless-shell': '/usr/bin/chromium-headless-shell',
  qpdf: '/usr/bin/qpdf',
  'poppler-utils': '/usr/bin/pdftotext',
  'mupdf-tools': '/usr/bin/mutool',
  ghostscript: '/usr/bin/gs',
  'webkit2gtk-driver': '/usr/bin/WebKitWebDriver',
  xvfb: '/usr/bin/Xvfb',
  cmark: '/usr/bin/cmark',
  openssl: '/usr/bin/openssl',
  postgresql: '/usr/lib/postgresql',
  'python3-icalendar': '/usr/lib/python3/dist-packages/icalendar/__init__.py',
  'python3-pypdf': '/usr/lib/python3/dist-packages/pypdf/__init__.py',
  'python3-reportlab': '/usr/lib/python3/dist-packages/reportlab/__init__.py',
  'zbar-tools': '/usr/bin/zbarimg',
};

/** Runs a command in the project's root with its output shown; true when it ended well. */
export function run(command, args, env = {}) {
  const { status, error } = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  if (error) console.error(`${command} could not be started: ${error.message}`);
  return status === 0;
}

export function stop(message) {
  console.error(`\n${message}`);
  process.exit(1);
}

export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 20))
    stop(`Node 20.20 or newer is needed; this is ${process.versions.node}.`);
}

/** Installs the npm packages unless they are there for exactly this lockfile. */
export function installPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(root, 'node_modules', '.installed-for');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('Installing the npm packages (a few minutes the first time) …');
  if (!run('npm', ['ci', '--no-audit', '--no-fund']))
    stop('The npm packages could not be installed. Is the npm registry within reach?');
  writeFileSync(stamp, lock);
}

/** Installs the browser and the PDF checkers that are missing, with apt-get. */
export function installPrograms() {
  const missing = Object.keys(PROGRAMS).filter((name) => !existsSync(PROGRAMS[name]));
  if (missing.length === 0) return;
  const command = `apt-get install -y ${missing.join(' ')}`;
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get'))
    stop(`The tests need ${missing.join(', ')}. Install them first: sudo ${command}`);
  console.log(`Installing ${missing.join(', ')} …`);
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  const ok =
    run('apt-get', ['update', '-q'], quiet) &&
    run('apt-get', ['install', '-y', '-q', '--no-install-recommends', ...missing], quiet);
  if (!ok) stop(`These could not be installed: ${missing.join(', ')}. By hand: ${command}`);
}
