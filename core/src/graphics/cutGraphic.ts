import { type Box, drawPathInto, IDENTITY, PathPacker, unpackPath } from '../geometry/index.ts';
import { cutToSeen } from './cutToSeen.ts';
import { type Graphic, GRAPHIC_UNITS } from './graphic.ts';

/**
 * What lies within a part of a graphic, as a graphic of its own: what is cut away is nowhere in it. Empty where nothing lies there.
 * @param part in shares of its sides, y up from its lower left corner
 */
export function cutGraphic(graphic: Graphic, part: Box): Graphic {
  const units = (share: number): number => share * GRAPHIC_UNITS;
  const seen: Box = {
    minX: units(part.minX),
    minY: units(part.minY),
    maxX: units(part.maxX),
    maxY: units(part.maxY),
  };
  const [wide, high] = [part.maxX - part.minX, part.maxY - part.minY];
  const whole = (at: number): number => Math.min(GRAPHIC_UNITS, Math.max(0, Math.round(at)));
  return graphic.flatMap((piece) => {
    const left = cutToSeen(unpackPath(piece, 1, IDENTITY), seen);
    if (!left) return [];
    const packer = new PathPacker((x, y) => [
      whole((x - seen.minX) / wide),
      whole((y - seen.minY) / high),
    ]);
    drawPathInto(packer, left);
    return [{ ...piece, ...packer.packed() }];
  });
}
