import { readFile, writeFile } from 'node:fs/promises';

/** What a command reads, writes and says; a test stands in for it. */
export interface Io {
  read(path: string): Promise<Uint8Array>;
  write(path: string, bytes: Uint8Array): Promise<void>;
  /** Results, as JSON, on standard output. */
  result(value: unknown): void;
  /** One of many results, on a line of its own. */
  row(value: unknown): void;
  /** Words for people, on standard error. */
  say(words: string): void;
}

/** How a command ends. */
export const EXIT = {
  done: 0,
  /** What was compared is not alike. */
  unlike: 1,
  unforeseen: 1,
  wrongCall: 2,
  refused: 3,
  badMarks: 4,
  noFile: 5,
} as const;
export type ExitCode = (typeof EXIT)[keyof typeof EXIT];

/** Thrown where a command cannot go on; its words are for whoever called it. */
export class CommandError extends Error {
  override readonly name = 'CommandError';

  constructor(
    readonly code: ExitCode,
    message: string,
  ) {
    super(message);
  }
}

const fileError = (path: string, e: unknown): CommandError =>
  new CommandError(EXIT.noFile, `${path}: ${e instanceof Error ? e.message : String(e)}`);

export const systemIo: Io = {
  read: (path) =>
    readFile(path).then(
      (bytes) => new Uint8Array(bytes),
      (e: unknown) => Promise.reject(fileError(path, e)),
    ),
  write: (path, bytes) => writeFile(path, bytes).catch((e) => Promise.reject(fileError(path, e))),
  result: (value) => process.stdout.write(`${JSON.stringify(value, null, 2)}\n`),
  row: (value) => process.stdout.write(`${JSON.stringify(value)}\n`),
  say: (words) => process.stderr.write(`${words}\n`),
};
