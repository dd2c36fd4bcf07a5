// node scripts/runDockerfile.mjs FOLDER [PORT]: does what the Dockerfile says, step by step, in folders below FOLDER in place of
// images, on this machine; then starts what it starts, and ends well when that says that it stands. For machines without Docker.
import { spawn, spawnSync } from 'node:child_process';
import { cpSync, lstatSync, mkdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { root, stop } from './ground.mjs';

/** It has so long to say that it stands, ms. */
const PATIENCE = 30_000;

const [at, port = '4273'] = process.argv.slice(2);
if (process.getuid?.() !== 0) stop('The steps change owners: only root can do them.');
if (at === undefined) stop('Where to? node scripts/runDockerfile.mjs FOLDER [PORT]');
const folder = resolve(at);

/** Instructions of a Dockerfile, with lines that go on joined, without comments. */
function instructions(text) {
  return text
    .replace(/^\s*#.*$/gm, '')
    .replace(/\\\n/g, ' ')
    .split('\n')
    .flatMap((line) => {
      const [, word, rest] = /^\s*([A-Z]+)\s+(.*?)\s*$/.exec(line) ?? [];
      return word === undefined ? [] : [[word, rest]];
    });
}

const ignored = new Set(
  readFileSync(join(root, '.dockerignore'), 'utf8')
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean),
);
/** What is not sent to the build: names below any folder, or paths. */
const isSent = (path) => {
  const name = relative(root, path);
  return !ignored.has(name) && !ignored.has(`**/${name.split('/').at(-1)}`);
};

function main() {
  let stage = { base: join(folder, '0'), at: '/', env: {}, user: null };
  const stages = new Map();
  let command = null;
  let count = 0;
  const inside = (path, { base, at: from } = stage) => join(base, resolve(from, path));
  const steps = {
    FROM(rest) {
      const [, , name = String(count)] = /^(\S+)(?:\s+AS\s+(\S+))?$/.exec(rest) ?? [];
      stage = { base: join(folder, String(count++)), at: '/', env: {}, user: null };
      mkdirSync(stage.base, { recursive: true });
      stages.set(name, stage);
      command = null;
    },
    WORKDIR(rest) {
      stage.at = resolve(stage.at, rest);
      mkdirSync(inside('.'), { recursive: true });
    },
    COPY(rest) {
      const words = rest.split(/\s+/);
      const from = words[0].startsWith('--from=') ? stages.get(words.shift().slice(7)) : null;
      const to = words.pop();
      for (const word of words) {
        const source = from ? inside(word, { ...from, at: '/' }) : join(root, word);
        const isFolder = lstatSync(source).isDirectory();
        const target =
          isFolder || !/\/$|^\.$/.test(to) ? inside(to) : join(inside(to), word.split('/').at(-1));
        mkdirSync(dirname(target), { recursive: true });
        cpSync(source, target, {
          recursive: true,
          filter: (path) => from !== null || isSent(path),
        });
      }
    },
    RUN(rest) {
      const { status } = spawnSync('sh', ['-ec', rest], {
        cwd: inside('.'),
        stdio: ['ignore', 'inherit', 'inherit'],
        env: { ...process.env, ...stage.env },
      });
      if (status !== 0) stop(`This step went wrong: RUN ${rest}`);
    },
    ENV(rest) {
      const [, name, value] = /^(\w+)=(.*)$/.exec(rest) ?? [];
      stage.env[name] = value;
    },
    USER(rest) {
      stage.user = Number(rest);
    },
    CMD(rest) {
      command = JSON.parse(rest);
    },
    HEALTHCHECK(rest) {
      stage.check = JSON.parse(rest.replace(/^CMD\s+/, ''));
    },
    VOLUME() {},
    EXPOSE() {},
  };
  for (const [word, rest] of instructions(readFileSync(join(root, 'Dockerfile'), 'utf8'))) {
    console.log(`${word} ${rest}`);
    if (!steps[word]) stop(`${word} is not known here.`);
    steps[word](rest);
  }
  return { ...stage, command, cwd: inside('.') };
}

const { env, command, check, cwd, user } = main();
const asWhom = user === null ? {} : { uid: user, gid: user };
const settings = { PATH: process.env.PATH, ...env, PORT: port };
const [program, ...args] = command;
const server = spawn(program, args, { cwd, env: settings, stdio: 'inherit', ...asWhom });
const started = Date.now();
const timer = setInterval(() => {
  const [checker, ...rest] = check;
  const { status } = spawnSync(checker, rest, { cwd, env: settings, ...asWhom });
  if (status !== 0 && Date.now() - started < PATIENCE && server.exitCode === null) return;
  clearInterval(timer);
  server.once('exit', (code) => {
    console.log(status === 0 ? 'It stands.' : 'It does not stand.');
    process.exit(status === 0 && code === 0 ? 0 : 1);
  });
  if (server.exitCode === null) server.kill('SIGTERM');
  else process.exit(1);
}, 500);
