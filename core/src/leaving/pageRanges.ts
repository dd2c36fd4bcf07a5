import { pageNamed } from '../guide/index.ts';

/** Pages as somebody names them, or why that names none. */
export type NamedPages =
  | { readonly ok: true; readonly pages: readonly number[] }
  | { readonly ok: false; readonly reason: string };

const DASH = /\s*[-–—]\s*/;

/**
 * The pages, from 0, of something like `2-5, 9`, in the order of the document and each once. `names` are what the document's pages are called: `iv-x` names pages as well.
 */
export function pageRanges(text: string, names: readonly string[]): NamedPages {
  const parts = text.split(/[,;]/).map((part) => part.trim());
  const pages = new Set<number>();
  for (const part of parts.filter((one) => one !== '')) {
    const ends = endsOf(part, names);
    if (!ends) return { ok: false, reason: `There is no page “${part}”.` };
    const [from, to] = ends;
    if (from > to) return { ok: false, reason: `“${part}” ends before it begins.` };
    for (let page = from; page <= to; page++) pages.add(page);
  }
  if (pages.size === 0) return { ok: false, reason: 'Say which pages: 2-5, 9.' };
  return { ok: true, pages: [...pages].sort((a, b) => a - b) };
}

/** The first and the last page of a part. A name may have a dash in it. */
function endsOf(part: string, names: readonly string[]): readonly [number, number] | null {
  const whole = pageNamed(names, part);
  if (whole !== null) return [whole, whole];
  const ends = part.split(DASH);
  if (ends.length !== 2) return null;
  const [from, to] = ends.map((end, k) =>
    // From the beginning, and to the end, where nothing is said.
    end === '' ? (k === 0 ? 0 : names.length - 1) : pageNamed(names, end),
  );
  return from === null || to === null || part.length < 2 ? null : [from, to];
}
