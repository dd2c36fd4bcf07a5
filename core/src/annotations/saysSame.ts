import type { Annotation } from './annotation.ts';

const flat = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** Whether two annotations say the same, however their lines are broken: programs break them anew. */
export const saysSame = (a: Annotation, b: Annotation): boolean =>
  flat(a.contents) === flat(b.contents);
