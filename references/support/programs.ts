import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Picture } from './pictures';
import { type ReaderName, READERS } from './readers';

/** Debian's programs that read PDFs, each with code of its own. */

/** Gives `read` a file with the bytes; the file is gone when what it gave is there. */
export function withFile<T>(bytes: Uint8Array, read: (path: string) => T): T {
  const folder = mkdtempSync(join(tmpdir(), 'check-'));
  const drop = (): void => rmSync(folder, { recursive: true });
  let result: T;
  try {
    const path = join(folder, 'copy.pdf');
    writeFileSync(path, bytes);
    result = read(path);
  } catch (e) {
    drop();
    throw e;
  }
  if (result instanceof Promise) return result.finally(drop) as T;
  drop();
  return result;
}

function run(program: string, args: string[]): { status: number | null; out: string; err: string } {
  const { status, stdout, stderr, error } = spawnSync(program, args, {
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  if (error) throw error;
  return { status, out: stdout, err: stderr };
}

/** What qpdf has to say against a file; null when it is sound, warnings included. */
export const complaintOfQpdf = (bytes: Uint8Array): string | null =>
  withFile(bytes, (path) => {
    const { status, out, err } = run('qpdf', ['--check', path]);
    return status === 0 ? null : out + err;
  });

/**
 * What MuPDF complains of while it draws every page, each kind once and without its numbers; it is the only reader
 * that notices broken fonts and objects that are not where they should be.
 */
export const complaintsOfMupdf = (bytes: Uint8Array, password = ''): ReadonlySet<string> =>
  withFile(bytes, (path) => {
    const { err } = run('mutool', [
      ...['draw', '-q', '-p', password, '-r', '30', '-o', '/dev/null', '-F', 'ppm', path],
    ]);
    return new Set(err.split('\n').flatMap((line) => line.trim().replace(/\d+/g, 'N') || []));
  });

/** The entries of a file's outline that lead to a page, from 0, as MuPDF reads them. */
export const outlineByMupdf = (
  bytes: Uint8Array,
): readonly { readonly title: string; readonly page: number }[] =>
  withFile(bytes, (path) =>
    [...run('mutool', ['show', path, 'outline']).out.matchAll(/"(.*)"\t#page=(\d+)/g)].map(
      ([, title, page]) => ({ title, page: Number(page) - 1 }),
    ),
  );

/** What MuPDF complains of in a copy but not in its source. */
export function newComplaints(source: Uint8Array, copy: Uint8Array): string[] {
  const known = complaintsOfMupdf(source);
  return [...complaintsOfMupdf(copy)].filter((complaint) => !known.has(complaint));
}

/** Every object of a file but its streams' data, with its strings as text; by qpdf. */
export const objectsOf = (bytes: Uint8Array): string =>
  withFile(bytes, (path) => run('qpdf', ['--json=2', '--json-key=qpdf', path]).out);

/** Every stream of a file by its object number, decoded where its filters are general ones; by qpdf. */
export const streamsOf = (bytes: Uint8Array): ReadonlyMap<number, string> =>
  withFile(bytes, (path) => {
    const { out } = run('qpdf', [
      '--json=2',
      '--json-key=qpdf',
      '--json-stream-data=inline',
      '--decode-level=generalized',
      path,
    ]);
    const { qpdf } = JSON.parse(out) as { qpdf: [unknown, Record<string, JsonObject>] };
    return new Map(
      Object.entries(qpdf[1]).flatMap(([name, { stream }]) =>
        stream && !OF_THE_FILE.has(stream.dict['/Type'])
          ? [[Number(/^obj:(\d+)/.exec(name)?.[1]), stream.data] as const]
          : [],
      ),
    );
  });

interface JsonObject {
  readonly stream?: { readonly data: string; readonly dict: Record<string, unknown> };
}

/** Streams that hold the file together, not the document. */
const OF_THE_FILE: ReadonlySet<unknown> = new Set(['/ObjStm', '/XRef']);

export const textOf = (bytes: Uint8Array): string =>
  withFile(bytes, (path) => run('pdftotext', ['-q', path, '-']).out);

/** What kind each font of a page (from 1) is of, by its name; by `pdffonts`. */
export const fontKinds = (bytes: Uint8Array, page: number): ReadonlyMap<string, string> =>
  withFile(bytes, (path) => {
    const { out } = run('pdffonts', ['-f', String(page), '-l', String(page), path]);
    const [head, , ...rows] = out.trimEnd().split('\n');
    const [kind, encoding] = [head.indexOf('type'), head.indexOf('encoding')];
    return new Map(
      rows.map((row) => {
        // Before the name of a font of which the file has a part stand six letters.
        const name = row
          .slice(0, kind)
          .trim()
          .replace(/^[A-Z]{6}\+/, '');
        return [name, row.slice(kind, encoding).trim()] as const;
      }),
    );
  });

/** Size of a page in points and its turn, as poppler tells it. */
export const infoOf = (bytes: Uint8Array): string =>
  withFile(bytes, (path) => run('pdfinfo', ['-box', path]).out);

/** What qpdf tells of the lock of a file that a password opens. */
export const lockOf = (bytes: Uint8Array, password: string): string =>
  withFile(bytes, (path) => run('qpdf', ['--show-encryption', `--password=${password}`, path]).out);

/** A file that a password opens, written anew without its lock, by qpdf; throws where it does not open, or is not sound unless it `mayBeDamaged`. */
export const unlocked = (bytes: Uint8Array, password: string, mayBeDamaged = false): Uint8Array =>
  withFile(bytes, (path) => {
    const { status, err } = run('qpdf', [
      ...['--decrypt', `--password=${password}`, path, `${path}.open`],
    ]);
    // Three: opened, with warnings.
    if (status !== 0 && !(mayBeDamaged && status === 3))
      throw new Error(`qpdf did not open it: ${err}`);
    return new Uint8Array(readFileSync(`${path}.open`));
  });

/** A file locked by qpdf. */
export const lockedByQpdf = (
  bytes: Uint8Array,
  password: string,
  how: readonly string[],
  more: readonly string[],
): Uint8Array =>
  withFile(bytes, (path) => {
    const { status, err } = run('qpdf', [
      ...more,
      ...['--encrypt', password, 'the owner', ...how, '--', path, `${path}.locked`],
    ]);
    if (status !== 0) throw new Error(`qpdf did not lock it: ${err}`);
    return new Uint8Array(readFileSync(`${path}.locked`));
  });

/** A page (from 1) drawn by one of the readers at `dpi`. */
export const pictureBy = (
  reader: ReaderName,
  bytes: Uint8Array,
  page: number,
  dpi: number,
  password?: string,
): Promise<Picture> =>
  withFile(bytes, async (path) => {
    const picture = (await READERS[reader](path, [page], dpi, password)).get(page);
    if (!picture) throw new Error(`${reader} gave no picture.`);
    return picture;
  });

/** Every picture of a file by `pdfimages`: the page (from 1), its kind, pixels, how it is packed, and pixels an inch where it is drawn. */
export const picturesIn = (
  bytes: Uint8Array,
): {
  page: number;
  kind: string;
  width: number;
  height: number;
  packed: string;
  ppi: number;
}[] =>
  withFile(bytes, (path) => {
    const [, , ...rows] = run('pdfimages', ['-list', path]).out.trimEnd().split('\n');
    return rows.map((row) => {
      const cells = row.trim().split(/\s+/);
      const [page, , kind, width, height, , , , packed] = cells;
      const [x, y] = cells.slice(-4);
      return {
        ...{ page: Number(page), kind, width: Number(width), height: Number(height), packed },
        ppi: Math.max(Number(x), Number(y)),
      };
    });
  });

interface OutlineItem {
  readonly title: string;
  readonly destpageposfrom1: number | null;
  readonly kids: readonly OutlineItem[];
}

/** The outline's entries in order with the page (from 1) each leads to, and every page's label; by qpdf. */
export function outlineAndLabels(bytes: Uint8Array): {
  outline: { title: string; page: number }[];
  labels: (Record<string, unknown> | null)[];
} {
  const { outlines, pages } = withFile(bytes, (path) => {
    const keys = ['outlines', 'pages'].map((key) => `--json-key=${key}`);
    return JSON.parse(run('qpdf', ['--json=2', ...keys, path]).out) as {
      outlines: OutlineItem[];
      pages: { label: Record<string, unknown> | null }[];
    };
  });
  const flat = (items: readonly OutlineItem[]): { title: string; page: number }[] =>
    items.flatMap(({ title, destpageposfrom1, kids }) => [
      { title, page: destpageposfrom1 ?? 0 },
      ...flat(kids),
    ]);
  return { outline: flat(outlines), labels: pages.map(({ label }) => label) };
}

/** Links inside the document: on which page (from 1), over which words, to which page; by poppler. */
export const linksOf = (bytes: Uint8Array): { on: number; text: string; to: number }[] =>
  withFile(bytes, (path) => {
    const { out } = run('pdftohtml', ['-xml', '-i', '-stdout', path]);
    return out.split('<page ').flatMap((page) => {
      const on = Number(/^number="(\d+)"/.exec(page)?.[1] ?? 0);
      const links = page.matchAll(/<a href="[^"#]*#(\d+)">(.*?)<\/a>/g);
      return [...links].map(([, to, text]) => ({ on, text, to: Number(to) }));
    });
  });
