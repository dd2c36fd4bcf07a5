import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';

/** PDFs that other people made with other programs, from Debian's documentation packages. */
export const REAL_PDFS = [
  /** Turned pages, right-to-left text. */
  {
    name: 'Arabic font features',
    package: 'fonts-sil-scheherazade',
    path: 'usr/share/doc/fonts-sil-scheherazade/documentation/Scheherazade-features.pdf.gz',
  },
  /** Stream lengths in objects of their own. */
  {
    name: 'drawing program how-to',
    package: 'xfig-doc',
    path: 'usr/share/doc/xfig/xfig-howto.pdf',
  },
  /** 87 pages, links. */
  { name: 'shell manual', package: 'bash-doc', path: 'usr/share/doc/bash/bash.pdf' },
] as const;

const cache = join(process.cwd(), '.cache', 'references');

/** The bytes of one of them; fetched with apt-get the first time and kept in a folder that git ignores. */
export function realPdf({ package: name, path }: (typeof REAL_PDFS)[number]): Uint8Array {
  const folder = join(cache, name);
  const file = join(folder, path);
  if (!existsSync(file)) {
    mkdirSync(folder, { recursive: true });
    const get = spawnSync('apt-get', ['download', '-q', name], { cwd: folder, encoding: 'utf8' });
    const deb = readdirSync(folder).find((n) => n.endsWith('.deb'));
    if (!deb) throw new Error(`The package ${name} could not be fetched: ${get.stderr}`);
    spawnSync('dpkg-deb', ['-x', join(folder, deb), folder]);
  }
  const bytes = readFileSync(file);
  return new Uint8Array(file.endsWith('.gz') ? gunzipSync(bytes) : bytes);
}
