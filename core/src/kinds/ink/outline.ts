import { joinPaths, type Path } from '../../geometry/index.ts';
import { type InkSample, type Nib, outlineInk } from '../../ink/index.ts';
import { beyondPart, leftOf, type MarkLine } from '../../marks/index.ts';
import { drawnOutline } from './drawnOutline.ts';
import { adoptLine, inkLines } from './lines.ts';
import type { InkMark } from './mark.ts';

/** The nib ink was written with, as wide as it is now and turned with the ink. */
export function nibOf({ ink: { nib, place }, style: { width } }: InkMark): Nib {
  const { edge } = nib;
  if (!place || !edge) return { ...nib, width };
  const turned = Math.atan2(place[1], place[0]);
  return { ...nib, width, edge: { ...edge, angle: edge.angle + turned } };
}

/** The outline of one line at the width it was last asked for. */
const lineOutlines = new WeakMap<MarkLine, { readonly width: number; readonly outline: Path }>();
const outlines = new WeakMap<InkMark, Path>();

/** The filled outline of what is left of ink; kept as long as the mark. */
export function inkOutline(mark: InkMark): Path {
  let outline = outlines.get(mark);
  if (!outline) outlines.set(mark, (outline = outlineLeft(mark)));
  return outline;
}

function outlineLeft(mark: InkMark): Path {
  const drawn = drawnOutline(mark);
  if (drawn) return drawn;
  const nib = nibOf(mark);
  const { width } = nib;
  const whole = inkLines(mark);
  const parts = leftOf(mark, whole).map((line) => {
    const known = lineOutlines.get(line);
    if (known?.width === width) return known.outline;
    const around = nib.taper ? beyondPart(whole[0], line) : undefined;
    const outline = outlineInk(line.points as readonly InkSample[], nib, around);
    lineOutlines.set(line, { width, outline });
    return outline;
  });
  return parts.length === 1 ? parts[0] : joinPaths(parts);
}

/** Takes over what another thread has worked out for the same ink, so that it is not done again. */
export function adoptDrawn(
  mark: InkMark,
  { centreline, outline }: { centreline: Float64Array; outline: Path },
): void {
  adoptLine(mark, centreline);
  outlines.set(mark, outline);
}
