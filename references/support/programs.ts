import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import type { Picture } from './pictures';

/** Debian's programs that read PDFs, each with code of its own. */

function withFile<T>(bytes: Uint8Array, read: (path: string, folder: string) => T): T {
  const folder = mkdtempSync(join(tmpdir(), 'check-'));
  try {
    const path = join(folder, 'copy.pdf');
    writeFileSync(path, bytes);
    return read(path, folder);
  } finally {
    rmSync(folder, { recursive: true });
  }
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

/** Errors and warnings of MuPDF while it draws every page; it is the only one that notices broken fonts. */
export const complaintOfMupdf = (bytes: Uint8Array): string =>
  withFile(bytes, (path) =>
    run('mutool', ['draw', '-q', '-r', '30', '-o', '/dev/null', '-F', 'ppm', path]).err.trim(),
  );

export const textOf = (bytes: Uint8Array): string =>
  withFile(bytes, (path) => run('pdftotext', ['-q', path, '-']).out);

/** Size of a page in points and its turn, as poppler tells it. */
export const infoOf = (bytes: Uint8Array): string =>
  withFile(bytes, (path) => run('pdfinfo', ['-box', path]).out);

/** A page (from 1) drawn by poppler at `dpi`. */
export const popplerPicture = (bytes: Uint8Array, page: number, dpi: number): Picture =>
  withFile(bytes, (path, folder) => {
    const to = join(folder, 'page');
    run('pdftoppm', [
      '-cropbox',
      '-r',
      String(dpi),
      '-f',
      String(page),
      '-l',
      String(page),
      '-singlefile',
      '-png',
      path,
      to,
    ]);
    const png = PNG.sync.read(readFileSync(`${to}.png`));
    return { width: png.width, height: png.height, data: new Uint8Array(png.data) };
  });

/** A page (from 1) drawn by Ghostscript at `dpi`, which stops at the first error. */
export const ghostscriptPicture = (bytes: Uint8Array, page: number, dpi: number): Picture =>
  withFile(bytes, (path, folder) => {
    const to = join(folder, 'page.png');
    const { status, err } = run('gs', [
      '-q',
      '-dSAFER',
      '-dBATCH',
      '-dNOPAUSE',
      '-dPDFSTOPONERROR',
      '-dUseCropBox',
      '-sDEVICE=png16m',
      '-dTextAlphaBits=4',
      '-dGraphicsAlphaBits=4',
      `-r${dpi}`,
      `-dFirstPage=${page}`,
      `-dLastPage=${page}`,
      `-sOutputFile=${to}`,
      path,
    ]);
    if (status !== 0) throw new Error(`Ghostscript stopped: ${err}`);
    const png = PNG.sync.read(readFileSync(to));
    return { width: png.width, height: png.height, data: new Uint8Array(png.data) };
  });
