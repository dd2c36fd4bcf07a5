import type { PlacedHeading } from '../print/index.ts';
import type { OutlineEntry } from './outline.ts';

interface Growing extends OutlineEntry {
  readonly under: Growing[];
}

/** An outline made of headings: each stands under the one before it of a higher level. */
export function proposeOutline(
  headings: readonly Pick<PlacedHeading, 'text' | 'page' | 'level' | 'at'>[],
): readonly OutlineEntry[] {
  const top: Growing[] = [];
  /** Those that what comes next may stand under, with their levels. */
  const open: { readonly level: number; readonly under: Growing[] }[] = [];
  for (const { text, page, at, level } of headings) {
    while (open.length > 0 && open[open.length - 1].level >= level) open.pop();
    const place = { page, left: at.x, top: at.y };
    const entry: Growing = { title: text, place, address: null, open: true, under: [] };
    (open[open.length - 1]?.under ?? top).push(entry);
    open.push({ level, under: entry.under });
  }
  return top;
}
