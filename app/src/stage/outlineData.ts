import { outlineOf } from '@marginalis/core/derived';
import { VERB, VERB_COORDS } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/marks';

const kept = new WeakMap<Mark, string>();

/** The outline of a mark as an SVG path, in user space. */
export function outlineData(mark: Mark): string {
  let data = kept.get(mark);
  if (data === undefined) {
    const { verbs, coords } = outlineOf(mark);
    const parts: string[] = [];
    let i = 0;
    for (const verb of verbs) {
      const n = VERB_COORDS[verb];
      const letter = verb === VERB.M ? 'M' : verb === VERB.L ? 'L' : verb === VERB.C ? 'C' : 'Z';
      parts.push(letter, coords.slice(i, i + n).join(' '));
      i += n;
    }
    kept.set(mark, (data = parts.join('')));
  }
  return data;
}
