import { box, PathBuilder, transformBox, type Vec } from '../src/geometry/index.ts';
import type { Kind } from '../src/kinds/kind.ts';
import type { MarkBase } from '../src/marks/index.ts';

/** A kind that no product has: a square patch of colour. All that is known of it stands in this file. */
export interface Patch extends MarkBase {
  readonly kind: 'patch';
  readonly corner: Vec;
  readonly side: number;
}

const boxOf = ({ corner: { x, y }, side }: Patch) => box(x, y, x + side, y + side);

export const PATCH: Kind<Patch> = {
  name: 'patch',
  sorts: { patch: 'Patches' },
  toRecord: (patch) => ({ ...patch }),
  fromRecord(record) {
    const { side } = record as Patch;
    if (typeof side !== 'number') throw new RangeError('A patch has a side.');
    return record as Patch;
  },
  plane: () => 'over',
  draw(patch) {
    const { minX, minY, maxX, maxY } = boxOf(patch);
    const path = new PathBuilder();
    path.moveTo(minX, minY);
    path.lineTo(maxX, minY);
    path.lineTo(maxX, maxY);
    path.lineTo(minX, maxY);
    path.closePath();
    const { colour, opacity } = patch.style;
    return [{ is: 'fill', path: path.build(), paint: { colour, opacity } }];
  },
  roughBounds: boxOf,
  carry: (patch, by) => {
    const { minX, minY, maxX } = transformBox(by, boxOf(patch));
    return { ...patch, corner: { x: minX, y: minY }, side: maxX - minX };
  },
  look: ({ style }) => ({ style }),
  restyle: (patch, { style }) => ({ ...patch, style: { ...patch.style, ...style } }),
  words: () => ({ name: 'Patch', text: '', sort: 'patch' }),
  annotation: (patch) => {
    const { minX, minY, maxX, maxY } = boxOf(patch);
    const corners = [
      { x: minX, y: minY },
      { x: maxX, y: maxY },
    ] as const;
    return { subtype: 'Square', corners, width: 0, inside: patch.style.colour };
  },
};
