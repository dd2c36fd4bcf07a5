import type { ListRow } from '../derived/index.ts';
import type { Mark } from '../kinds/index.ts';

/** Marks that are carried as one: lines of writing, groups. */
export function unitsOf(rows: readonly ListRow[]): Mark[][] {
  const units: Mark[][] = [];
  const groups = new Map<string, Mark[]>();
  for (const row of rows) {
    const marks = 'line' in row ? row.line.marks.map(({ mark }) => mark) : [row.mark.mark];
    const group = marks[0].group && `${marks[0].page} ${marks[0].group}`;
    const known = group ? groups.get(group) : undefined;
    if (known) known.push(...marks);
    else {
      const unit = [...marks];
      units.push(unit);
      if (group) groups.set(group, unit);
    }
  }
  return units;
}
