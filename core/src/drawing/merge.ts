import { joinPaths, type Path } from '../geometry/index.ts';
import type { Drawing, Fill, Item, Paint } from './drawing.ts';

const sameAs = (a: Paint, b: Paint): boolean =>
  a.colour === b.colour && a.opacity === b.opacity && a.blend === b.blend;

/** Whether a drawing is nothing but opaque fills of one colour: as a group it is one shape, drawn in one go. */
export function oneShape(items: Drawing): { readonly colour: string; paths: Path[] } | null {
  const [first] = items;
  if (first?.is !== 'fill' || first.paint.opacity !== 1 || first.paint.blend) return null;
  const fits = (item: Item): item is Fill => item.is === 'fill' && sameAs(item.paint, first.paint);
  return items.every(fits)
    ? { colour: first.paint.colour, paths: items.map(({ path }) => path) }
    : null;
}

/** Everything a drawing fills as one path, whatever its colours; what its groups fill too. */
export function filledPath(items: Drawing): Path {
  const [first] = items;
  if (items.length === 1 && first.is === 'fill') return first.path;
  const paths = items.flatMap(pathsIn);
  return paths.length === 1 ? paths[0] : joinPaths(paths);
}

const pathsIn = (item: Item): Path[] =>
  item.is === 'fill' ? [item.path] : item.is === 'group' ? item.items.flatMap(pathsIn) : [];
