import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';

/** A document of others, in one of Debian's documentation packages. */
export interface RealPdf {
  readonly name: string;
  readonly package: string;
  readonly path: string;
}

const debian = (name: string, of: string, path: string): RealPdf => ({
  name,
  package: of,
  path: `usr/share/${path}`,
});

/** PDFs that other people made with other programs, each for something the others do not have. */
const FEW: readonly RealPdf[] = [
  /** Turned pages, right-to-left text. */
  debian(
    'Arabic font features',
    'fonts-sil-scheherazade',
    'doc/fonts-sil-scheherazade/documentation/Scheherazade-features.pdf.gz',
  ),
  /** Stream lengths in objects of their own. */
  debian('drawing program how-to', 'xfig-doc', 'doc/xfig/xfig-howto.pdf'),
];

const MORE: readonly RealPdf[] = [
  /** 87 pages, links, object streams. */
  debian('shell manual', 'bash-doc', 'doc/bash/bash.pdf'),
  /** Outline and links. */
  debian('statistics introduction', 'r-doc-pdf', 'R/doc/manual/R-intro.pdf'),
  debian('policy manual', 'debian-policy', 'doc/debian-policy/policy.pdf.gz'),
  /** Landscape, object streams. */
  debian('reference card', 'pari-doc', 'pari/doc/refcard.pdf'),
  /** 1,158 pages. */
  debian('numeric language manual', 'octave-doc', 'doc/octave/octave.pdf'),
  /** Music. */
  debian(
    'chorale prelude',
    'lilypond-doc-pdf',
    'doc/lilypond/html/Documentation/ly-examples/bach-bwv610.pdf',
  ),
];

export const JAPANESE = debian(
  'packaging guide in Japanese',
  'debmake-doc',
  'doc/debmake-doc/debmake-doc.ja.pdf',
);

/** Forms that were made by two packages for typesetting. */
export const REAL_FORMS: readonly RealPdf[] = [
  debian(
    'worksheet with fields',
    'texlive-publishers-doc',
    'doc/texlive-doc/latex/schule/Beispiele/beispiel-ab-formulare.pdf',
  ),
  debian(
    'radio buttons',
    'texlive-latex-recommended-doc',
    'doc/texlive-doc/latex/pdfmanagement-testphase/l3pdffield-radiobutton.pdf',
  ),
];

/** A face with Arabic letters, each drawn whole. */
export const ARABIC_FACE = debian(
  'Arabic face',
  'fonts-dejavu-core',
  'fonts/truetype/dejavu/DejaVuSans.ttf',
);

/** A few, or all of them when every reference is checked. */
export const realPdfs = (): readonly RealPdf[] =>
  process.env.REFERENCES === 'all' ? [...FEW, ...MORE] : FEW;

const cache = join(process.cwd(), '.cache', 'references');

/** The bytes of one of them. */
export const realPdf = ({ package: name, path }: RealPdf): Uint8Array => debianFile(name, path);

/** A file of a Debian package; fetched the first time and kept in a folder that git ignores. */
export function debianFile(name: string, path: string): Uint8Array {
  const folder = join(cache, name);
  const file = join(folder, path);
  if (!existsSync(file)) {
    mkdirSync(folder, { recursive: true });
    const fetched = (): string | undefined => readdirSync(folder).find((n) => n.endsWith('.deb'));
    let complaint = '';
    if (!fetched())
      complaint = spawnSync('apt-get', ['download', '-q', name], {
        cwd: folder,
        encoding: 'utf8',
      }).stderr;
    const deb = fetched();
    if (!deb) throw new Error(`The package ${name} could not be fetched: ${complaint}`);
    // Some packages hold a thousand documents: only the one that is asked for is unpacked.
    const unpack = 'dpkg-deb --fsys-tarfile "$1" | tar -x -C "$2" "./$3"';
    spawnSync('sh', ['-c', unpack, 'sh', join(folder, deb), folder, path]);
  }
  const bytes = readFileSync(file);
  return new Uint8Array(file.endsWith('.gz') ? gunzipSync(bytes) : bytes);
}
