import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import type { Picture } from './pictures';
import { openInPdfium } from './pdfium';

/** Draws pages (from 1) of the file at `path`, which `password` opens, at `dpi`, annotations included. Throws where the reader gives up. */
export type Reader = (
  path: string,
  pages: readonly number[],
  dpi: number,
  password?: string,
) => Promise<ReadonlyMap<number, Picture>>;

const readPng = (path: string): Picture => {
  const { width, height, data } = PNG.sync.read(readFileSync(path));
  return { width, height, data: new Uint8Array(data) };
};

/** A reader that is a program and writes one PNG a page. */
const program =
  (
    name: string,
    args: (path: string, page: number, dpi: number, to: string) => string[],
    opened: (password: string) => string[],
  ): Reader =>
  async (path, pages, dpi, password) => {
    const folder = mkdtempSync(join(tmpdir(), 'pages-'));
    // Where the command of a program has a word first, as `mutool draw`, options come after it.
    const asked = ([first, ...rest]: string[]): string[] =>
      password === undefined ? [first, ...rest] : [first, ...opened(password), ...rest];
    try {
      return new Map(
        pages.map((page) => {
          const to = join(folder, String(page));
          const { status, stderr, error } = spawnSync(name, asked(args(path, page, dpi, to)), {
            encoding: 'utf8',
            maxBuffer: 1 << 26,
          });
          if (error) throw error;
          if (status !== 0) throw new Error(`${name} gave up on page ${page}: ${stderr.trim()}`);
          return [page, readPng(`${to}.png`)];
        }),
      );
    } finally {
      rmSync(folder, { recursive: true });
    }
  };

const popplerArgs = (path: string, page: number, dpi: number, to: string): string[] => [
  '-cropbox',
  ...['-r', String(dpi), '-f', String(page), '-l', String(page)],
  ...['-singlefile', '-png', path, to],
];

const pdfjs: Reader = async (path, pages, dpi, password) => {
  const folder = mkdtempSync(join(tmpdir(), 'pages-'));
  try {
    const { status, stderr } = spawnSync(
      process.execPath,
      [
        join(process.cwd(), 'references/support/drawWithPdfjs.mjs'),
        path,
        String(dpi),
        folder,
        ...pages.map(String),
      ],
      {
        encoding: 'utf8',
        maxBuffer: 1 << 26,
        env: { ...process.env, ...(password === undefined ? {} : { PDF_PASSWORD: password }) },
      },
    );
    if (status !== 0) throw new Error(`pdf.js gave up: ${stderr.trim()}`);
    return new Map(pages.map((page) => [page, readPng(join(folder, `${page}.png`))]));
  } finally {
    rmSync(folder, { recursive: true });
  }
};

const pdfium: Reader = async (path, pages, dpi, password) => {
  const doc = await openInPdfium(new Uint8Array(readFileSync(path)), password);
  try {
    return new Map(pages.map((page) => [page, doc.drawAt(page - 1, dpi)]));
  } finally {
    doc.close();
  }
};

/** Readers with code of their own (the first two share their parser, not their renderer). */
export const READERS = {
  'poppler, Splash': program('pdftoppm', popplerArgs, (password) => ['-upw', password]),
  'poppler, cairo': program('pdftocairo', popplerArgs, (password) => ['-upw', password]),
  MuPDF: program(
    'mutool',
    (path, page, dpi, to) => [
      'draw',
      ...['-q', '-r', String(dpi), '-o', `${to}.png`, path, String(page)],
    ],
    (password) => ['-p', password],
  ),
  Ghostscript: program(
    'gs',
    (path, page, dpi, to) => [
      ...['-q', '-dSAFER', '-dBATCH', '-dNOPAUSE', '-dPDFSTOPONERROR', '-dUseCropBox'],
      ...['-sDEVICE=png16m', '-dTextAlphaBits=4', '-dGraphicsAlphaBits=4', `-r${dpi}`],
      ...[`-dFirstPage=${page}`, `-dLastPage=${page}`, `-sOutputFile=${to}.png`, path],
    ],
    (password) => [`-sPDFPassword=${password}`],
  ),
  PDFium: pdfium,
  'pdf.js': pdfjs,
} satisfies Record<string, Reader>;

export type ReaderName = keyof typeof READERS;
export const READER_NAMES = Object.keys(READERS) as ReaderName[];
