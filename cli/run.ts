import { parseArgs } from 'node:util';
import { PdfRefusal } from '@marginalis/core/document';
import { carry } from './commands/carry.ts';
import { find } from './commands/find.ts';
import { annotations } from './commands/annotations.ts';
import { fixed } from './commands/fixed.ts';
import { inspect } from './commands/inspect.ts';
import { join } from './commands/join.ts';
import { living } from './commands/living.ts';
import { proof } from './commands/proof.ts';
import { split } from './commands/split.ts';
import { words } from './commands/words.ts';
import { readMarks, writeMarks } from './commands/xfdf.ts';
import { CommandError, EXIT, type ExitCode, type Io } from './io.ts';

export const HELP = `npm run -s cli -- COMMAND

  fixed FILE [--marks FILE.json|FILE.inkml] [--password P] [--lock P] [--forbid print,copy,change] [--smaller DPI] -o OUT
      makes the fixed copy of a PDF, with the marks of a file drawn in; --lock: the copy opens with this password only,
      --forbid: other programs are asked not to do this with it, --smaller: its pictures keep so many dots an inch at most
  living FILE [--marks FILE.json|FILE.inkml] [--password P] [--lock P] [--forbid print,copy,change] [--smaller DPI] -o OUT
      makes the living copy of a PDF: the marks of a file as standard annotations
  inspect FILE [--password P]
      tells what a PDF says of itself
  annotations FILE [--password P]
      what other programs have written on a PDF, as marks and threads: one JSON object
  xfdf FILE --marks FILE.json [--password P] -o OUT.xfdf
      the marks of a file, for a PDF, as XFDF
  xfdf FILE.xfdf
      what an XFDF file says, as marks and threads: one JSON object
  words FILE [--password P]
      the words of a PDF in the order they are read in, one JSON object a line; boxes in points, y up
  find FILE TERM [--exact] [--whole] [--password P]
      where a term is printed, one JSON object a line; --exact: case and accents count, --whole: whole words only
  proof SOURCE MARKS COPY [--password P] [--lock P] [--smaller DPI]
      whether a fixed copy shows what its source and the marks of a file ought to show: one JSON object for each page that
      was changed, with the share of its ink that differs, the places, and the marks that are not found;
      --lock, --smaller: as the copy was made
  join FILE FILE … [--password P] -o OUT
      puts the pages of several PDFs one after the other into one
  split FILE --every N | --ranges "1-3; 4, 6-9" [--password P] -o OUT
      makes several PDFs of one, called OUT-1.pdf, OUT-2.pdf …: of so many pages each, or of ranges
  carry OLD NEW --marks FILE.json [--password P]
      where each mark of a PDF belongs in another edition of it, one JSON object a line: certain, likely or lost, how sure
      it is (0–1), why, on which page, and where on it, in points, y up
  help
      this text

Results are JSON on standard output, words are on standard error. Exit codes: 0 done, 1 a copy is not as it ought to be, or something
failed in a way nobody foresaw, 2 called wrongly, 3 the PDF is refused (damaged, locked …; the reason is in the JSON), 4 the marks cannot be read,
5 a file cannot be read or written.`;

const OPTIONS = {
  marks: { type: 'string' },
  password: { type: 'string' },
  lock: { type: 'string' },
  forbid: { type: 'string' },
  smaller: { type: 'string' },
  out: { type: 'string', short: 'o' },
  exact: { type: 'boolean' },
  whole: { type: 'boolean' },
  every: { type: 'string' },
  ranges: { type: 'string' },
} as const;

/** Runs a command line; the exit code. */
export async function run(args: readonly string[], io: Io): Promise<ExitCode> {
  try {
    return await dispatch(args, io);
  } catch (e) {
    if (e instanceof PdfRefusal) {
      io.result({ ok: false, reason: e.reason, message: e.message });
      io.say(e.message);
      return EXIT.refused;
    }
    if (e instanceof CommandError) {
      io.result({ ok: false, message: e.message });
      io.say(e.message);
      return e.code;
    }
    io.say(e instanceof Error ? (e.stack ?? e.message) : String(e));
    return EXIT.unforeseen;
  }
}

async function dispatch(args: readonly string[], io: Io): Promise<ExitCode> {
  const [command, ...rest] = args;
  if (command === undefined || command === 'help' || command === '--help') {
    io.say(HELP);
    return command === undefined ? EXIT.wrongCall : EXIT.done;
  }
  const { file, more, ...options } = parsed(rest);
  if (command === 'find') {
    const [term, ...others] = more;
    if (term === undefined || others.length > 0)
      throw wrong('A file and a term are needed; a term of several words in quotes.');
    await find(io, { ...options, file, term });
    return EXIT.done;
  }
  if (command === 'proof') {
    const [marks, copy, ...others] = more;
    if (marks === undefined || copy === undefined || others.length > 0)
      throw wrong('A source, its marks and a copy are needed.');
    return (await proof(io, { ...options, file, marks, copy })) ? EXIT.done : EXIT.unlike;
  }
  if (command === 'carry') {
    const [is, ...others] = more;
    const { marks, password } = options;
    if (is === undefined || marks === undefined || others.length > 0)
      throw wrong('Two editions and the marks of the first are needed.');
    await carry(io, { was: file, is, marks, ...(password === undefined ? {} : { password }) });
    return EXIT.done;
  }
  if (command === 'join') {
    await join(io, { files: [file, ...more], out: outOf(options), password: options.password });
    return EXIT.done;
  }
  if (more.length > 0) throw wrong('One file is needed.');
  if (command === 'words') await words(io, file, options.password);
  else if (command === 'annotations') await annotations(io, file, options.password);
  else if (command === 'inspect') await inspect(io, file, options.password);
  else if (command === 'xfdf' && options.out === undefined) await readMarks(io, file);
  else if (command === 'split' || command === 'fixed' || command === 'living' || command === 'xfdf')
    await WRITES[command](io, { ...options, file, out: outOf(options) });
  else throw wrong(`There is no command “${command}”.`);
  return EXIT.done;
}

/** What is written of one PDF. */
const WRITES = { split, fixed, living, xfdf: writeMarks };

function outOf({ out }: { readonly out?: string }): string {
  if (out === undefined) throw wrong('Where to? Say it with -o OUT.');
  return out;
}

const wrong = (message: string): CommandError =>
  new CommandError(EXIT.wrongCall, `${message}\n\n${HELP}`);

function parsed(args: string[]) {
  let result;
  try {
    result = parseArgs({ args, options: OPTIONS, allowPositionals: true, strict: true });
  } catch (e) {
    throw wrong(e instanceof Error ? e.message : String(e));
  }
  const [file, ...more] = result.positionals;
  if (file === undefined) throw wrong('One file is needed.');
  return { ...result.values, file, more };
}
