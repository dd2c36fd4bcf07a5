import type { SearchState } from '@/session';

const hitsOf = (n: number): string => (n === 1 ? '1 hit' : `${n} hits`);

/** How many hits there are, and at which of them one is. */
export function hitsSaid({ hits, more, at, reading }: SearchState): string {
  const all = hits.length + more;
  if (all === 0) return reading ? 'Nothing yet' : 'Not found in print';
  const here = at ? hits.indexOf(at) : -1;
  return here < 0 ? hitsOf(all) : `${here + 1} of ${all}`;
}

/** What the reader must know of what was not searched; null when everything was. */
export function unsearchedSaid({ wordless, trouble, more, hits }: SearchState): string | null {
  const said: string[] = [];
  if (trouble) said.push(trouble);
  if (more > 0) said.push(`The first ${hits.length} are listed.`);
  if (wordless === 1) said.push('On one page no words can be read: it is empty, or a picture.');
  if (wordless > 1)
    said.push(`On ${wordless} pages no words can be read: they are empty, or pictures.`);
  return said.length > 0 ? said.join(' ') : null;
}
