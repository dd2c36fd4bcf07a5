import type { Drawing, Item } from '../drawing/index.ts';

const SPACES = /[\s\u0000-\u001f\u00ad\u200b-\u200f\u2028-\u202e\u2066-\u2069\ufeff]/gu;

/** Without spaces, and each character in its plainest form, so that it can be compared with what a reader finds. */
export const plainCharacters = (text: string): string => text.normalize('NFKC').replace(SPACES, '');

/** What the text of a drawing says, characters only. Text is in glyphs. */
export const charactersOf = (drawing: Drawing): string =>
  plainCharacters(drawing.map(saidBy).join(''));

const saidBy = (item: Item): string =>
  item.is === 'glyphs' ? item.run.text : item.is === 'group' ? item.items.map(saidBy).join('') : '';

/** Characters that are wanted, in whatever order, and not found so often. */
export function charactersMissing(wanted: string, found: string): string {
  const left = new Map<string, number>();
  for (const c of plainCharacters(found)) left.set(c, (left.get(c) ?? 0) + 1);
  const missing: string[] = [];
  for (const c of plainCharacters(wanted)) {
    const count = left.get(c) ?? 0;
    if (count === 0) missing.push(c);
    else left.set(c, count - 1);
  }
  return missing.join('');
}

/** Whether all characters of a text are found in their order, whatever stands between them. */
export function isKept(text: string, found: string): boolean {
  let at = 0;
  for (const c of text) {
    at = found.indexOf(c, at);
    if (at < 0) return false;
    at += c.length;
  }
  return true;
}
