import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { withFile } from './programs';

/** A link as pdf.js reads it: where it lies, and where it leads, pages from 0. */
export interface ReadLink {
  readonly rect: readonly number[];
  readonly address: string | null;
  readonly place: { readonly page: number; readonly x: number; readonly y: number } | null;
}

/** What pdf.js reads of the ways through a file. */
export interface ReadWays {
  /** Of each page, in order. */
  readonly pages: readonly (readonly ReadLink[])[];
  /** Entries one after the other, those beneath an entry after it; pages from 0. */
  readonly outline: readonly { readonly title: string; readonly page: number | null }[];
}

export const waysByPdfjs = (bytes: Uint8Array): ReadWays =>
  withFile(bytes, (path) => {
    const script = join(process.cwd(), 'references/support/readWithPdfjs.mjs');
    const { stdout, stderr, status } = spawnSync('node', [script, path], {
      encoding: 'utf8',
      maxBuffer: 1 << 26,
    });
    if (status !== 0) throw new Error(`pdf.js gave up: ${stderr}`);
    return JSON.parse(stdout) as ReadWays;
  });

export const linksByPdfjs = (bytes: Uint8Array): ReadWays['pages'] => waysByPdfjs(bytes).pages;
