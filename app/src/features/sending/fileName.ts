import { fileStem } from '@marginalis/core/wire';

/** What a file's name is made of. */
export interface Naming {
  /** Text with `{title}`, `{pages}`, `{kind}`, `{author}` and `{date}` in it. */
  readonly pattern: string;
  readonly title: string;
  /** Which pages leave; empty for all. */
  readonly pages: string;
  readonly author: string;
  /** Of the day it leaves, ms since 1970. */
  readonly at: number;
}

/** What the file is; a picture of one page needs no word for it. */
export type FileKind = 'marked' | 'living' | 'pictures' | 'notes' | '';

/** Of a title and of the pages named, letters. */
const TITLE = 120;
const PAGES = 60;
/** Of the whole, letters; no system's limit is near. */
const WHOLE = 200;

/** What stands between the pieces of a pattern. */
const BETWEEN = /(\s+[–—-]\s+|,\s+)/;
const FIELD = /\{(title|pages|kind|author|date)\}/g;

/** The day as it is sorted: `2026-11-29`. */
function dayOf(at: number): string {
  const d = new Date(at);
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`;
}

/**
 * The name offered for a file. Pieces of the pattern whose fields are all empty go, with what stands before them. What
 * says what the file is, is always there: it never has the original's own name.
 */
export function fileName(naming: Naming, kind: FileKind, ending: string): string {
  const { title, pages, author, at } = naming;
  const values: Readonly<Record<string, string>> = {
    title: fileStem(title, TITLE) || 'Document',
    pages: fileStem(pages, PAGES),
    author: fileStem(author, PAGES),
    date: dayOf(at),
    kind,
  };
  const isSaid = naming.pattern.includes('{kind}');
  const pattern = isSaid ? naming.pattern : `${naming.pattern} – {kind}`;
  let name = '';
  const pieces = pattern.split(BETWEEN);
  for (let i = 0; i < pieces.length; i += 2) {
    const fields = [...pieces[i].matchAll(FIELD)];
    if (fields.length > 0 && fields.every(([, field]) => values[field] === '')) continue;
    const said = pieces[i].replace(FIELD, (_, field: string) => values[field]);
    name += name === '' ? said : (pieces[i - 1] ?? '') + said;
  }
  return `${fileStem(name, WHOLE) || 'Document'}.${ending}`;
}

/** What a copy of some kind is called, by how it leaves. */
export const copyName = (naming: Naming, as: 'fixed' | 'living'): string =>
  fileName(naming, as === 'fixed' ? 'marked' : 'living', 'pdf');

/** What pictures of so many pages are called: one as it is, several in a ZIP file. */
export const picturesName = (naming: Naming, count: number, kind: 'png' | 'jpeg'): string =>
  count === 1
    ? fileName(naming, '', kind === 'png' ? 'png' : 'jpg')
    : fileName(naming, 'pictures', 'zip');
