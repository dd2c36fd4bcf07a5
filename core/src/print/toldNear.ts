import { type Box, distanceToBox, type Vec } from '../geometry/index.ts';
import type { Told } from './paragraphs.ts';

/** The text of a page that stands nearest to a place in user space, one of a list as well; null where there is none. */
export function toldNear(told: readonly Told[], place: Vec): Told | null {
  let nearest: Told | null = null;
  let least = Infinity;
  for (const one of textsAmong(told)) {
    const distance = distanceToBox(place, one.box);
    if (distance < least) [nearest, least] = [one, distance];
  }
  return nearest;
}

function textsAmong(told: readonly Told[]): (Told & { readonly box: Box })[] {
  return told.flatMap((one) => {
    if (one.is === 'list') return one.items.flatMap(textsAmong);
    return one.is === 'picture' ? [] : [one];
  });
}
