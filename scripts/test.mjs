// npm test: installs what is missing, then lint, build, types, dependency rules, unit tests, references, browser tests.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, openSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { installPackages, installPrograms, requireNode, root, run } from './ground.mjs';

requireNode();
installPackages();
installPrograms();

const reports = join(root, '.cache', 'reports');
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports, { recursive: true });
const jestReport = join(reports, 'jest.json');
const browserReport = join(reports, 'browser.json');
const readReport = (path) => (existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : null);

let passed = 0;
let failed = 0;
const broken = [];

/** A stage without tests of its own counts as one. */
function stage(name, command, args, counts = () => null, env = {}) {
  console.log(`\n— ${name} —`);
  const started = Date.now();
  return ended(name, started, run(command, args, env), counts);
}

/** A stage that goes on beside the next; what it says is shown when it is waited for. */
function beside(name, command, args) {
  const started = Date.now();
  const said = join(reports, `${name}.txt`);
  const out = openSync(said, 'w');
  const child = spawn(command, args, { cwd: root, stdio: ['ignore', out, out] });
  const over = new Promise((resolve) => {
    child.on('error', () => resolve(false));
    child.on('exit', (code) => resolve(code === 0));
  });
  return async () => {
    const ok = await over;
    console.log(`\n— ${name} —\n${readFileSync(said, 'utf8')}`);
    return ended(name, started, ok);
  };
}

function ended(name, started, ok, counts = () => null) {
  const counted = counts() ?? { passed: ok ? 1 : 0, failed: ok ? 0 : 1 };
  passed += counted.passed;
  failed += counted.failed + (!ok && counted.failed === 0 ? 1 : 0);
  if (!ok) broken.push(name);
  console.log(
    `${name}: ${ok ? 'well' : 'NOT WELL'}, ${Math.round((Date.now() - started) / 1000)} s`,
  );
  return ok;
}

const jestCounts = () => {
  const report = readReport(jestReport);
  return (
    report && {
      passed: report.numPassedTests,
      failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
    }
  );
};
const browserCounts = () => {
  const stats = readReport(browserReport)?.stats;
  return stats && { passed: stats.expected + stats.flaky, failed: stats.unexpected };
};

const linted = beside('Lint and format', 'npm', ['run', '-s', 'lint']);
const built = stage('Build', 'npm', ['run', '-s', 'build']);
// After the build, which writes the types of the routes.
stage('Types', 'npm', ['run', '-s', 'types']);
stage('Dependency rules', 'npm', ['run', '-s', 'rules']);
await linted();
stage(
  'Unit tests and references',
  'npx',
  ['jest', '--maxWorkers=2', '--json', '--outputFile', jestReport, '--silent=false'],
  jestCounts,
);
if (built)
  stage('Browser tests', 'npx', ['playwright', 'test'], browserCounts, {
    PLAYWRIGHT_JSON_OUTPUT_NAME: browserReport,
  });

/** Browser tests that passed only at the second try: their cause is to be looked for. */
function flakyTests() {
  const names = [];
  const walk = (suite, path) => {
    for (const spec of suite.specs ?? [])
      for (const { projectName, status } of spec.tests)
        if (status === 'flaky') names.push(`[${projectName}] ${[...path, spec.title].join(' › ')}`);
    for (const inner of suite.suites ?? []) walk(inner, [...path, inner.title]);
  };
  for (const suite of readReport(browserReport)?.suites ?? []) walk(suite, [suite.title]);
  return names;
}

const flaky = flakyTests();
if (flaky.length > 0) console.log(`\nPassed only at the second try:\n${flaky.join('\n')}`);
if (broken.length > 0) console.log(`\nNot well: ${broken.join(', ')}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
