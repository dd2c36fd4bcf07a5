import type { Annotation } from './annotation.ts';

/** Longer names are no use as ids. */
const LONGEST = 80;
/** FNV-1a, 32 bits (from memory). */
const [OFFSET, PRIME] = [0x811c9dc5, 0x01000193];

/**
 * What annotations are called here: by their names where these tell them apart, else by what they are, so that the same one is called the same whenever it is
 * read, and no other is.
 */
export function idsFor(annotations: readonly Annotation[]): string[] {
  const count = new Map<string, number>();
  for (const { name } of annotations) count.set(name, (count.get(name) ?? 0) + 1);
  const given = new Map<string, number>();
  return annotations.map((annotation) => {
    const { name } = annotation;
    if (name !== '' && name.length <= LONGEST && count.get(name) === 1) return name;
    const id = idOfContents(annotation);
    const before = given.get(id) ?? 0;
    given.set(id, before + 1);
    return before === 0 ? id : `${id}-${before + 1}`;
  });
}

function idOfContents(annotation: Annotation): string {
  const { page, subtype, rect, author, contents, madeAt, changedAt, state } = annotation;
  const text = JSON.stringify([subtype, rect, author, contents, madeAt, changedAt, state]);
  return `annotation-${page + 1}-${hash(text, OFFSET)}${hash(text, PRIME)}`;
}

function hash(text: string, seed: number): string {
  let h = seed;
  for (let k = 0; k < text.length; k++) h = Math.imul(h ^ text.charCodeAt(k), PRIME);
  return (h >>> 0).toString(16).padStart(8, '0');
}
