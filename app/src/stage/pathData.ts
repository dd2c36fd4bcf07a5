import { type Path, VERB, VERB_COORDS } from '@marginalis/core/geometry';

const kept = new WeakMap<Path, string>();

/** A path as the data of an SVG path; kept as long as the path. */
export function pathData(path: Path): string {
  let data = kept.get(path);
  if (data === undefined) {
    const { verbs, coords } = path;
    const parts: string[] = [];
    let i = 0;
    for (const verb of verbs) {
      const n = VERB_COORDS[verb];
      const letter = verb === VERB.M ? 'M' : verb === VERB.L ? 'L' : verb === VERB.C ? 'C' : 'Z';
      parts.push(letter, coords.slice(i, i + n).join(' '));
      i += n;
    }
    kept.set(path, (data = parts.join('')));
  }
  return data;
}
